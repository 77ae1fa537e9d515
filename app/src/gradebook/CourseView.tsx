import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CourseDetail } from '@cadro/contract';
import { useChildren } from '../household';
import { useFormat } from '../i18n';
import { BackLink } from '../shell/BackLink';
import { SourceDown } from '../sources';
import { Heading, Line, LinkAction, Loaded, Page, Quiet, Row, Span, Stack, WayOn, Words } from '../ui';
import { useCourseQuery } from './api';
import { Comments } from './Comments';
import { ThreeFigures } from './ThreeFigures';
import { spanWords, standardsWords } from './words';
import { WorkRow } from './WorkRow';

function Cells({ cells, head }: { cells: readonly string[]; head?: boolean }) {
  const size = head ? 'small' : 'text';
  const colour = head ? 'soft' : 'ink';
  const last = cells.length - 1;
  // The points are the widest: '92.5 of 120'.
  const widths = cells.length === 4 ? [1.6, 0.8, 1.5, 1.1] : [2, 1.5, 1.1];
  return (
    <Row style={{ paddingVertical: 10 }}>
      {cells.map((cell, index) => (
        <Words
          key={index}
          size={size}
          colour={colour}
          bold={!head && index === last}
          style={{ flex: widths[index] ?? 1, textAlign: index === 0 ? 'left' : 'right' }}
        >
          {cell}
        </Words>
      ))}
    </Row>
  );
}

/** What counts how much, how many points are in it, and where it stands. */
function Why({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const sums = new Map(course.figures?.categories.map((sum) => [sum.id, sum]));
  const weighted = course.scale.method === 'weighted';
  const cellsOf = ({ id, title, weight, counts }: CourseDetail['categories'][number]): string[] => {
    const weightCell = weighted ? [counts ? format.percent(weight / 100) : ''] : [];
    const sum = sums.get(id);
    if (!counts || !sum || sum.fraction === null)
      return [title, ...weightCell, '', t(counts ? 'course.none' : 'course.practice')];
    const { earned, possible, fraction } = sum;
    const points = t('item.score', { earned: format.amount(earned), possible: format.amount(possible) });
    return [title, ...weightCell, points, format.percent(fraction)];
  };
  return (
    <View>
      <Heading level={2}>
        {t('course.why', { figure: format.figure(course.figures?.display ?? null, course.scale.decimals) })}
      </Heading>
      <Cells
        head
        cells={[
          t('course.category'),
          ...(weighted ? [t('course.weight')] : []),
          t('course.earned'),
          t('course.fraction'),
        ]}
      />
      {course.categories.map((category) => (
        <View key={category.id}>
          <Line />
          <Cells cells={cellsOf(category)} />
        </View>
      ))}
    </View>
  );
}

function Rules({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const missing = { zero: 'missingZero', floor: 'missingFloor', not: 'missingNot' } as const;
  const sentences = [
    t(`course.rules.${missing[course.missingCounts]}`),
    t(course.incompleteCounts === 'zero' ? 'course.rules.incompleteZero' : 'course.rules.incompleteNot'),
    t('course.rules.overdue'),
    ...(course.floor > 0 ? [t('course.rules.floor', { percent: format.percent(course.floor) })] : []),
    t('course.rules.term', { term: course.termTitle, date: format.date(course.termEndsOn) }),
  ];
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('course.rules.title')}</Heading>
      <Words size="small" colour="soft">
        {sentences.join(' ')}
      </Words>
    </Stack>
  );
}

