import { useTranslation } from 'react-i18next';
import type { Meeting } from '@cadro/contract';
import { Begun, BegunLine, Trouble, useChildren, type Writing } from '../household';
import { Action, Field, Heading, Quietly, Row, Stack, Words } from '../ui';
import { useChange } from './useChange';

/** What is written, and what stood there when it was begun; both empty where nothing is. */
type Fields = { readonly text: string; readonly note: string };
const nothing: Fields = { text: '', note: '' };

function Form({ meeting, writing }: { meeting: Meeting; writing: Writing<Fields> }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const stored = meeting.notes ?? '';
  const { fields, begun } = writing;
  const text = begun ? fields.text : stored;
  // Words of others that came since are shown beside one's own.
  const other = begun && fields.note !== stored && stored !== text ? stored : null;
  const write = (next: string) =>
    writing.set(next === stored ? nothing : { text: next, note: begun ? fields.note : stored });
  const { now, isLoading, error } = useChange(meeting);
  const keep = async (words: string) => {
    if (await now(() => ({ notes: words.trim() === '' ? null : words }))) writing.done();
  };
  return (
    <Stack>
      <Heading level={2}>{t('meeting.notes')}</Heading>
      <Field
        label={t('meeting.saidThere')}
        hint={t('meeting.notesHint', { child: nameOf(meeting.studentId) })}
        value={text}
        onChange={write}
        lines={5}
        longest={20_000}
      />
      {other !== null ? (
        <Stack space={0.5}>
          <Words size="small" bold live>
            {t('meeting.other')}
          </Words>
          <Words>{other}</Words>
          <Row>
            <Quietly label={t('meeting.both')} onPress={() => void keep(`${other}\n\n${text}`)} />
          </Row>
        </Stack>
      ) : null}
      <BegunLine writing={writing} />
      <Trouble error={error} />
      <Action
        label={t('meeting.keepNotes')}
        busy={isLoading}
        disabled={text === stored}
        onPress={() => void keep(text)}
      />
    </Stack>
  );
}

/** What is written down while one talks, kept while it is written. Where somebody else at home writes too, both stand there. */
export function Notes({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const { id, studentId, teacherName } = meeting;
  const about = {
    ...{ key: `meeting:${id}`, studentId, kind: 'note' as const, place: `/talk/meetings/${id}` },
    title: t('meeting.about', { teacher: teacherName, child: nameOf(studentId) }),
  };
  return (
    <Begun about={about} fresh={nothing}>
      {(writing) => <Form meeting={meeting} writing={writing} />}
    </Begun>
  );
}
