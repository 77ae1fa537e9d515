import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CourseFigures, CourseSummary } from '@cadro/contract';
import { spanCells } from '@cadro/core';
import { useChildren, useFormat } from '../household';
import {
  Frame,
  Heading,
  List,
  Loaded,
  Quiet,
  Row,
  RowLink,
  SaveCsv,
  Span,
  type SpanProps,
  Stack,
  styles,
  themed,
  WayOn,
  WidePage,
  Words,
} from '../ui';
import { useCoursesQuery } from './api';
import { countWords, endedWords, hasGrade, openWords, spanWords, standardsWords } from './words';

/** Every scale as a percentage of its top, so that spans of different courses can be compared by eye. */
function comparable({
  figures,
  grade,
  scale,
}: CourseSummary): Pick<SpanProps, 'figures' | 'grade' | 'scale'> | null {
  if (!figures || !hasGrade(grade) || scale.method === 'standards') return null;
  const percent = (value: number | null) => (value === null ? null : (value / scale.outOf) * 100);
  const { count } = grade;
  return {
    figures: {
      ...figures,
      posted: percent(figures.posted),
      ifLeft: percent(figures.ifLeft),
      ifMadeUp: percent(figures.ifMadeUp),
    },
    grade: {
      ...grade,
      figure: percent(grade.figure),
      count: count && { ...count, figure: percent(count.figure) ?? 0 },
    },
    scale: { method: scale.method, outOf: 100, decimals: 0, letters: [] },
  };
}

/** Standards as frames: met, not met yet, not assessed yet; the words beside them say the same. */
function StandardFrames({ figures }: { figures: CourseFigures }) {
  return (
    <Row space={0.5}>
      {figures.standards.map(({ id, met }) => (
        <Frame key={id} kind={met === null ? 'nothing' : met ? 'scored' : 'handed-in'} />
      ))}
    </Row>
  );
}

function CourseSpan({ course, from }: { course: CourseSummary; from: number }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { figures, grade, scale } = course;
  const drawn = comparable(course);
  const said = spanWords(t, format, course);
  const standards = scale.method === 'standards' && figures;
  const figure = [
    t('side.figure', { figure: format.grade({ ...grade, letter: null }), outOf: format.amount(scale.outOf) }),
    ...(grade.letter ? [grade.letter] : []),
  ].join(' ');
  const below = standards
    ? standardsWords(t, figures.standards)
    : !figures || !hasGrade(grade)
      ? course.ended
        ? endedWords(t, format, course.ended)
        : t('courses.noFigure')
      : [
          countWords(t, format, grade),
          openWords(t, figures) || t('courses.nothingOpen'),
          t(`courses.trend.${figures.trend.class}`),
        ]
          .filter(Boolean)
          .join(' · ');
  return (
    <RowLink
      href={`/courses/${course.studentId}/${course.id}`}
      label={[course.title, ...(drawn ? [figure] : []), said, below].join('. ')}
    >
      <Stack space={0.5}>
        <Row style={styles.apartBase}>
          <Words bold style={styles.shrink}>
            {course.title}
          </Words>
          {drawn ? <Words bold>{figure}</Words> : null}
        </Row>
        {drawn ? <Span {...drawn} from={from} label={said} /> : null}
        {standards ? <StandardFrames figures={figures} /> : null}
        <Words size="small" colour="soft">
          {below}
        </Words>
      </Stack>
    </RowLink>
  );
}

/** Where all spans begin: ten points below the lowest of them, so that a point is wide enough to see. */
function commonFrom(courses: readonly CourseSummary[]): number {
  const known = courses.flatMap((course) => {
    const drawn = comparable(course);
    return drawn ? [drawn.grade.figure ?? 100, drawn.figures.posted ?? 100, drawn.figures.ifLeft ?? 100] : [];
  });
  return Math.max(0, Math.floor((Math.min(100, ...known) - 5) / 10) * 10);
}

function SpansCsv({ courses }: { courses: readonly CourseSummary[] }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  return (
    <SaveCsv
      name={t('side.title')}
      columns={[
        t('side.child'),
        t('terms.csv.course'),
        t('course.csv.figure'),
        t('side.outOf'),
        t('terms.csv.letter'),
        t('terms.csv.by'),
        t('terms.csv.count'),
        t('course.left'),
        t('course.madeUp'),
        t('side.open'),
      ]}
      rows={() =>
        courses.map((course) => {
          const { figure, outOf, letter, by, count, ifLeft, ifMadeUp, open } = spanCells(course);
          const told = [figure, outOf, letter, t(`terms.by.${by}`), count, ifLeft, ifMadeUp, open];
          return [nameOf(course.studentId), course.title, ...told];
        })
      }
    />
  );
}

/** A child's courses under each other. */
function ChildSpans({
  name,
  courses,
  from,
}: {
  name: string;
  courses: readonly CourseSummary[];
  from: number;
}) {
  const { t } = useTranslation();
  const looks = useLooks();
  return (
    <View style={looks.one}>
      <Heading level={2}>{name}</Heading>
      {courses.length === 0 ? <Quiet>{t('courses.none')}</Quiet> : null}
      <List>
        {courses.map((course) => (
          <CourseSpan key={course.id} course={course} from={from} />
        ))}
      </List>
    </View>
  );
}

/** All courses of all children at once, in spans of one measure. */
export function SideBySide() {
  const { t } = useTranslation();
  const looks = useLooks();
  const query = useCoursesQuery();
  const { shown } = useChildren();
  return (
    <Loaded query={query}>
      {({ courses }) => {
        const ids = new Set(shown.map(({ id }) => id));
        const own = courses.filter(({ studentId }) => ids.has(studentId));
        const from = commonFrom(own);
        return (
          <WidePage>
            <WayOn label={t('side.back')} href="/courses" />
            <Heading level={1}>{t('side.title')}</Heading>
            <Words colour="soft">{t('side.lead', { from })}</Words>
            <View style={looks.pair}>
              {shown.map(({ id, givenName }) => (
                <ChildSpans
                  key={id}
                  name={givenName}
                  courses={own.filter(({ studentId }) => studentId === id)}
                  from={from}
                />
              ))}
            </View>
            <SpansCsv courses={own} />
          </WidePage>
        );
      }}
    </Loaded>
  );
}

const useLooks = themed((palette, wide) => ({
  pair: { flexDirection: wide ? 'row' : 'column', gap: wide ? 32 : 16, alignItems: 'flex-start' },
  one: { ...(wide ? { flex: 1 } : { width: '100%' }) },
}));
