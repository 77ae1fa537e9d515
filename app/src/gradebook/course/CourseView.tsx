import { useTranslation } from 'react-i18next';
import type { CourseDetail } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import {
  BackLink,
  fileName,
  Heading,
  LinkAction,
  Loaded,
  Page,
  Quietly,
  Row,
  saveFile,
  Stack,
  WayOn,
  Words,
} from '../../ui';
import { NothingYet, SourceDown } from '../../sources';
import { useCourseQuery, useLazyCourseRecordQuery } from '../api';
import { Comments, CommentsCsv } from '../Comments';
import { hasGrade } from '../words';
import { Attended } from './Attended';
import { Change } from './policy/Change';
import { letterSteps, trendWords } from './courseWords';
import { Moved } from './Moved';
import { NextStep } from './NextStep';
import { NotInFigure } from './NotInFigure';
import { Reconciled } from './Reconciled';
import { Rules } from './policy/Rules';
import { Standing } from './Standing';
import { Standards } from './Standards';
import { TermSwitch } from './TermSwitch';
import { Why } from './Why';
import { LooseEnds, WorkLists } from './WorkLists';

/** Of a course that its family writes down: when it last did, and the way to go on. */
function ByHand({ course: { id, studentId, freshness } }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { mayTalk } = useChildren();
  if (!freshness.byHand) return null;
  return (
    <Stack space={0.5}>
      {mayTalk(studentId) ? (
        <Row wrap space={2}>
          <LinkAction label={t('own.writeLink')} href={`/courses/${studentId}/${id}/write`} />
          <WayOn label={t('own.rulesLink')} href={`/courses/${studentId}/${id}/own`} />
        </Row>
      ) : null}
      <Words size="small" colour="soft">
        {t('own.byHand', { when: freshness.readAt ? format.recent(freshness.readAt) : '' })}
      </Words>
    </Stack>
  );
}

/** How the figures came about: what is only assumed, what is in doubt, which way it goes, the school's own figure. */
function Behind({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { figures, grade, scale, doubtful, policyTold } = course;
  if (!figures || !hasGrade(grade)) return null;
  const steps = letterSteps(t, format, course);
  return (
    <Stack>
      <Reconciled course={course} />
      {policyTold ? null : <Words size="small">{t('course.rules.assumed')}</Words>}
      {doubtful && doubtful.ifLeft !== null ? (
        <Words size="small">
          {t('course.doubtful', {
            titles: format.list(
              course.items.filter(({ id }) => doubtful.itemIds.includes(id)).map(({ title }) => title),
            ),
            figure: format.figure(doubtful.ifLeft, scale.decimals),
          })}
        </Words>
      ) : null}
      <Words size="small" colour="soft">
        {[steps, trendWords(t, format, course)].filter(Boolean).join('. ')}
      </Words>
    </Stack>
  );
}

function Foot({ course, termId }: { course: CourseDetail; termId: string | undefined }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { mayTalk } = useChildren();
  const [loadRecord] = useLazyCourseRecordQuery();
  const { id: courseId, studentId, freshness, title } = course;
  const saveRecord = async () => {
    const record = await loadRecord({ studentId, courseId, termId }).unwrap();
    saveFile(fileName(title, 'json'), 'application/json', `${JSON.stringify(record, null, 2)}\n`);
  };
  return (
    <Stack space={0.5}>
      <Words size="small" colour="soft">
        {t(freshness.byHand ? 'own.source' : 'course.source', {
          source: freshness.sourceName,
          when: freshness.readAt ? format.dayTime(freshness.readAt) : '',
        })}
      </Words>
      {!freshness.byHand && mayTalk(studentId) ? (
        <WayOn label={t('beside.writeLink')} href={`/courses/${studentId}/${courseId}/write`} />
      ) : null}
      <Quietly label={t('save.record')} hint={title} onPress={() => void saveRecord()} />
    </Stack>
  );
}

/** Who teaches it and where, and the ways to them. */
function Teacher({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const { mayTalk } = useChildren();
  const { id, studentId, teacher, period, room } = course;
  const parts = [
    teacher?.name ?? t('courses.noTeacher'),
    ...(period ? [t('course.period', { period })] : []),
    ...(room ? [/^\d/.test(room) ? t('course.room', { room }) : room] : []),
  ];
  return (
    <Stack space={0.5}>
      <Words>{parts.join(' · ')}</Words>
      {mayTalk(studentId) ? (
        <Row wrap space={2}>
          {teacher ? (
            <WayOn
              label={t('course.write', { teacher: teacher.name })}
              href={`/talk/write?studentId=${studentId}&courseId=${id}`}
            />
          ) : null}
          {teacher && !teacher.contactable ? (
            <Words size="small" colour="soft">
              {t('course.noContact')}
            </Words>
          ) : null}
          <WayOn label={t('notes.ofCourse')} href={`/talk/notes?studentId=${studentId}&courseId=${id}`} />
        </Row>
      ) : null}
    </Stack>
  );
}

/** One course explains itself: where it stands, why, what moved it, the work, the teacher's words, the rules. */
export function CourseView({
  studentId,
  courseId,
  termId,
}: {
  studentId: string;
  courseId: string;
  termId?: string | undefined;
}) {
  const { t } = useTranslation();
  const query = useCourseQuery({ studentId, courseId, termId });
  const { nameOf } = useChildren();
  return (
    <Loaded query={query}>
      {(course) => {
        const standards = course.scale.method === 'standards';
        return (
          <Page sheet>
            <BackLink href="/courses" label={nameOf(studentId)} />
            <Heading level={1}>{course.title}</Heading>
            <SourceDown freshness={course.freshness} />
            {standards ? <Standards course={course} /> : <Standing course={course} />}
            <NextStep course={course} />
            <ByHand course={course} />
            {standards ? null : <Moved course={course} />}
            {!standards && course.categories.length > 0 ? <Why course={course} /> : null}
            {standards ? null : <Behind course={course} />}
            {standards ? null : (
              <WayOn label={t('tries.way')} href={`/courses/${studentId}/${courseId}/try`} />
            )}
            {standards ? null : <Change course={course} />}
            <TermSwitch course={course} />
            <LooseEnds course={course} />
            <WorkLists course={course} />
            {standards ? null : <NotInFigure course={course} />}
            <Stack>
              <Heading level={2}>{t('course.comments')}</Heading>
              <Comments
                studentId={studentId}
                comments={course.comments.filter(({ itemId }) => itemId === null)}
                none={<NothingYet studentId={studentId} what="comments" none={t('course.noComments')} />}
              />
              {course.comments.length > 0 ? <CommentsCsv course={course} /> : null}
            </Stack>
            <Teacher course={course} />
            <Attended course={course} />
            <Rules course={course} />
            <Foot course={course} termId={termId} />
          </Page>
        );
      }}
    </Loaded>
  );
}
