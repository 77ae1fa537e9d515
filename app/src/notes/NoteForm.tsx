import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Note } from '@cadro/contract';
import { Begun, BegunLine, Trouble, useFormat, type Writing } from '../household';
import { Action, Choice, Field, PickDay, Quietly, Row, Stack, Words } from '../ui';
import { useChangeNoteMutation, useDropNoteMutation, useWriteNoteMutation } from './api';

type Reader = 'home' | 'me';

/** The day a note is about, and who reads it. */
function Around({
  on,
  setOn,
  shared,
  setShared,
}: {
  on: string;
  setOn: (on: string) => void;
  shared: boolean;
  setShared: (shared: boolean) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <Stack>
      <PickDay
        label={t('notes.on')}
        value={on}
        today={format.today}
        onChange={(day) => setOn(day ?? on)}
        dayLong={format.dayLong}
        monthName={format.month}
      />
      <Choice<Reader>
        titled
        label={t('notes.who')}
        options={[
          { value: 'home', label: t('notes.shared') },
          { value: 'me', label: t('notes.private') },
        ]}
        value={shared ? 'home' : 'me'}
        onChange={(value) => setShared(value === 'home')}
      />
    </Stack>
  );
}

function Form({
  studentId,
  courseId,
  writing,
}: {
  studentId: string;
  courseId: string | null;
  writing: Writing<{ text: string }>;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const [on, setOn] = useState(format.today);
  const [shared, setShared] = useState(true);
  const [write, { isLoading, error }] = useWriteNoteMutation();
  const { text } = writing.fields;
  const keep = async () => {
    const { data } = await write({ studentId, courseId, on, text, shared });
    if (data) writing.done();
  };
  return (
    <Stack>
      <Field
        label={t('notes.new')}
        hint={t('notes.newHint')}
        value={text}
        onChange={(changed) => writing.set({ text: changed })}
        lines={3}
        longest={20_000}
      />
      <BegunLine writing={writing} />
      {text.trim() ? <Around {...{ on, setOn, shared, setShared }} /> : null}
      <Trouble error={error} />
      <Action label={t('notes.keep')} onPress={() => void keep()} busy={isLoading} disabled={!text.trim()} />
    </Stack>
  );
}

/** A new note about a child or a course, kept while it is written. */
export function NewNote({
  studentId,
  courseId,
  title,
}: {
  studentId: string;
  courseId: string | null;
  title: string;
}) {
  const place = `/talk/notes?studentId=${studentId}${courseId ? `&courseId=${courseId}` : ''}`;
  const about = {
    key: `note:${studentId}:${courseId ?? ''}`,
    studentId,
    kind: 'note' as const,
    title,
    place,
  };
  return (
    <Begun about={about} fresh={{ text: '' }}>
      {(writing) => <Form {...{ studentId, courseId, writing }} />}
    </Begun>
  );
}

/** A note of one's own, being changed; where it was changed on another screen since, both stand there. */
export function ChangeNote({ note, onDone }: { note: Note; onDone: () => void }) {
  const { t } = useTranslation();
  const [text, setText] = useState(note.text);
  const [on, setOn] = useState(note.on);
  const [shared, setShared] = useState(note.shared);
  const [version] = useState(note.version);
  const [change, { isLoading, error }] = useChangeNoteMutation();
  const [drop] = useDropNoteMutation();
  const isOlder = note.version !== version;
  const keep = async () => {
    const { data } = await change({ noteId: note.id, version: note.version, text, on, shared });
    if (data) onDone();
  };
  return (
    <Stack>
      {isOlder ? <Words live>{t('notes.meanwhile', { text: note.text })}</Words> : null}
      <Field label={t('notes.text')} value={text} onChange={setText} lines={4} longest={20_000} />
      <Around {...{ on, setOn, shared, setShared }} />
      <Trouble error={error} />
      <Row wrap>
        <Action
          main
          label={t('notes.keep')}
          onPress={() => void keep()}
          busy={isLoading}
          disabled={!text.trim()}
        />
        <Quietly label={t('notes.leave')} onPress={onDone} />
        <Quietly label={t('notes.drop')} onPress={() => void drop(note.id)} />
      </Row>
    </Stack>
  );
}
