import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { BesideRecord, JoinedCourse, JoinedRecord } from '@cadro/contract';
import { Trouble, useChildren, useFormat } from '../../household';
import { Action, Choice, Heading, Loaded, Quietly, Row, Stack, Words } from '../../ui';
import {
  useJoinRecordsMutation,
  useOtherRecordQuery,
  useOwnRecordQuery,
  usePartRecordsMutation,
} from '../api';

interface Of {
  readonly studentId: string;
  readonly otherId: string;
}

/** Which of another record's courses is which, as it is found, to be put right. */
function Matching({
  studentId,
  otherId,
  courses,
  onDone,
}: Of & { courses: readonly JoinedCourse[]; onDone: () => void }) {
  const { t } = useTranslation();
  const { data: record } = useOwnRecordQuery(studentId);
  const [into, setInto] = useState<Readonly<Record<string, string | null>>>({});
  const [join, { isLoading, error }] = useJoinRecordsMutation();
  const mine = (record?.courses ?? []).filter(({ own }) => !own);
  const chosen = courses.map(({ otherCourseId, courseId }) => ({
    otherCourseId,
    courseId: otherCourseId in into ? (into[otherCourseId] ?? null) : courseId,
  }));
  const save = async () => {
    const answer = await join({ studentId, otherId, body: { courses: chosen } });
    if (!('error' in answer)) onDone();
  };
  return (
    <Stack>
      <Words size="small">{t('beside.matching')}</Words>
      {courses.map(({ otherCourseId, title }, at) => (
        <Choice
          key={otherCourseId}
          titled
          label={t('beside.courseIs', { course: title })}
          options={[
            ...mine.map(({ id, title: own }) => ({ value: id, label: own })),
            { value: '', label: t('beside.itself') },
          ]}
          value={chosen[at]?.courseId ?? ''}
          onChange={(id) => setInto({ ...into, [otherCourseId]: id || null })}
        />
      ))}
      <Trouble error={error} />
      <Action main label={t('beside.join')} busy={isLoading} onPress={() => void save()} />
    </Stack>
  );
}

function Matched({ onDone, ...of }: Of & { onDone: () => void }) {
  const query = useOtherRecordQuery(of);
  return (
    <Loaded query={query}>{({ courses }) => <Matching {...of} courses={courses} onDone={onDone} />}</Loaded>
  );
}

/** Another child of the same name: the way to read both records as one. */
function Candidate({
  studentId,
  candidate,
}: {
  studentId: string;
  candidate: BesideRecord['candidates'][number];
}) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const { id: otherId, name, schoolName } = candidate;
  return (
    <Stack space={0.5}>
      <Words>{t('beside.candidate', { name, school: schoolName })}</Words>
      {open ? (
        <Matched {...{ studentId, otherId }} onDone={() => setOpen(false)} />
      ) : (
        <Action label={t('beside.candidateYes')} hint={schoolName} onPress={() => setOpen(true)} />
      )}
    </Stack>
  );
}

/** What becomes of what another record has told, said before it is done. */
function Parting({ studentId, otherId, ended }: Of & { ended: boolean }) {
  const { t } = useTranslation();
  const [part, { isLoading, error }] = usePartRecordsMutation();
  const go = (keep: boolean) => void part({ studentId, otherId, body: { keep } });
  return (
    <Stack space={0.5}>
      <Trouble error={error} />
      <Row wrap>
        {ended ? null : <Action label={t('beside.end')} busy={isLoading} onPress={() => go(true)} />}
        <Action label={t('beside.partAll')} busy={isLoading} onPress={() => go(false)} />
      </Row>
      <Words size="small" colour="soft">
        {t(ended ? 'beside.partWhat' : 'beside.partWhats')}
      </Words>
    </Stack>
  );
}

/** Another record that is read into the child's. */
function Joined({ studentId, joined }: { studentId: string; joined: JoinedRecord }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { data: record } = useOwnRecordQuery(studentId);
  const [open, setOpen] = useState<'courses' | 'parting' | null>(null);
  const { otherId, schoolName, readAt, endedAt, courses } = joined;
  const titleOf = (id: string | null) => record?.courses.find((course) => course.id === id)?.title;
  return (
    <Stack space={0.5}>
      <Words bold>{schoolName}</Words>
      <Words size="small" colour="soft">
        {endedAt
          ? t('beside.ended', { when: format.recent(endedAt) })
          : t('beside.readsToo', { when: readAt ? format.recent(readAt) : t('shell.neverRead') })}
      </Words>
      {courses.map(({ otherCourseId, title, courseId }) => (
        <Words key={otherCourseId} size="small">
          {courseId
            ? t('beside.isInto', { course: title, into: titleOf(courseId) ?? title })
            : t('beside.isItself', { course: title })}
        </Words>
      ))}
      {open === 'courses' ? <Matched {...{ studentId, otherId }} onDone={() => setOpen(null)} /> : null}
      {open === 'parting' ? <Parting {...{ studentId, otherId }} ended={endedAt !== null} /> : null}
      {open === null ? (
        <Row wrap>
          <Quietly label={t('beside.again')} hint={schoolName} onPress={() => setOpen('courses')} />
          <Quietly label={t('beside.stop')} hint={schoolName} onPress={() => setOpen('parting')} />
        </Row>
      ) : (
        <Quietly label={t('beside.leave')} onPress={() => setOpen(null)} />
      )}
    </Stack>
  );
}

/** Other records of the same child: those that are read into this one, and those that may be. */
export function Others({ studentId, beside }: { studentId: string; beside: BesideRecord }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const { joined, candidates } = beside;
  if (joined.length === 0 && candidates.length === 0) return null;
  return (
    <Stack>
      <Heading level={2}>{t('beside.others', { name: nameOf(studentId) })}</Heading>
      {joined.map((each) => (
        <Joined key={each.otherId} studentId={studentId} joined={each} />
      ))}
      {candidates.map((each) => (
        <Candidate key={each.id} studentId={studentId} candidate={each} />
      ))}
    </Stack>
  );
}
