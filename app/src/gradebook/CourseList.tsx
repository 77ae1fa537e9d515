import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Child, CourseSummary } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { SourceDown } from '../sources';
import {
  Heading,
  LinkAction,
  List,
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
import { endedWords, hasGrade, openWords, spanWords, standardsWords } from './words';

/** What is at stake in a course, beside its title: what is open and where it is heading, or what there is instead of a grade. */
function useStake({ figures, grade, ended, scale, nextDue }: CourseSummary): string {
  const { t } = useTranslation();
  const format = useFormat();
  if (!figures) return t('courses.figureSoon');
  if (scale.method === 'standards') return standardsWords(t, figures.standards);
  if (hasGrade(grade)) {
    const trend = figures.trend.class;
    const parts = [
      openWords(t, figures),
      trend === 'slipping' || trend === 'rising' ? t(`courses.trend.${trend}`) : '',
      ended ? endedWords(t, format, ended) : '',
    ].filter(Boolean);
    return parts.join(' · ') || t('courses.nothingOpen');
  }
  const next = nextDue
    ? [t('courses.nextDue', { title: nextDue.title, date: format.day(nextDue.dueAt) })]
    : [];
  return [ended ? endedWords(t, format, ended) : t('courses.noFigure'), ...next].join('. ');
}

function CourseLine({ course, selected }: { course: CourseSummary; selected: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { figures, grade, scale } = course;
  const standards = scale.method === 'standards';
  const graded = !standards && hasGrade(grade) ? figures : null;
  const stake = useStake(course);
  return (
    <RowLink
      href={`/courses/${course.studentId}/${course.id}`}
      label={[course.title, graded ? format.grade(grade) : '', spanWords(t, format, course), stake]
        .filter(Boolean)
        .map((part) => part.replace(/\.$/, ''))
        .join('. ')}
      selected={selected}
    >
      <Stack space={1}>
        <Row style={styles.apartBase}>
          <Row wrap style={[styles.fill, styles.base]}>
            <Words size="matter" bold style={styles.shrink}>
              {course.title}
            </Words>
            <Words
              size="small"
              colour={needsYou(course) ? 'plum' : 'soft'}
              bold={needsYou(course)}
              style={styles.shrink}
            >
              {stake}
            </Words>
          </Row>
          {graded ? (
            <Words size="matter" bold>
              {format.grade(grade)}
            </Words>
          ) : null}
        </Row>
        {graded ? (
          <Span
            {...{ figures: graded, grade, scale, target: course.target }}
            label={spanWords(t, format, course)}
          />
        ) : null}
      </Stack>
    </RowLink>
  );
}

/** How much of a course's scale its grade may lose if nothing changes. */
const fallOf = ({ figures, scale }: CourseSummary): number =>
  ((figures?.posted ?? 0) - (figures?.ifLeft ?? figures?.posted ?? 0)) / scale.outOf;

/** Whether something of a course can be done something about. */
const needsYou = ({ figures, scale }: CourseSummary): boolean =>
  scale.method !== 'standards' && (figures?.looseEnds ?? []).some(({ kind }) => kind !== 'unmarked');

/** What is most at stake first: what may fall deepest, then what is open, then what has been falling. */
const mostAtStakeFirst = (a: CourseSummary, b: CourseSummary): number =>
  fallOf(b) - fallOf(a) ||
  Number(needsYou(b)) - Number(needsYou(a)) ||
  (a.figures?.trend.slope ?? 0) - (b.figures?.trend.slope ?? 0);

/** The ways on from a child's courses, below them. */
function WaysOn({ child }: { child: Child }) {
  const { t } = useTranslation();
  const { mayTalk } = useChildren();
  return (
    <>
      {child.byHand && mayTalk(child.id) ? (
        <Row wrap space={2}>
          <LinkAction label={t('own.addCourseLink')} href={`/courses/${child.id}/new`} />
          <WayOn label={t('own.tableLink')} href={`/courses/${child.id}/table`} />
        </Row>
      ) : null}
      <Row wrap space={2}>
        <WayOn label={t('term.link')} href={`/courses/${child.id}/term`} />
        <WayOn label={t('courses.terms')} href={`/courses/${child.id}/terms`} />
        <WayOn label={t('cards.open')} href={`/courses/${child.id}/report-cards`} />
        <OutLink label={t('courses.print')} href={reportAddress(child.id)} />
      </Row>
    </>
  );
}

/** A span per course, child by child, what is most at stake first. */
export function CourseList({ selected }: { selected?: string }) {
  const { t } = useTranslation();
  const query = useCoursesQuery();
  const { shown } = useChildren();
  return (
    <Loaded query={query}>
      {({ courses }) => (
        <Page>
          <Row wrap style={styles.apartBase}>
            <Heading level={1}>{t('courses.title')}</Heading>
            <WayOn label={t('courses.sideBySide')} href="/courses/compare" />
          </Row>
          {shown.map((child) => {
            const own = courses.filter(({ studentId }) => studentId === child.id).sort(mostAtStakeFirst);
            return (
              <View key={child.id}>
                <Row wrap style={styles.apartBase}>
                  <Heading level={2}>{child.givenName}</Heading>
                  <Words size="small" colour="soft">
                    {child.schoolName}
                  </Words>
                </Row>
                {own[0] ? (
                  <SourceDown freshness={own[0].freshness} />
                ) : (
                  <Quiet>
                    {t(child.byHand ? 'own.noCourses' : 'courses.none', { name: child.givenName })}
                  </Quiet>
                )}
                <List>
                  {own.map((course) => (
                    <CourseLine key={course.id} course={course} selected={course.id === selected} />
                  ))}
                </List>
                <WaysOn child={child} />
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
  return (data?.courses ?? []).filter(({ studentId }) => ids.has(studentId)).sort(mostAtStakeFirst)[0];
}
