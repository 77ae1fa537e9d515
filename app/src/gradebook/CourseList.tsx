import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CourseSummary } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { SourceDown } from '../sources';
import {
  Heading,
  Loaded,
  OutLink,
  Page,
  Quiet,
  Row,
  RowLink,
  Span,
  Stack,
  styles,
  WayOn,
  Words,
} from '../ui';
import { reportAddress, useCoursesQuery } from './api';
import { looseEndWords, spanWords, standardsWords } from './words';

function CourseLine({ course, selected }: { course: CourseSummary; selected: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { figures, scale, nextDue } = course;
  const open = figures ? looseEndWords(t, figures.looseEnds) : '';
  const standards = scale.method === 'standards';
  const needsYou = !standards && (figures?.looseEnds ?? []).some(({ kind }) => kind !== 'unmarked');
  const posted = !standards && figures?.display !== null && figures?.display !== undefined;
  const below =
    standards && figures
      ? standardsWords(t, figures.standards)
      : !figures
        ? t('courses.figureSoon')
        : !posted
          ? [
              t('courses.noFigure'),
              ...(nextDue
                ? [t('courses.nextDue', { title: nextDue.title, date: format.day(nextDue.dueAt) })]
                : []),
            ].join('. ')
          : open || t('courses.nothingOpen');
  return (
    <RowLink
      href={`/courses/${course.studentId}/${course.id}`}
      label={`${course.title}. ${spanWords(t, format, course)} ${below}`}
      selected={selected}
    >
      <Stack space={0.5}>
        <Row style={styles.apartBase}>
          <Words size="matter" bold style={styles.shrink}>
            {course.title}
          </Words>
          {posted ? (
            <Words
              size="matter"
              bold
            >{`${format.figure(figures.display, scale.decimals)}${figures.letter ? ` ${figures.letter}` : ''}`}</Words>
          ) : null}
        </Row>
        {posted ? (
          <Span figures={figures} scale={scale} target={course.target} label={spanWords(t, format, course)} />
        ) : null}
        <Row style={styles.apart}>
          <Words size="small" colour={needsYou ? 'plum' : 'soft'} bold={needsYou} style={styles.shrink}>
            {below}
          </Words>
          {posted ? (
            <Words size="small" colour="soft">
              {t(`courses.trend.${figures.trend.class}`)}
            </Words>
          ) : null}
        </Row>
      </Stack>
    </RowLink>
  );
}

/** A span per course, child by child. */
export function CourseList({ selected }: { selected?: string }) {
  const { t } = useTranslation();
  const query = useCoursesQuery();
  const { shown } = useChildren();
  return (
    <Loaded query={query}>
      {({ courses }) => (
        <Page>
          <Heading level={1}>{t('courses.title')}</Heading>
          <WayOn label={t('courses.sideBySide')} href="/courses/compare" />
          {shown.map((child) => {
            const own = courses.filter(({ studentId }) => studentId === child.id);
            return (
              <View key={child.id}>
                <Heading level={2}>{child.givenName}</Heading>
                <Words size="small" colour="soft">
                  {child.schoolName}
                </Words>
                <Row wrap space={2}>
                  <WayOn label={t('courses.terms')} href={`/courses/${child.id}/terms`} />
                  <OutLink label={t('courses.print')} href={reportAddress(child.id)} />
                </Row>
                {own[0] ? <SourceDown freshness={own[0].freshness} /> : <Quiet>{t('courses.none')}</Quiet>}
                {own.map((course) => (
                  <CourseLine key={course.id} course={course} selected={course.id === selected} />
                ))}
              </View>
            );
          })}
        </Page>
      )}
    </Loaded>
  );
}

/** The course with the deepest fall under it, to open with on a wide screen. */
export function useMostAtStake(): CourseSummary | undefined {
  const { data } = useCoursesQuery();
  const { shown } = useChildren();
  const ids = new Set(shown.map(({ id }) => id));
  const fall = ({ figures, scale }: CourseSummary) =>
    ((figures?.posted ?? 0) - (figures?.ifLeft ?? figures?.posted ?? 0)) / scale.outOf;
  return (data?.courses ?? [])
    .filter(({ studentId }) => ids.has(studentId))
    .sort((a, b) => fall(b) - fall(a))[0];
}
