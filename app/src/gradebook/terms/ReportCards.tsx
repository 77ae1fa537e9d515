import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ChildTerms, TermCourse, TermNode } from '@cadro/contract';
import { yearColumns } from '@cadro/core';
import { useChildren, useFormat } from '../../household';
import {
  BackLink,
  Choice,
  Heading,
  Line,
  Loaded,
  OutLink,
  Page,
  Quiet,
  Row,
  SaveCsv,
  Stack,
  styles,
  useWide,
  Words,
} from '../../ui';
import { cardsAddress, reportAddress, useTermsQuery } from '../api';
import { Remark } from './Remark';
import { useCreditWords, useGradeWords } from './termWords';
import { cardRows, gradeColumns, leavesOf, narrowed } from './cards';

/** The grade of a course in a term, to the ear with how sure it is. */
function Cell({ course, term }: { course: TermCourse; term: TermNode }) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useGradeWords();
  const found = course.grades.find(({ part }) => part === term.part);
  if (!found) return <View style={own.cell} role="img" aria-label={t('cards.none', { term: term.title })} />;
  const { grade, state } = found;
  const sure = state === 'stored';
  return (
    <View
      style={own.cell}
      role="img"
      aria-label={t('cards.cell', {
        course: course.title,
        term: term.title,
        grade: format.grade(grade),
        state: words(found, term),
      })}
    >
      <Words size="small" bold={sure} colour={sure ? 'ink' : 'soft'}>
        {format.grade(grade)}
      </Words>
    </View>
  );
}

function Columns({ terms }: { terms: readonly TermNode[] }) {
  const { t } = useTranslation();
  return (
    <View style={styles.row}>
      {terms.map((term) => (
        <View key={term.id} style={own.cell}>
          <Words size="small" colour="soft">
            {term.depth === 0 ? t('cards.year') : term.title}
          </Words>
        </View>
      ))}
    </View>
  );
}

function CourseRow({ course, terms }: { course: TermCourse; terms: readonly TermNode[] }) {
  const credits = useCreditWords(course);
  return (
    <View style={own.course}>
      <Row wrap space={1} style={styles.apartBase}>
        <Words bold>{course.title}</Words>
        <Words size="small" colour="soft">
          {credits.join(' · ')}
        </Words>
      </Row>
      <View style={styles.row}>
        {terms.map((term) => (
          <Cell key={term.id} course={course} term={term} />
        ))}
      </View>
      <Line />
    </View>
  );
}

/** Days missed and late arrivals, term by term, under the grades of the same columns. */
function AttendanceRows({ years, terms }: { years: ChildTerms; terms: readonly TermNode[] }) {
  const { t } = useTranslation();
  const of = (term: TermNode) => years.attendance.find(({ part }) => part === term.part);
  if (!terms.some(of)) return null;
  const rows = [
    ['daysMissed', t('cards.daysMissed')],
    ['lessonsMissed', t('cards.lessonsMissed')],
    ['late', t('cards.late')],
  ] as const;
  return (
    <Stack space={0.5}>
      <Heading level={3}>{t('cards.attendance')}</Heading>
      {rows.map(([name, title]) => (
        <View key={name}>
          <Words size="small" colour="soft">
            {title}
          </Words>
          <View style={styles.row}>
            {terms.map((term) => {
              const found = of(term);
              return (
                <View
                  key={term.id}
                  style={own.cell}
                  role="img"
                  aria-label={
                    found
                      ? `${title}, ${term.title}: ${found[name]}`
                      : t('cards.notRecorded', { term: term.title })
                  }
                >
                  <Words size="small">{found ? String(found[name]) : ''}</Words>
                </View>
              );
            })}
          </View>
        </View>
      ))}
    </Stack>
  );
}

