import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Rehearsal } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { Heading, Quietly, Stack, styles, themed, Words } from '../../ui';
import type { Trying } from './useRehearsal';

const shownFirst = 12;

/** The answer in one line, with how far the next one is. */
export function RehearsalLine({ answer, done, failed }: Trying) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  return (
    <Stack space={0.25}>
      <Words bold live>
        {failed
          ? t('rules.failed')
          : answer
            ? t('rules.would', { count: answer.lastMonth })
            : t('rules.trying', { percent: format.percent(done ?? 0) })}
      </Words>
      <View aria-hidden style={looks.progress}>
        <View style={[done !== null && looks.done, { width: `${Math.round((done ?? 1) * 100)}%` }]} />
      </View>
    </Stack>
  );
}

function Slides({ slides }: { slides: Rehearsal['slides'] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const said = (days: number | null): string =>
    days === null
      ? t('rules.missed')
      : days === 0
        ? t('rules.sameDay')
        : days > 0
          ? t('rules.earlier', { count: days })
          : t('rules.later', { count: -days });
  return (
    <Stack>
      <Heading level={3}>{t('rules.slides')}</Heading>
      {slides.length === 0 ? <Words colour="soft">{t('rules.noSlides')}</Words> : null}
      {slides.map(({ studentId, courseId, courseTitle, shownAt, from, to, decimals, daysEarlier }) => (
        <Stack key={`${studentId}:${courseId}:${shownAt}`} space={0}>
          <Words>
            {t('rules.slide', {
              child: nameOf(studentId),
              course: courseTitle,
              from: format.figure(from, decimals),
              to: format.figure(to, decimals),
            })}
          </Words>
          <Words size="small" colour={daysEarlier === null ? 'plum' : 'teal'}>
            {`${format.day(shownAt)}: ${said(daysEarlier)}`}
          </Words>
        </Stack>
      ))}
    </Stack>
  );
}

/** All that the rules would have told this term, the latest first, and which of its falls they caught. */
export function RehearsalView({ answer }: { answer: Rehearsal }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const [all, setAll] = useState(false);
  const latest = [...answer.tellings].reverse();
  const inDigest = answer.tellings.filter((each) => each.inDigest).length;
  const shown = all ? latest : latest.slice(0, shownFirst);
  return (
    <Stack space={2}>
      <Words colour="soft">
        {[
          t('rules.whole', { count: answer.tellings.length, date: format.date(answer.fromOn) }),
          ...(inDigest > 0 ? [t('rules.inDigest', { count: inDigest })] : []),
        ].join('; ')}
      </Words>
      <Slides slides={answer.slides} />
      <Stack>
        <Heading level={3}>{t('rules.list')}</Heading>
        <View role="list" aria-label={t('rules.list')} style={styles.gap8}>
          {shown.map(({ key, at, studentId, headline }) => (
            <View key={`${at}:${key}`} role="listitem">
              <Words size="small" colour="soft">
                {`${format.day(at)} · ${nameOf(studentId)}`}
              </Words>
              <Words>{headline}</Words>
            </View>
          ))}
        </View>
        {all || latest.length <= shownFirst ? null : (
          <Quietly label={t('rules.more', { count: latest.length })} onPress={() => setAll(true)} />
        )}
      </Stack>
    </Stack>
  );
}

const useLooks = themed((palette) => ({
  progress: { height: 3, backgroundColor: palette.line },
  done: { height: 3, backgroundColor: palette.teal },
}));
