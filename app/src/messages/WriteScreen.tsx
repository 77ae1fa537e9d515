import { useTranslation } from 'react-i18next';
import { useFollowUpQuery } from '../followups/api';
import { useCourseQuery, useItemQuery } from '../gradebook';
import { useChildren, useMeQuery } from '../household';
import { BackLink, Heading, Loaded, Page, Quiet } from '../ui';
import { AboutFile } from './AboutFile';
import { useTeachersQuery } from './api';
import type { Drafting } from './Beginning';
import { aboutCourse, aboutItem, draftFor, emptyDraft, timesDraft, type LetterAbout } from './draft';
import { Letter } from './Letter';
import { ReceiversOf } from './ReceiversOf';

/** A letter about something: with its facts in it, or the word that nobody can be written to. */
function AboutIt({
  studentId,
  about,
  followUpId,
  at,
}: {
  studentId: string;
  about: LetterAbout;
  followUpId: string | null;
  at: string;
}) {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  const { nameOf } = useChildren();
  if (!about.teacher)
    return (
      <Page>
        <Quiet>{t('courses.noTeacher')}</Quiet>
      </Page>
    );
  const who = { child: nameOf(studentId), guardian: me?.name ?? '', now: me?.now ?? '' };
  const { teacher } = about;
  const drafting: Drafting = (says, tone) => draftFor(says, about, { name: teacher.name, tone }, who);
  return <Letter {...{ studentId, followUpId, drafting, at, teacher }} />;
}

function FromItem({ studentId, itemId }: { studentId: string; itemId: string }) {
  const query = useItemQuery({ studentId, itemId });
  return (
    <Loaded query={query}>
      {(item) => (
        <AboutIt
          studentId={studentId}
          about={aboutItem(item)}
          followUpId={null}
          at={`studentId=${studentId}&itemId=${itemId}`}
        />
      )}
    </Loaded>
  );
}

function FromCourse({ studentId, courseId }: { studentId: string; courseId: string }) {
  const query = useCourseQuery({ studentId, courseId });
  return (
    <Loaded query={query}>
      {(course) => (
        <AboutIt
          studentId={studentId}
          about={aboutCourse(course)}
          followUpId={null}
          at={`studentId=${studentId}&courseId=${courseId}`}
        />
      )}
    </Loaded>
  );
}

function FromFollowUp({ followUpId }: { followUpId: string }) {
  const query = useFollowUpQuery(followUpId);
  return (
    <Loaded query={query}>
      {(followUp) => (
        <AboutIt
          studentId={followUp.studentId}
          about={followUp}
          followUpId={followUpId}
          at={`followUpId=${followUpId}`}
        />
      )}
    </Loaded>
  );
}

function ChooseTeacher() {
  const { t } = useTranslation();
  const { shown, mayTalk } = useChildren();
  const children = shown.filter(({ id }) => mayTalk(id));
  return (
    <Page>
      <BackLink href="/talk" label={t('places.talk')} />
      <Heading level={1}>{t('message.choose')}</Heading>
      {children.length === 0 ? <Quiet>{t('followUp.lookOnly')}</Quiet> : null}
      {children.map(({ id }) => (
        <ReceiversOf
          key={id}
          studentId={id}
          hrefOf={(teacherId) => `/talk/write?studentId=${id}&teacherId=${teacherId}`}
          // One without an address is written to on paper.
          noteOf={({ contactable }) => (contactable ? [] : [t('message.noContact')])}
        />
      ))}
    </Page>
  );
}

interface Asked {
  readonly studentId: string;
  readonly teacherId: string;
  /** Whom an office is to hand it on to. */
  readonly passOnTo?: string | undefined;
  /** Instants with commas between them, at one of which one would like to talk, and for how long. */
  readonly times?: string | undefined;
  readonly minutes?: string | undefined;
}

/** The times that an address names. */
const timesIn = (times: string | undefined): string[] =>
  (times ?? '').split(',').filter((at) => !Number.isNaN(Date.parse(at)));

/** An empty letter, about the child in general; one that asks for a talk; or to an office that is asked to pass it on. */
function ToTeacher({ studentId, teacherId, passOnTo, ...talk }: Asked) {
  const { t } = useTranslation();
  const query = useTeachersQuery(studentId);
  const { data: me } = useMeQuery();
  const { nameOf } = useChildren();
  return (
    <Loaded query={query}>
      {({ teachers }) => {
        const teacher = teachers.find(({ id }) => id === teacherId);
        if (!teacher)
          return (
            <Page>
              <Quiet>{t('problems.not-found')}</Quiet>
            </Page>
          );
        const who = { child: nameOf(studentId), guardian: me?.name ?? '', now: me?.now ?? '' };
        const times = timesIn(talk.times);
        const minutes = Number(talk.minutes) || usualMinutes;
        const drafting: Drafting = (says, tone) => {
          const to = { name: teacher.name, tone, ...(passOnTo ? { passOnTo } : {}) };
          return times.length > 0 ? timesDraft(says, { times, minutes }, to, who) : emptyDraft(says, to, who);
        };
        const at = new URLSearchParams({
          ...{ studentId, teacherId },
          ...(passOnTo ? { passOnTo } : {}),
          ...(times.length > 0 ? { times: times.join(','), minutes: String(minutes) } : {}),
        }).toString();
        const blank = !passOnTo && times.length === 0;
        return <Letter {...{ studentId, teacher, drafting, at, blank }} followUpId={null} />;
      }}
    </Loaded>
  );
}

/** A talk takes so long where nothing is said. */
const usualMinutes = 20;

/** A letter to a teacher: out of a follow-up, about an assignment or a course, to one teacher, or first the choice. */
export function WriteScreen({
  followUpId,
  studentId,
  teacherId,
  courseId,
  itemId,
  about,
  ...talk
}: {
  followUpId?: string;
  studentId?: string;
  teacherId?: string;
  courseId?: string;
  itemId?: string;
  about?: string;
} & Partial<Pick<Asked, 'passOnTo' | 'times' | 'minutes'>>) {
  if (followUpId) return <FromFollowUp followUpId={followUpId} />;
  if (studentId && itemId) return <FromItem {...{ studentId, itemId }} />;
  if (studentId && courseId) return <FromCourse {...{ studentId, courseId }} />;
  if (studentId && about === 'file') return <AboutFile studentId={studentId} />;
  return studentId && teacherId ? <ToTeacher {...{ studentId, teacherId, ...talk }} /> : <ChooseTeacher />;
}
