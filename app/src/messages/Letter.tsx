import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Language } from '@cadro/contract';
import { Begun, BegunLine, Trouble, useChildren, type Writing } from '../household';
import { useAppSelector } from '../store';
import { Action, BackLink, Field, Heading, Loading, Page, Quietly, Row, Stack, Words } from '../ui';
import { useSendMutation, useSendSeveralMutation, useTeachersQuery } from './api';
import { AskedLately } from './AskedLately';
import { Beginning, useBeginning, useSays, type Drafting } from './Beginning';
import { Files, useFiles } from './Files';
import { OnPaper } from './OnPaper';
import { eachName, letterLanguage, lettersTo } from './opening';
import { AlsoTo } from './AlsoTo';
import type { Receiver } from './receiver';
import { useWhen, When } from './When';

interface Written {
  readonly studentId: string;
  readonly teacher: Receiver;
  readonly followUpId: string | null;
  readonly drafting: Drafting;
  /** Whether the draft says nothing yet: it goes out once something has been written. */
  readonly blank?: boolean;
  /** What it is about, beside child and teacher: the rest of the address it goes on at. */
  readonly at: string;
}

type Form = Omit<Written, 'at'> & {
  readonly language: Language;
  readonly writing: Writing<{ subject: string; text: string }>;
};

/** Sends a letter: to one person, or to each of several. */
function useSending({ studentId, followUpId, writing }: Pick<Form, 'studentId' | 'followUpId' | 'writing'>) {
  const router = useRouter();
  const [sendOne, one] = useSendMutation();
  const [sendSeveral, several] = useSendSeveralMutation();
  const { subject, text } = writing.fields;
  const send = async (
    people: readonly Receiver[],
    more: { sendAt: string | null; files: { name: string; content: string }[] },
  ) => {
    const letter = { studentId, followUpId, subject, ...more };
    const letters = lettersTo(people, text);
    const [first] = letters;
    if (!first) return;
    const sent =
      letters.length === 1
        ? (await sendOne({ ...letter, ...first })).data?.id
        : (await sendSeveral({ ...letter, letters })).data && '';
    if (sent === undefined) return;
    writing.done();
    router.replace(sent === '' ? '/talk' : `/talk/threads/${sent}`);
  };
  return { send, isLoading: one.isLoading || several.isLoading, error: one.error ?? several.error };
}

/** The last step: at once to one, and asked once more before it goes to several. */
function SendLetter({
  count,
  later,
  disabled,
  busy,
  onSend,
}: {
  count: number;
  later: boolean;
  disabled: boolean;
  busy: boolean;
  onSend: () => void;
}) {
  const { t } = useTranslation();
  const [asked, setAsked] = useState(false);
  if (count === 1)
    return (
      <Action
        main
        label={t(later ? 'message.sendLater' : 'message.send')}
        onPress={onSend}
        {...{ busy, disabled }}
      />
    );
  if (!asked)
    return (
      <Action
        main
        label={t('message.sendSeveral', { count })}
        onPress={() => setAsked(true)}
        disabled={disabled}
      />
    );
  return (
    <Stack space={0.5}>
      <Words live>{t('message.sure', { count })}</Words>
      <Row wrap>
        <Action main label={t('message.sendSeveral', { count })} onPress={onSend} busy={busy} />
        <Quietly label={t('message.notYet')} onPress={() => setAsked(false)} />
      </Row>
    </Stack>
  );
}

/** To whom it goes, and what they have been written lately. */
function Head({
  studentId,
  people,
  followUpId,
}: Pick<Form, 'studentId' | 'followUpId'> & { people: readonly Receiver[] }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const [first] = people;
  return (
    <>
      <BackLink href={followUpId ? `/talk/follow-ups/${followUpId}` : '/talk'} label={t('places.talk')} />
      <Stack space={0.25}>
        <Heading level={1}>
          {people.length > 1
            ? t('message.toSeveral', { count: people.length })
            : t('message.to', { teacher: first?.name ?? '' })}
        </Heading>
        <Words colour="soft">{t('message.about', { child: nameOf(studentId) })}</Words>
      </Stack>
      {people.map(({ id }) => (
        <AskedLately key={id} studentId={studentId} teacherId={id} />
      ))}
    </>
  );
}

