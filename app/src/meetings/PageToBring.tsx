import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Meeting, TaughtCourse } from '@cadro/contract';
import { freshId } from '../followups';
import { useFollowUpsQuery } from '../followups/api';
import { hasGrade, spanWords, useCourseQuery } from '../gradebook';
import { Trouble, useFormat } from '../household';
import { Action, Field, Heading, Loaded, Quiet, Quietly, RowLink, Span, Stack, styles, Words } from '../ui';
import { courseOnPage, openWith, questionLines, type Line } from './bring';
import { useChange } from './useChange';

/** One course with whom one meets: how it stands, and what moved it. */
function Course({ studentId, courseId }: { studentId: string; courseId: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const query = useCourseQuery({ studentId, courseId });
  return (
    <Loaded query={query}>
      {(course) => {
        const { title, figure, span, moved } = courseOnPage({ t, format }, course);
        const head = t('meeting.figure', { course: title, figure });
        return (
          <View style={styles.gap8}>
            <RowLink href={`/courses/${studentId}/${courseId}`} label={[head, span].join('. ')}>
              <Words bold>{head}</Words>
              {course.figures && course.scale.method !== 'standards' && hasGrade(course.grade) ? (
                <Span
                  {...{
                    figures: course.figures,
                    grade: course.grade,
                    scale: course.scale,
                    target: course.target,
                  }}
                  label={spanWords(t, format, course)}
                />
              ) : null}
              {span ? (
                <Words size="small" colour="soft">
                  {span}
                </Words>
              ) : null}
            </RowLink>
            {moved.length > 0 ? (
              <Stack space={0.25}>
                <Words size="small" bold>
                  {t('meeting.moved')}
                </Words>
                {moved.map((line) => (
                  <Words key={line} size="small">
                    {line}
                  </Words>
                ))}
              </Stack>
            ) : null}
          </View>
        );
      }}
    </Loaded>
  );
}

/** The lines that are asked; each can be left out. */
function Lines({ lines, onLeaveOut }: { lines: readonly Line[]; onLeaveOut: ((line: Line) => void) | null }) {
  const { t } = useTranslation();
  return (
    <View role="list" aria-label={t('meeting.questions')} style={styles.gap8}>
      {lines.map((line) => (
        <View key={line.id} role="listitem">
          <Words>{line.text}</Words>
          {onLeaveOut ? (
            <Quietly label={t('meeting.leaveOut')} hint={line.text} onPress={() => onLeaveOut(line)} />
          ) : null}
        </View>
      ))}
    </View>
  );
}

/** The open questions of a meeting, as they stand now. */
export function useQuestions(meeting: Meeting, courses: readonly TaughtCourse[]): Line[] {
  const { t } = useTranslation();
  const { data } = useFollowUpsQuery();
  const open = openWith(data?.followUps ?? [], {
    studentId: meeting.studentId,
    courseIds: new Set(courses.map(({ id }) => id)),
  });
  return questionLines({ t }, open, meeting);
}

function Questions({
  meeting,
  courses,
  mayWrite,
}: {
  meeting: Meeting;
  courses: readonly TaughtCourse[];
  mayWrite: boolean;
}) {
  const { t } = useTranslation();
  const [text, setText] = useState('');
  const { now, isLoading, error } = useChange(meeting);
  const lines = useQuestions(meeting, courses);
  const { hidden } = meeting;
  const add = async () => {
    const asks = await now(({ questions }) => ({
      questions: [...questions, { id: freshId(questions, 'q-'), text: text.trim() }],
    }));
    if (asks) setText('');
  };
  const leaveOut = ({ id, own }: Line) =>
    void now((newest) =>
      own
        ? { questions: newest.questions.filter((each) => each.id !== id) }
        : { hidden: [...newest.hidden, id] },
    );
  return (
    <Stack>
      <Heading level={3}>{t('meeting.questions')}</Heading>
      {lines.length === 0 ? (
        <Quiet>{t('meeting.questionsNone', { teacher: meeting.teacherName })}</Quiet>
      ) : null}
      <Lines lines={lines} onLeaveOut={mayWrite ? leaveOut : null} />
      {hidden.length > 0 && mayWrite ? (
        <Quietly
          label={t('meeting.bringBack', { count: hidden.length })}
          onPress={() => void now(() => ({ hidden: [] }))}
        />
      ) : null}
      {mayWrite ? (
        <>
          <Field label={t('meeting.addQuestion')} value={text} onChange={setText} longest={500} />
          <Trouble error={error} />
          <Action
            label={t('meeting.add')}
            busy={isLoading}
            disabled={!text.trim()}
            onPress={() => void add()}
          />
        </>
      ) : null}
    </Stack>
  );
}

/** What one brings: this child's courses with that teacher, and what one wants to ask. */
export function PageToBring(props: {
  meeting: Meeting;
  courses: readonly TaughtCourse[];
  mayWrite: boolean;
}) {
  const { t } = useTranslation();
  const { meeting, courses } = props;
  return (
    <Stack space={2}>
      <Heading level={2}>{t('meeting.bring')}</Heading>
      {courses.length > 0 ? (
        <View>
          <Heading level={3}>{t('meeting.courses', { teacher: meeting.teacherName })}</Heading>
          {courses.map(({ id }) => (
            <Course key={id} studentId={meeting.studentId} courseId={id} />
          ))}
        </View>
      ) : null}
      <Questions {...props} />
    </Stack>
  );
}
