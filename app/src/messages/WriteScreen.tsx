import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useFollowUpQuery } from '../followups/api';
import { useCourseQuery, useItemQuery } from '../gradebook';
import { useChildren, useFormat, useMeQuery } from '../household';
import { BackLink, Heading, Loaded, Page, Quiet, RowLink, styles, Words } from '../ui';
import { AboutFile } from './AboutFile';
import { useTeachersQuery } from './api';
import { aboutCourse, aboutItem, draftFor, type LetterAbout } from './draft';
import { Letter } from './Letter';

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
  const format = useFormat();
  const { data: me } = useMeQuery();
  const { nameOf } = useChildren();
  if (!about.teacher)
    return (
      <Page>
        <Quiet>{t('courses.noTeacher')}</Quiet>
      </Page>
    );
  const who = { child: nameOf(studentId), guardian: me?.name ?? '', now: me?.now ?? '' };
  const draft = draftFor(t, format, about, who);
  return <Letter {...{ studentId, followUpId, draft, at }} teacher={about.teacher} />;
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

/** The teachers of one child; one without an address is named all the same. */
function TeachersOf({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const query = useTeachersQuery(studentId);
  const { nameOf } = useChildren();
  return (
    <Loaded query={query}>
      {({ teachers }) => (
        <View>
          <Heading level={2}>{nameOf(studentId)}</Heading>
          {teachers.map(({ id, name, contactable, courseTitles }) =>
            contactable ? (
              <RowLink
                key={id}
                href={`/talk/write?studentId=${studentId}&teacherId=${id}`}
                label={`${name}. ${courseTitles.join(', ')}`}
              >
                <Words bold>{name}</Words>
                <Words size="small" colour="soft">
                  {courseTitles.join(', ')}
                </Words>
              </RowLink>
            ) : (
              <View key={id} style={styles.around12}>
                <Words colour="soft">{name}</Words>
                <Words size="small" colour="soft">
                  {[...courseTitles, t('message.noContact')].join(' · ')}
                </Words>
              </View>
            ),
          )}
        </View>
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
        <TeachersOf key={id} studentId={id} />
      ))}
    </Page>
  );
}

/** An empty letter, about the child in general. */
function ToTeacher({ studentId, teacherId }: { studentId: string; teacherId: string }) {
  const { t } = useTranslation();
  const query = useTeachersQuery(studentId);
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
        const draft = { subject: nameOf(studentId), text: '' };
        const at = `studentId=${studentId}&teacherId=${teacherId}`;
        return <Letter {...{ studentId, teacher, draft, at }} followUpId={null} />;
      }}
    </Loaded>
  );
}

/** A letter to a teacher: out of a follow-up, about an assignment or a course, to one teacher, or first the choice. */
export function WriteScreen({
  followUpId,
  studentId,
  teacherId,
  courseId,
  itemId,
  about,
}: {
  followUpId?: string;
  studentId?: string;
  teacherId?: string;
  courseId?: string;
  itemId?: string;
  about?: string;
}) {
  if (followUpId) return <FromFollowUp followUpId={followUpId} />;
  if (studentId && itemId) return <FromItem {...{ studentId, itemId }} />;
  if (studentId && courseId) return <FromCourse {...{ studentId, courseId }} />;
  if (studentId && about === 'file') return <AboutFile studentId={studentId} />;
  return studentId && teacherId ? <ToTeacher {...{ studentId, teacherId }} /> : <ChooseTeacher />;
}
