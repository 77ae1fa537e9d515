import { eachMonthOfInterval } from 'date-fns/eachMonthOfInterval';
import { lightFormat } from 'date-fns/lightFormat';
import { parseISO } from 'date-fns/parseISO';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { TFunction } from 'i18next';
import type { CalendarEvent, ChildDays, CourseDetail } from '@cadro/contract';
import { termMoves, yearLine, type LaneMove } from '@cadro/core';
import { useDaysQuery } from '../../attendance/api';
import { useCalendarQuery } from '../../calendar/api';
import { useChildren, useFormat } from '../../household';
import type { Format } from '../../i18n';
import {
  BackLink,
  Heading,
  KeepPicture,
  List,
  Loaded,
  Quiet,
  RowLink,
  Stack,
  TermLanes,
  WidePage,
  Words,
} from '../../ui';
import { useTermCourses } from './useTermCourses';

/** So many moves of a course are drawn, and so many of them are said. */
const [drawn, said] = [8, 3];

const noon = (on: string): number => Date.parse(`${on}T12:00:00Z`);

/** What moved a course most, in one sentence. */
function movesWords(t: TFunction, format: Format, moves: readonly LaneMove[], outOf: number): string {
  if (moves.length === 0) return t('term.still');
  const largest = [...moves].sort((a, b) => Math.abs(b.share) - Math.abs(a.share)).slice(0, said);
  return largest
    .sort((a, b) => a.atMs - b.atMs)
    .map(({ title, share, atMs }) =>
      t(share < 0 ? 'term.down' : 'term.up', {
        title,
        points: format.amount(Math.abs(share * outOf)),
        date: format.day(new Date(atMs).toISOString()),
      }),
    )
    .join('; ');
}

interface Told {
  readonly course: CourseDetail;
  readonly moves: readonly LaneMove[];
  readonly tests: readonly CalendarEvent[];
  readonly words: string;
}

/** Each course with what moved it and what is ahead, as it is drawn and as it is said. */
function useTold(courses: readonly CourseDetail[], tests: readonly CalendarEvent[]): Told[] {
  const { t } = useTranslation();
  const format = useFormat();
  return courses
    .filter(({ scale }) => scale.method !== 'standards')
    .map((course) => {
      const moves = termMoves(course.moved, course.scale.outOf, drawn);
      const own = tests.filter(({ link }) => link?.to === 'item' && link.courseId === course.id);
      const ahead = own.map(({ title, on }) => t('term.test', { title, date: format.day(on) }));
      const words = [movesWords(t, format, moves, course.scale.outOf), ...ahead].join('. ');
      return { course, moves, tests: own, words };
    });
}

function Lanes({
  told,
  days,
  studentId,
}: {
  told: readonly Told[];
  days: ChildDays | undefined;
  studentId: string;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const term = told[0]?.course.term;
  if (!term) return <Quiet>{t('term.none', { child: nameOf(studentId) })}</Quiet>;
  const missed = yearLine(days?.days ?? []).filter(
    ({ on, missed: share }) => share > 0 && on >= term.startsOn && on <= term.endsOn,
  );
  const [fromMs, toMs, todayMs] = [noon(term.startsOn), noon(term.endsOn), noon(format.today)];
  const months = eachMonthOfInterval({ start: parseISO(term.startsOn), end: parseISO(term.endsOn) })
    .map((first) => lightFormat(first, 'yyyy-MM-dd'))
    .filter((on) => on >= term.startsOn)
    .map((on) => ({ atMs: noon(on), name: format.monthShort(on) }))
    // Today's own word stands there.
    .filter(({ atMs }) => Math.abs(atMs - todayMs) > (toMs - fromMs) * 0.12);
  const name = t('term.title', { child: nameOf(studentId) });
  return (
    <KeepPicture name={name}>
      <TermLanes
        lanes={told.map(({ course, moves, tests }) => ({
          key: course.id,
          title: course.title,
          grade: format.grade(course.grade),
          moves,
          aheadMs: tests.map(({ on }) => noon(on)),
        }))}
        missed={missed.map(({ on, missed: share, unexplained }) => ({ atMs: noon(on), share, unexplained }))}
        missedTitle={t('days.attendance')}
        {...{ fromMs, toMs, todayMs, months }}
        today={t('calendar.today')}
        label={t('term.label', { child: nameOf(studentId), count: told.length })}
      />
    </KeepPicture>
  );
}

function Picture({ courses, studentId }: { courses: readonly CourseDetail[]; studentId: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const ends = courses[0]?.term.endsOn ?? format.today;
  const calendar = useCalendarQuery({ from: format.today, to: ends }, { skip: ends < format.today });
  const days = useDaysQuery();
  const tests = (calendar.data?.events ?? []).filter(
    ({ layer, studentIds, settled }) => layer === 'test' && !settled && studentIds.includes(studentId),
  );
  const told = useTold(courses, tests);
  return (
    <Stack space={3}>
      <Lanes
        told={told}
        studentId={studentId}
        days={days.data?.children.find((each) => each.studentId === studentId)}
      />
      <View>
        <Heading level={2}>{t('term.inWords')}</Heading>
        <List>
          {told.map(({ course, words }) => (
            <RowLink
              key={course.id}
              href={`/courses/${studentId}/${course.id}`}
              label={`${course.title}. ${words}`}
            >
              <Words bold>{course.title}</Words>
              <Words size="small">{words}</Words>
            </RowLink>
          ))}
        </List>
      </View>
    </Stack>
  );
}

/** A child's term in one drawing: its courses as lanes, what moved each, what was missed, and the tests ahead. */
export function TermScreen({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const query = useTermCourses(studentId);
  return (
    <Loaded query={query}>
      {(courses) => (
        <WidePage>
          <BackLink href="/courses" label={t('courses.title')} />
          <Heading level={1}>{t('term.title', { child: nameOf(studentId) })}</Heading>
          <Picture courses={courses} studentId={studentId} />
        </WidePage>
      )}
    </Loaded>
  );
}
