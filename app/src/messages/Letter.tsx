import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { Begun, BegunLine, Trouble, useChildren, type Writing } from '../household';
import { Action, BackLink, Field, Heading, Page, Stack, Words } from '../ui';
import { useSendMutation } from './api';
import { AskedLately } from './AskedLately';
import type { Draft } from './draft';
import { useWhen, When } from './When';

interface Written {
  readonly studentId: string;
  readonly teacher: { readonly id: string; readonly name: string };
  readonly followUpId: string | null;
  readonly draft: Draft;
  /** What it is about, beside child and teacher: the rest of the address it goes on at. */
  readonly at: string;
}

function LetterForm({
  studentId,
  teacher,
  followUpId,
  writing,
}: Omit<Written, 'draft' | 'at'> & { writing: Writing<{ subject: string; text: string }> }) {
  const { t } = useTranslation();
  const router = useRouter();
  const { nameOf } = useChildren();
  const [send, { isLoading, error }] = useSendMutation();
  const when = useWhen(studentId);
  const { subject, text } = writing.fields;
  const submit = async () => {
    const letter = { studentId, teacherId: teacher.id, followUpId, subject, text };
    const answer = await send({ ...letter, sendAt: when.sendAt });
    if (!answer.data) return;
    writing.done();
    router.replace(`/talk/threads/${answer.data.id}`);
  };
  return (
    <Page>
      <BackLink href={followUpId ? `/talk/follow-ups/${followUpId}` : '/talk'} label={t('places.talk')} />
      <Stack space={0.25}>
        <Heading level={1}>{t('message.to', { teacher: teacher.name })}</Heading>
        <Words colour="soft">{t('message.about', { child: nameOf(studentId) })}</Words>
      </Stack>
      <AskedLately studentId={studentId} teacherId={teacher.id} />
      <Field
        label={t('message.subject')}
        value={subject}
        onChange={(changed) => writing.set({ subject: changed })}
        longest={200}
      />
      <Field
        label={t('message.text')}
        hint={t('message.sentTo')}
        value={text}
        onChange={(changed) => writing.set({ text: changed })}
        lines={13}
        longest={20_000}
      />
      <BegunLine writing={writing} />
      <When when={when} />
      <Trouble error={error} />
      <Action
        main
        label={t(when.sendAt ? 'message.sendLater' : 'message.send')}
        onPress={() => void submit()}
        busy={isLoading}
        disabled={!subject.trim() || !text.trim()}
      />
    </Page>
  );
}

/** A letter, kept while it is written. */
export function Letter({ draft, at, ...letter }: Written) {
  const { studentId, teacher } = letter;
  const about = {
    ...{ key: `letter:${studentId}:${teacher.id}:${at}`, studentId, kind: 'letter' as const },
    ...{ title: draft.subject, place: `/talk/write?${at}` },
  };
  return (
    <Begun about={about} fresh={{ subject: draft.subject, text: draft.text }}>
      {(writing) => <LetterForm {...letter} writing={writing} />}
    </Begun>
  );
}
