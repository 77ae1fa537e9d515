import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ChildTerms, TermCourse, TermGrade, TermNode } from '@cadro/contract';
import { gradeLines } from '@cadro/core';
import { useChildren, useFormat } from '../../household';
import {
  BackLink,
  FormulaBar,
  Heading,
  Line,
  Loaded,
  OutLink,
  Page,
  Quietly,
  Row,
  SaveCsv,
  Stack,
  styles,
  WayOn,
  Words,
} from '../../ui';
import { reportAddress, useTermsQuery } from '../api';
import { countWords, hasGrade } from '../words';
import { Average, Credits } from './Credits';
import { gradeCells, gradeColumns } from './cards';
import { Remark } from './Remark';
import { useCreditWords, useGradeWords } from './termWords';

/** What a grade is made of, as a bar with its parts. */
function Formula({ grade, title, decimals }: { grade: TermGrade; title: string; decimals: number }) {
  const { t } = useTranslation();
  const format = useFormat();
  const parts = grade.parts.map(({ title: name, weight, display, stored }) =>
    t(display === null ? 'terms.partNone' : stored ? 'terms.partStored' : 'terms.partRunning', {
      title: name,
      weight: format.amount(weight),
      value: format.figure(display, decimals),
    }),
  );
  return (
    <FormulaBar
      label={t('terms.formula', { term: title, parts: format.list(parts) })}
      parts={grade.parts.map((part) => ({
        key: part.part,
        title: t('terms.partTitle', { title: part.title, weight: format.amount(part.weight) }),
        weight: part.weight,
        value: part.display === null ? null : format.figure(part.display, decimals),
        stored: part.stored,
      }))}
    />
  );
}

