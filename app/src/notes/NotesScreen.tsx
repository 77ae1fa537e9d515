import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useCourseQuery } from '../gradebook/api';
import { useChildren } from '../household';
import { BackLink, Choice, Field, Heading, Loaded, Page, Quiet, Stack, Words } from '../ui';
import { useNotesQuery } from './api';
import { NewNote } from './NoteForm';
import { NoteList } from './NoteList';

/** For whom a new note is, where it is not said: one of the children in sight. */
function ForWhom({ chosen, choose }: { chosen: string; choose: (id: string) => void }) {
  const { t } = useTranslation();
  const { shown, mayTalk } = useChildren();
  const children = shown.filter(({ id }) => mayTalk(id));
  if (children.length < 2) return null;
  return (
    <Choice
      titled
      label={t('notes.about')}
      options={children.map(({ id, givenName }) => ({ value: id, label: givenName }))}
      value={chosen}
      onChange={choose}
    />
  );
}

/** What the family has written down: about a course, a child, or all of them; with search. */
export function NotesScreen({ studentId, courseId }: { studentId?: string; courseId?: string }) {
  const { t } = useTranslation();
  const { shown, nameOf, mayTalk } = useChildren();
  const [q, setQ] = useState('');
  const writable = shown.filter(({ id }) => mayTalk(id));
  const [chosen, setChosen] = useState<string | null>(null);
  const child = studentId ?? chosen ?? writable[0]?.id ?? '';
  const course = useCourseQuery(
    { studentId: studentId ?? '', courseId: courseId ?? '' },
    { skip: !studentId || !courseId },
  );
  const query = useNotesQuery({
    ...(studentId ? { studentId } : {}),
    ...(courseId ? { courseId } : {}),
    ...(q.trim() ? { q: q.trim() } : {}),
  });
  const about = [...(studentId ? [nameOf(studentId)] : []), ...(course.data ? [course.data.title] : [])].join(
    ' · ',
  );
  return (
    <Page>
      <BackLink href="/talk" label={t('places.talk')} />
      <Stack space={0.25}>
        <Heading level={1}>{t('notes.title')}</Heading>
        {about ? <Words colour="soft">{about}</Words> : null}
      </Stack>
      {mayTalk(child) ? (
        <>
          {studentId ? null : <ForWhom chosen={child} choose={setChosen} />}
          <NewNote
            key={child}
            studentId={child}
            courseId={courseId ?? null}
            title={t('notes.noteAbout', { about: about || nameOf(child) })}
          />
        </>
      ) : null}
      <Field label={t('notes.search')} value={q} onChange={setQ} longest={100} />
      <Loaded query={query}>
        {({ notes, more }) => {
          const own = notes.filter((note) => shown.some(({ id }) => id === note.studentId));
          if (own.length === 0) return <Quiet>{t(q.trim() ? 'notes.noMatch' : 'notes.none')}</Quiet>;
          return (
            <Stack>
              <NoteList notes={own} named={!studentId} />
              {more ? <Words colour="soft">{t('notes.more')}</Words> : null}
            </Stack>
          );
        }}
      </Loaded>
    </Page>
  );
}
