import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Announcement, GivenAnswer } from '@cadro/contract';
import { Trouble, useChildren } from '../household';
import { isServerProblem } from '../i18n';
import { Action, Choice, Field, OutLink, Quietly, Row, Stack, Words } from '../ui';
import { answerOf, type Drafted } from './answerDraft';
import { useAnswerSchoolMutation } from './api';
import { answerWords } from './words';

/** Where one says what one answers: words to pick from, a number, a line. */
function Ask({
  announcement: { wish, title },
  draft,
  onChange,
}: {
  announcement: Announcement;
  draft: Drafted;
  onChange: (draft: Drafted) => void;
}) {
  const { t } = useTranslation();
  const pick = (picked: string) => onChange({ ...draft, picked });
  const write = (line: string) => onChange({ ...draft, line });
  if (wish.kind === 'yes-no' || wish.kind === 'choice') {
    const options =
      wish.kind === 'choice'
        ? wish.choices.map((choice) => ({ value: choice, label: choice }))
        : (['yes', 'no'] as const).map((value) => ({ value: value as string, label: t(`school.${value}`) }));
    return <Choice label={title} options={options} value={draft.picked} onChange={pick} />;
  }
  if (wish.kind === 'count') {
    const hint = wish.most ? { hint: t('school.most', { count: wish.most }) } : {};
    return <Field label={t('school.howMany')} {...hint} kind="number" value={draft.line} onChange={write} />;
  }
  if (wish.kind === 'line')
    return <Field label={t('school.line')} value={draft.line} onChange={write} longest={500} />;
  return null;
}

/** What the other guardian answered meanwhile, when that is why one's own was not sent. */
function answeredMeanwhile(error: unknown): GivenAnswer | null {
  if (!isServerProblem(error) || error.problem?.code !== 'edited-meanwhile') return null;
  return (error.problem.current as GivenAnswer | undefined) ?? null; // the contract says so of this code
}

interface Asked {
  readonly announcement: Announcement;
  readonly studentId: string;
  /** The version of the answer that is changed; 0 where there was none when the form was opened. */
  readonly opened: number;
  readonly onTouched: () => void;
  readonly onDone: () => void;
}

/** The draft of an answer; what somebody else answered meanwhile is known by it, and one's own is kept. */
function useAnswer({ announcement, studentId, opened, onTouched, onDone }: Asked) {
  const [draft, setDraft] = useState<Drafted>({ picked: '', line: '' });
  const [note, setNote] = useState('');
  const [send, { isLoading, error }] = useAnswerSchoolMutation();
  const answer = answerOf(announcement, draft);
  const other = answeredMeanwhile(error);
  const submit = async () => {
    if (!answer) return;
    const version = other?.version ?? opened;
    const body = { version, answer, ...(note.trim() ? { note: note.trim() } : {}) };
    const sent = await send({ announcementId: announcement.id, studentId, body });
    if (sent.data) onDone();
  };
  const touching =
    <T,>(set: (value: T) => void) =>
    (value: T) => {
      onTouched();
      set(value);
    };
  return {
    ...{ draft, setDraft: touching(setDraft), note, setNote: touching(setNote) },
    ...{ answer, other, submit, isLoading, error },
  };
}

/** What goes with an answer by mail, and why none goes where it does not. */
function WithIt({
  announcement: { href, wish, answerTo },
  note,
  onNote,
}: {
  announcement: Announcement;
  note: string;
  onNote: (note: string) => void;
}) {
  const { t } = useTranslation();
  // An answer in a line says what there is to say.
  if (href !== null || wish.kind === 'form' || (wish.kind === 'line' && answerTo)) return null;
  if (answerTo) return <Field label={t('school.note')} value={note} onChange={onNote} longest={500} />;
  return (
    <Words size="small" colour="soft">
      {t('school.nobodyToWrite')}
    </Words>
  );
}

/** Gives an answer, or changes one. */
export function AnswerForm(asked: Asked) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const { draft, setDraft, note, setNote, answer, other, submit, isLoading, error } = useAnswer(asked);
  const { announcement, studentId, opened, onDone } = asked;
  const { wish, href, answerTo } = announcement;
  const byMail = href === null && wish.kind !== 'form' && answerTo !== null;
  const plain = wish.kind === 'form' ? t('school.sayFormBack') : t('school.putDown');
  const label = byMail ? t('school.send', { name: answerTo.name }) : plain;
  return (
    <Stack space={1.5}>
      {href ? (
        <Stack space={0.5}>
          <OutLink label={t('school.openPage')} href={href} />
          <Words size="small" colour="soft">
            {t('school.answerThere')}
          </Words>
        </Stack>
      ) : null}
      <Ask announcement={announcement} draft={draft} onChange={setDraft} />
      <WithIt announcement={announcement} note={note} onNote={setNote} />
      {other ? (
        <Words colour="plum" live>
          {t('school.meanwhile', {
            ...{ author: other.author, theirs: answerWords(t, other.answer) },
            yours: answer ? answerWords(t, answer) : '',
          })}
        </Words>
      ) : (
        <Trouble error={error} />
      )}
      <Row wrap space={2}>
        <Action
          main
          label={other ? t('school.sendMine') : label}
          busy={isLoading}
          disabled={!answer}
          onPress={() => void submit()}
        />
        {other || opened > 0 ? (
          <Quietly
            label={other ? t('school.leaveTheirs') : t('school.leaveIt')}
            hint={nameOf(studentId)}
            onPress={onDone}
          />
        ) : null}
      </Row>
    </Stack>
  );
}