function Standards({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const found = new Map(course.figures?.standards.map((standard) => [standard.id, standard]));
  return (
    <View>
      <Heading level={2}>{t('course.standards')}</Heading>
      <Words colour="soft">{standardsWords(t, course.figures?.standards ?? [])}</Words>
      {course.standards.map(({ id, title }) => {
        const standard = found.get(id);
        const level = standard?.level ?? null;
        const words =
          level === null
            ? t('course.notAssessed')
            : `${t('course.level', { level: format.amount(level) })}, ${t(standard?.met ? 'course.met' : 'course.notMet')}`;
        return (
          <View key={id}>
            <Row style={{ justifyContent: 'space-between', paddingVertical: 10 }} space={2}>
              <Words style={{ flexShrink: 1 }}>{title}</Words>
              <Words size="small" bold={level !== null} colour={level === null ? 'soft' : 'ink'}>
                {words}
              </Words>
            </Row>
            <Line />
          </View>
        );
      })}
    </View>
  );
}

function Head({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { figures, scale } = course;
  const slope = figures?.trend.slope ?? null;
  const trend = figures && slope !== null ? t(`courses.trend.${figures.trend.class}`) : '';
  const points = slope === null ? '' : format.amount(Math.abs(Math.round(slope * scale.outOf) / 100));
  const parts = [
    course.teacher?.name ?? t('courses.noTeacher'),
    ...(course.period ? [t('course.period', { period: course.period })] : []),
    ...(course.room ? [/^\d/.test(course.room) ? t('course.room', { room: course.room }) : course.room] : []),
    ...(trend ? [trend === t('courses.trend.steady') ? trend : t('course.perWeek', { trend, points })] : []),
  ];
  return (
    <Stack space={0.5}>
      <Heading level={1}>{course.title}</Heading>
      <Words colour="soft">{parts.join(' · ')}</Words>
      <SourceDown freshness={course.freshness} />
    </Stack>
  );
}

/** Loose ends before all else: what is unsettled must not hide under this week's work. */
function WorkLists({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const { id, studentId, items, scale } = course;
  const rows = (list: CourseDetail['items']) =>
    list.map((item) => (
      <WorkRow key={item.id} item={item} scale={scale} href={`/courses/${studentId}/${id}/${item.id}`} />
    ));
  const open = items.filter(({ looseEnd }) => looseEnd !== null);
  const others = items.filter(({ looseEnd }) => looseEnd === null);
  return (
    <Stack space={2}>
      {open.length > 0 ? (
        <View>
          <Heading level={2}>{t('course.unsettled')}</Heading>
          {rows(open)}
        </View>
      ) : null}
      <View>
        <Heading level={2}>{t('course.work')}</Heading>
        {items.length === 0 ? <Quiet>{t('course.noWork')}</Quiet> : null}
        {rows(others)}
      </View>
    </Stack>
  );
}

/** One course: where it stands, why, the work, the teacher's words, and how it is counted. */
export function CourseView({ studentId, courseId }: { studentId: string; courseId: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const query = useCourseQuery({ studentId, courseId });
  const { nameOf, mayTalk } = useChildren();
  return (
    <Loaded query={query}>
      {(course) => {
        const { figures, scale, teacher } = course;
        const inFigures = scale.method !== 'standards';
        return (
          <Page sheet>
            <BackLink href="/courses" label={nameOf(studentId)} />
            <Head course={course} />
            {inFigures && figures?.posted !== null && figures ? (
              <Stack>
                <Span large figures={figures} scale={scale} label={spanWords(t, format, course)} />
                <ThreeFigures figures={figures} scale={scale} />
              </Stack>
            ) : null}
            {inFigures && figures?.posted === null ? (
              <Words>
                {[
                  t('courses.noFigure'),
                  ...(course.nextDue
                    ? [
                        t('courses.nextDue', {
                          title: course.nextDue.title,
                          date: format.day(course.nextDue.dueAt),
                        }),
                      ]
                    : []),
                ].join('. ')}
              </Words>
            ) : null}
            {inFigures ? (
              course.categories.length > 0 ? (
                <Why course={course} />
              ) : null
            ) : (
              <Standards course={course} />
            )}
            <WorkLists course={course} />
            <Stack>
              <Heading level={2}>{t('course.comments')}</Heading>
              <Comments comments={course.comments} none={t('course.noComments')} />
            </Stack>
            {inFigures ? <Rules course={course} /> : null}
            {mayTalk(studentId) ? (
              <LinkAction
                label={t('matter.talk', { child: nameOf(studentId) })}
                href={`/talk/new?studentId=${studentId}&courseId=${courseId}`}
              />
            ) : null}
            {teacher && mayTalk(studentId) ? (
              teacher.contactable ? (
                <WayOn
                  label={t('course.write', { teacher: teacher.name })}
                  href={`/talk/write?studentId=${studentId}&teacherId=${teacher.id}`}
                />
              ) : (
                <Words size="small" colour="soft">
                  {t('course.noContact')}
                </Words>
              )
            ) : null}
            <Words size="small" colour="soft">
              {t('course.source', {
                source: course.freshness.sourceName,
                when: course.freshness.readAt ? format.dayTime(course.freshness.readAt) : '',
              })}
            </Words>
          </Page>
        );
      }}
    </Loaded>
  );
}
