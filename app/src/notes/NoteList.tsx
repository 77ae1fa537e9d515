import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Note } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { Quietly, Stack, styles, Words } from '../ui';
import { ChangeNote } from './NoteForm';

function OneNote({ note, named }: { note: Note; named: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf, mayTalk } = useChildren();
  const [changing, setChanging] = useState(false);
  const { studentId, courseTitle, on, text, author, shared, mine } = note;
  const context = [
    format.dayLong(on),
    ...(named ? [nameOf(studentId)] : []),
    ...(courseTitle ? [courseTitle] : []),
    author,
    ...(shared ? [] : [t('notes.onlyYou')]),
  ].join(' · ');
  return (
    <View role="listitem" style={styles.gap4}>
      <Words size="small" colour="soft">
        {context}
      </Words>
      {changing ? (
        <ChangeNote note={note} onDone={() => setChanging(false)} />
      ) : (
        <>
          <Words>{text}</Words>
          {mine && mayTalk(studentId) ? (
            <Quietly label={t('notes.change')} hint={text.slice(0, 60)} onPress={() => setChanging(true)} />
          ) : null}
        </>
      )}
    </View>
  );
}

/** Notes by their days, the latest first. @param named whether each says whom it is about. */
export function NoteList({ notes, named }: { notes: readonly Note[]; named: boolean }) {
  const { t } = useTranslation();
  return (
    <Stack>
      <View role="list" aria-label={t('notes.title')} style={styles.gap16}>
        {notes.map((note) => (
          <OneNote key={note.id} note={note} named={named} />
        ))}
      </View>
    </Stack>
  );
}