function GradeRow({
  grade,
  term,
  course,
  studentId,
}: {
  grade: TermGrade;
  term: TermNode | undefined;
  course: TermCourse;
  studentId: string;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useGradeWords();
  const known = hasGrade(grade.grade);
  const made = grade.parts.length > 0;
  const title = term?.title ?? grade.title ?? grade.part;
  const { mayTalk } = useChildren();
  // Over, and not reported: the one who knows is the teacher.
  const unreported = term?.state === 'closed' && (grade.state === 'final' || grade.state === 'not-reported');
  const asks = unreported && !made && course.current && course.teacher !== null && mayTalk(studentId);
  return (
    <Stack space={0.5} style={[styles.around8, { paddingLeft: grade.depth * 12 }]}>
      <Row style={styles.apartBase}>
        <Words bold={made} style={styles.shrink}>
          {title}
        </Words>
        <Words bold={known} colour={known ? 'ink' : 'soft'}>
          {format.grade(grade.grade)}
        </Words>
      </Row>
      <Words size="small" colour="soft">
        {[words(grade, term), countWords(t, format, grade.grade)].filter(Boolean).join(' · ')}
      </Words>
      {made ? <Formula grade={grade} title={title} decimals={course.scale.decimals} /> : null}
      {course.remarks
        .filter(({ part }) => part === grade.part)
        .map((remark) => (
          <Remark key={remark.writtenAt} remark={remark} />
        ))}
      {asks && term ? (
        <WayOn
          label={t('terms.ask', { teacher: course.teacher ?? '', term: title })}
          href={`/talk/write?studentId=${studentId}&courseId=${course.courseId}`}
        />
      ) : null}
      {!made && course.current && term && term.state !== 'ahead' ? (
        <WayOn
          label={t('terms.open', { term: title })}
          href={`/courses/${studentId}/${course.courseId}?termId=${term.id}`}
        />
      ) : null}
    </Stack>
  );
}

/** The grade that stands for a course's year: the stored one of the whole, else that of the part that runs. */
function gradeOfYear(course: TermCourse, terms: readonly TermNode[]): TermGrade | undefined {
  const running = terms.find(
    ({ state, part }) => state === 'running' && !terms.some(({ parent }) => parent === part),
  );
  const whole = course.grades.find(({ part }) => terms.find((term) => term.part === part)?.depth === 0);
  if (whole?.state === 'stored') return whole;
  return course.grades.find(({ part }) => part === running?.part) ?? whole;
}

function CourseYear({
  course,
  terms,
  studentId,
}: {
  course: TermCourse;
  terms: readonly TermNode[];
  studentId: string;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const words = useGradeWords();
  const creditWords = useCreditWords(course);
  const [open, setOpen] = useState(false);
  const termOf = (part: string) => terms.find((term) => term.part === part);
  const shown = gradeOfYear(course, terms);
  const said = shown
    ? [
        `${termOf(shown.part)?.title ?? ''}, ${words(shown, termOf(shown.part))}`,
        countWords(t, format, shown.grade),
      ]
    : [];
  return (
    <View>
      <Stack space={0.25} style={styles.above12}>
        <Row style={styles.apartBase}>
          <Heading level={3}>{course.title}</Heading>
          <Words size="matter" bold={shown !== undefined && hasGrade(shown.grade)}>
            {shown ? format.grade(shown.grade) : '–'}
          </Words>
        </Row>
        <Words size="small" colour="soft">
          {[...said, ...creditWords].filter(Boolean).join(' · ')}
        </Words>
        <Quietly
          label={t(open ? 'terms.hideParts' : 'terms.showParts')}
          hint={course.title}
          onPress={() => setOpen(!open)}
          open={open}
        />
      </Stack>
      {open
        ? course.grades.map((grade) => (
            <GradeRow
              key={grade.part}
              grade={grade}
              term={termOf(grade.part)}
              course={course}
              studentId={studentId}
            />
          ))
        : null}
      <Line />
    </View>
  );
}

/** A year of the tree: its parts with their states, its courses with their grades, and what can be printed. */
function Year({ years, top }: { years: ChildTerms; top: TermNode }) {
  const { t } = useTranslation();
  const format = useFormat();
  const begin = years.terms.indexOf(top);
  const next = years.terms.findIndex(({ depth }, index) => index > begin && depth === 0);
  const terms = years.terms.slice(begin, next < 0 ? undefined : next);
  const courses = years.courses.filter(({ courseId }) => top.courseIds.includes(courseId));
  const leaves = terms.filter(({ part }) => !terms.some(({ parent }) => parent === part));
  return (
    <Stack>
      <Heading level={2}>{top.title}</Heading>
      <View>
        {terms.slice(1).map((term) => (
          <Words
            key={term.id}
            size="small"
            style={[{ paddingLeft: (term.depth - 1) * 16 }]}
            bold={term.state === 'running'}
          >
            {t(`terms.tree.${term.state}`, {
              term: term.title,
              date: format.date(term.state === 'ahead' ? term.startsOn : term.endsOn),
            })}
          </Words>
        ))}
      </View>
      {courses.map((course) => (
        <CourseYear key={course.courseId} course={course} terms={terms} studentId={years.studentId} />
      ))}
      <Row wrap space={2}>
        {leaves
          .filter(({ state }) => state !== 'ahead')
          .map((term) => (
            <OutLink
              key={term.id}
              label={t('terms.print', { term: term.title })}
              href={reportAddress(years.studentId, term.id)}
            />
          ))}
      </Row>
    </Stack>
  );
}

/** The years of one child: what runs, what is final, what is stored, what is not reported, and what it adds up to. */
export function TermsView({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const query = useTermsQuery(studentId);
  const words = useGradeWords();
  return (
    <Loaded query={query}>
      {(years) => (
        <Page sheet>
          <BackLink href="/courses" label={t('courses.title')} />
          <Heading level={1}>{t('terms.title', { child: nameOf(studentId) })}</Heading>
          <WayOn label={t('cards.open')} href={`/courses/${studentId}/report-cards`} />
          {years.terms
            .filter(({ depth }) => depth === 0)
            .map((top) => (
              <Year key={top.id} years={years} top={top} />
            ))}
          <Credits years={years} />
          <Average years={years} />
          <SaveCsv
            name={t('terms.title', { child: nameOf(studentId) })}
            columns={[...gradeColumns(t), t('terms.csv.count')]}
            rows={() =>
              gradeLines(years).map((line) => [
                ...gradeCells(t, line, words(line.found, line.term)),
                line.grade.count?.display ?? null,
              ])
            }
          />
        </Page>
      )}
    </Loaded>
  );
}