/** The letter itself. @param hint how it goes out. */
function LetterFields({ writing, hint }: Pick<Form, 'writing'> & { hint: string }) {
  const { t } = useTranslation();
  const { subject, text } = writing.fields;
  return (
    <>
      <Field
        label={t('message.subject')}
        value={subject}
        onChange={(changed) => writing.set({ subject: changed })}
        longest={200}
      />
      <Field
        label={t('message.text')}
        hint={hint}
        value={text}
        onChange={(changed) => writing.set({ text: changed })}
        lines={13}
        longest={20_000}
      />
      <BegunLine writing={writing} />
    </>
  );
}

/** Who else gets it, what goes with it, when it goes, and off it goes. */
function ByMail({
  letter: { studentId, teacher, followUpId, writing, blank = false },
  others,
  choose,
}: {
  letter: Form;
  others: readonly Receiver[];
  choose: (chosen: readonly Receiver[]) => void;
}) {
  const people = [teacher, ...others];
  const sending = useSending({ studentId, followUpId, writing });
  const when = useWhen(studentId);
  const given = useFiles();
  const { subject, text } = writing.fields;
  return (
    <>
      <AlsoTo {...{ studentId, teacher, others }} onChange={choose} />
      <Files given={given} />
      <When when={when} />
      <Trouble error={sending.error} />
      <SendLetter
        count={people.length}
        later={when.sendAt !== null}
        disabled={!subject.trim() || !text.trim() || (blank && !writing.begun)}
        busy={sending.isLoading}
        onSend={() => void sending.send(people, { sendAt: when.sendAt, files: given.files })}
      />
    </>
  );
}

function LetterForm(letter: Form) {
  const { studentId, teacher, followUpId, drafting, language, writing } = letter;
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const [others, setOthers] = useState<readonly Receiver[]>([]);
  const isSeveral = others.length > 0;
  const beginning = useBeginning({
    ...{ drafting, first: language, writing },
    who: { teacher: isSeveral ? eachName : teacher.name, child: nameOf(studentId) },
  });
  const { subject, text } = writing.fields;
  const choose = (chosen: readonly Receiver[]) => {
    if (chosen.length > 0 && !isSeveral) writing.set({ text: text.replaceAll(teacher.name, eachName) });
    if (chosen.length === 0) writing.set({ text: text.replaceAll(eachName, teacher.name) });
    setOthers(chosen);
  };
  const byMail = isSeveral ? t('message.severalHow', { mark: eachName }) : t('message.sentTo');
  return (
    <Page>
      <Head {...{ studentId, followUpId }} people={[teacher, ...others]} />
      {teacher.contactable ? null : <Words>{t('message.noAddress', { name: teacher.name })}</Words>}
      <LetterFields writing={writing} hint={teacher.contactable ? byMail : ''} />
      <Beginning {...{ beginning, drafting }} />
      {teacher.contactable ? (
        <ByMail {...{ letter, others, choose }} />
      ) : (
        <OnPaper {...{ studentId, teacher, followUpId, subject, text }} />
      )}
    </Page>
  );
}

/** A letter, kept while it is written; it begins in the language of whoever gets it. */
export function Letter({ at, ...letter }: Written) {
  const { studentId, teacher, drafting } = letter;
  const own = useAppSelector((state) => state.prefs.language);
  const { data, isLoading } = useTeachersQuery(studentId);
  const says = useSays();
  if (isLoading) return <Loading />;
  const language = letterLanguage(data?.teachers.find(({ id }) => id === teacher.id)?.language, own);
  const fresh = drafting(says(language), 'plain');
  const about = {
    ...{ key: `letter:${studentId}:${teacher.id}:${at}`, studentId, kind: 'letter' as const },
    ...{ title: fresh.subject, place: `/talk/write?${at}` },
  };
  return (
    <Begun about={about} fresh={{ subject: fresh.subject, text: fresh.text }}>
      {(writing) => <LetterForm {...letter} {...{ language, writing }} />}
    </Begun>
  );
}
