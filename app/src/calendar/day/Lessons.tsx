import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ChildDay, LessonOfDay, SchoolEvent } from '@cadro/contract';
import { markWord, needsYou } from '../../attendance';
import { useFormat } from '../../household';
import { Heading, Line, OutLink, Quiet, Row, Stack, styles, Words } from '../../ui';

interface Timed {
  readonly startsAt: string | null;
  readonly endsAt: string | null;
}
function useTimes(): (of: Timed) => string {
  const { clock } = useFormat();
  return ({ startsAt, endsAt }) =>
    [startsAt, endsAt].flatMap((time) => (time === null ? [] : [clock(time)])).join('–');
}

function Lesson({ lesson, past }: { lesson: LessonOfDay; past: boolean }) {
  const { t } = useTranslation();
  const timesOf = useTimes();
  const { mark, done, homework, files, room, teacher, courseTitle, period } = lesson;
  const where = [room, teacher?.name].filter(Boolean).join(' · ');
  const plain = mark?.kind === 'present';
  return (
    <View>
      <Row space={1.5} style={own.lesson}>
        <View style={own.figure}>
          <Words size="small" bold>
            {timesOf(lesson) || t('days.lesson', { period })}
          </Words>
          <Words size="small" colour="soft">
            {timesOf(lesson) ? t('days.lesson', { period }) : ''}
          </Words>
        </View>
        <View style={styles.fillClose}>
          <Words bold>{courseTitle ?? t('days.lesson', { period })}</Words>
          {where ? (
            <Words size="small" colour="soft">
              {where}
            </Words>
          ) : null}
          {mark && !plain ? (
            <Words size="small" bold colour={needsYou(mark) ? 'plum' : 'ink'}>
              {[
                markWord(t, mark),
                ...(mark.note ? [mark.note] : []),
                ...(mark.by === 'household' ? [t('days.byHousehold')] : []),
                ...(mark.instead.length > 0 ? [t('days.instead', { codes: mark.instead.join(', ') })] : []),
              ].join(' · ')}
            </Words>
          ) : null}
          {!mark && past ? (
            <Words size="small" colour="soft">
              {t('day.notMarked')}
            </Words>
          ) : null}
          {done ? <Words size="small">{t('day.done', { what: done })}</Words> : null}
          {homework ? <Words size="small">{t('day.homework', { what: homework })}</Words> : null}
          {files.map(({ title, href }) => (
            <OutLink key={href} label={title} href={href} />
          ))}
        </View>
      </Row>
      <Line />
    </View>
  );
}

/** The lessons of a day with room, teacher and mark, and what was done in them. */
export function Lessons({ day }: { day: ChildDay }) {
  const { t } = useTranslation();
  if (day.open === false) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('day.lessons')}</Heading>
      {day.dayMark && day.dayMark.kind !== 'present' ? (
        <Words bold colour={needsYou(day.dayMark) ? 'plum' : 'ink'}>
          {t('day.wholeDay', { what: markWord(t, day.dayMark) })}
        </Words>
      ) : null}
      {day.lessons.length === 0 ? (
        <Quiet>{t(day.open === null ? 'day.unknown' : 'day.noLessons')}</Quiet>
      ) : null}
      <View>
        {day.lessons.map((lesson) => (
          <Lesson
            key={`${lesson.period}/${lesson.courseId ?? ''}`}
            lesson={lesson}
            past={day.on <= day.today && !day.dayMark}
          />
        ))}
      </View>
    </Stack>
  );
}

function Event({ event }: { event: SchoolEvent }) {
  const { t } = useTranslation();
  const timesOf = useTimes();
  const { title, kind, place, href, courseTitle } = event;
  return (
    <Stack space={0}>
      <Words bold>{title}</Words>
      <Words size="small" colour="soft">
        {[t(`day.kinds.${kind}`), timesOf(event), courseTitle, place].filter(Boolean).join(' · ')}
      </Words>
      {href ? <OutLink label={t(kind === 'live-lesson' ? 'day.join' : 'day.more')} href={href} /> : null}
    </Stack>
  );
}

/** What is on at school that day, live lessons too. */
export function Events({ day }: { day: ChildDay }) {
  const { t } = useTranslation();
  if (day.events.length === 0) return null;
  return (
    <Stack>
      <Heading level={2}>{t('day.events')}</Heading>
      {day.events.map((event) => (
        <Event key={`${event.kind}:${event.title}`} event={event} />
      ))}
    </Stack>
  );
}

const own = StyleSheet.create({
  lesson: { paddingVertical: 10, alignItems: 'flex-start' },
  figure: { width: 96 },
});