function CardComments({ courses, terms }: { courses: readonly TermCourse[]; terms: readonly TermNode[] }) {
  const { t } = useTranslation();
  const said = [...leavesOf(terms)].reverse().flatMap((term) => {
    const remarks = courses.flatMap((course) =>
      course.remarks.filter(({ part }) => part === term.part).map((remark) => ({ course, remark })),
    );
    return remarks.length > 0 ? [{ term, remarks }] : [];
  });
  return (
    <Stack>
      <Heading level={2}>{t('cards.comments')}</Heading>
      {said.length === 0 ? <Quiet>{t('cards.noComments')}</Quiet> : null}
      {said.map(({ term, remarks }) => (
        <Stack key={term.id} space={1}>
          <Heading level={3}>{term.title}</Heading>
          {remarks.map(({ course, remark }) => (
            <View key={`${course.courseId}:${remark.writtenAt}`}>
              <Words bold>{course.title}</Words>
              <Remark remark={remark} />
            </View>
          ))}
        </Stack>
      ))}
    </Stack>
  );
}

/** The grid on paper and as a file, and each term's own page. */
function OnPaper({
  years,
  top,
  terms,
  courses,
}: {
  years: ChildTerms;
  top: TermNode;
  terms: readonly TermNode[];
  courses: readonly TermCourse[];
}) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const words = useGradeWords();
  return (
    <Row wrap space={2}>
      <OutLink label={t('cards.print', { year: top.title })} href={cardsAddress(years.studentId, top.id)} />
      {leavesOf(terms)
        .filter(({ state }) => state !== 'ahead')
        .map((term) => (
          <OutLink
            key={term.id}
            label={t('terms.print', { term: term.title })}
            href={reportAddress(years.studentId, term.id)}
          />
        ))}
      <SaveCsv
        name={t('cards.title', { child: nameOf(years.studentId) })}
        columns={[
          ...gradeColumns(t),
          t('cards.credits'),
          t('cards.daysMissed'),
          t('cards.late'),
          t('cards.comment'),
        ]}
        rows={() => cardRows(t, years, { terms, courses }, words)}
      />
    </Row>
  );
}

function Cards({ years }: { years: ChildTerms }) {
  const { t } = useTranslation();
  const tops = years.terms.filter(({ depth }) => depth === 0);
  const [chosen, setChosen] = useState(tops[0]?.id ?? '');
  const wide = useWide();
  const top = tops.find(({ id }) => id === chosen) ?? tops[0];
  if (!top) return <Quiet>{t('cards.empty')}</Quiet>;
  const terms = yearColumns(years.terms, top);
  const courses = years.courses.filter(({ courseId }) => top.courseIds.includes(courseId));
  const grids = wide ? [terms] : narrowed(terms);
  const recorded = terms.some(({ part }) => years.attendance.some((marked) => marked.part === part));
  return (
    <>
      {tops.length > 1 ? (
        <Choice
          label={t('cards.years')}
          options={tops.map(({ id, title }) => ({ value: id, label: title }))}
          value={top.id}
          onChange={setChosen}
        />
      ) : null}
      {grids.map((columns, place) => (
        <View
          key={place}
          role="group"
          aria-label={place === 0 ? top.title : t('cards.whole', { year: top.title })}
        >
          <Columns terms={columns} />
          <Line />
          {courses.map((course) => (
            <CourseRow key={course.courseId} course={course} terms={columns} />
          ))}
          <AttendanceRows years={years} terms={columns} />
        </View>
      ))}
      {recorded ? null : <Quiet>{t('cards.noAttendance')}</Quiet>}
      <Words size="small" colour="soft">
        {t('cards.legend')}
      </Words>
      <CardComments courses={courses} terms={terms} />
      <OnPaper years={years} top={top} terms={terms} courses={courses} />
    </>
  );
}

/** The report cards of a child: every course's grade in every term of a year, with attendance, credits and comments. */
export function ReportCards({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const query = useTermsQuery(studentId);
  return (
    <Loaded query={query}>
      {(years) => (
        <Page sheet>
          <BackLink href="/courses" label={t('courses.title')} />
          <Heading level={1}>{t('cards.title', { child: nameOf(studentId) })}</Heading>
          <Cards years={years} />
        </Page>
      )}
    </Loaded>
  );
}

const own = StyleSheet.create({
  course: { paddingTop: 8 },
  cell: { flex: 1, minWidth: 0, paddingVertical: 4, paddingRight: 4 },
});
