import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { followUpSteps, type FollowUp, type FollowUpChange, type FollowUpStep } from '@cadro/contract';
import { Begun, BegunLine, type Writing } from '../household';
import { problemWords } from '../i18n';
import { inTurn, ownSince } from '../store';
import { Action, Field, Heading, Stack, Words } from '../ui';
import { useChangeFollowUpMutation } from './api';
import { currentOf } from './conflict';
import { entryWords } from './entryWords';
import { LookAgain, type Look } from './LookAgain';
import { StepChoice } from './StepChoice';

/** What somebody else changed meanwhile. */
function Meanwhile({ other }: { other: FollowUp }) {
  const { t } = useTranslation();
  const last = other.entries[other.entries.length - 1];
  const done = last && entryWords(t, last, '');
  return <Words>{t('followUp.conflict', { what: [done, last?.text].filter(Boolean).join(': ') })}</Words>;
}

const lookOf = ({ lookAgainOn, lookAgainWhen }: FollowUp): Look => lookAgainWhen ?? lookAgainOn;

/** What of a change about when to look again is not so yet. */
function lookChange(look: Look, before: Look): Pick<FollowUpChange, 'lookAgainOn' | 'lookAgainWhen'> {
  if (look === before) return {};
  if (look === 'graded') return { lookAgainOn: null, lookAgainWhen: 'graded' };
  return { lookAgainOn: look, ...(before === 'graded' ? { lookAgainWhen: null } : {}) };
}

/**
 * The draft of a change, kept until it is taken: a conflict loses nothing of it, and what others change meanwhile is not
 * undone by it.
 */
function useChange(followUp: FollowUp, writing: Writing<{ note: string }>) {
  const [change, { isLoading, error }] = useChangeFollowUpMutation();
  // Sent with the version the form was opened on, and what one has done oneself since; after a conflict with what came back.
  const [opened, setOpened] = useState(followUp);
  const [step, setStep] = useState<FollowUpStep>(followUp.step);
  const { note } = writing.fields;
  const [look, setLook] = useState<Look>(lookOf(followUp));
  const changed = {
    ...(step !== opened.step ? { step } : {}),
    ...(note.trim() ? { note: note.trim() } : {}),
    ...lookChange(look, lookOf(opened)),
  };
  const touched = Object.keys(changed).length > 0;
  const anew = (next: FollowUp) => {
    setOpened(next);
    setStep(next.step);
    setLook(lookOf(next));
  };
  // Nothing is being changed here: it stands as it is.
  if (!touched && followUp.version > opened.version) anew(followUp);
  const save = async () => {
    const { id } = followUp;
    const answer = await inTurn(id, () =>
      change({ followUpId: id, change: { version: ownSince(id, opened.version), ...changed } }),
    );
    if (answer.data) {
      writing.done();
      anew(answer.data);
      return;
    }
    const current = currentOf(answer.error);
    if (current) setOpened(current);
  };
  return { step, setStep, note, look, setLook, save, touched, isLoading, error };
}

function Form({ followUp, writing }: { followUp: FollowUp; writing: Writing<{ note: string }> }) {
  const { t } = useTranslation();
  const { step, setStep, note, look, setLook, save, touched, isLoading, error } = useChange(
    followUp,
    writing,
  );
  const other = currentOf(error);
  return (
    <Stack space={2}>
      <Heading level={2}>{t('followUp.add')}</Heading>
      <StepChoice steps={followUpSteps} value={step} onChange={setStep} />
      <Field
        label={t('followUp.note')}
        value={note}
        onChange={(changed) => writing.set({ note: changed })}
        lines={2}
        longest={20_000}
      />
      <BegunLine writing={writing} />
      <LookAgain value={look} byGrade={followUp.itemId !== null} onChange={setLook} />
      {error ? (
        <Words colour="plum" live>
          {problemWords(t, error)}
        </Words>
      ) : null}
      {other ? <Meanwhile other={other} /> : null}
      <Action label={t('followUp.change')} onPress={() => void save()} busy={isLoading} disabled={!touched} />
    </Stack>
  );
}

/** Moves a follow-up on: a step, a note, a date. A change by someone else meanwhile is shown; nothing is lost. */
export function ChangeForm({ followUp }: { followUp: FollowUp }) {
  const { id, studentId, title } = followUp;
  const about = {
    key: `note:${id}`,
    studentId,
    kind: 'note' as const,
    title,
    place: `/talk/follow-ups/${id}`,
  };
  return (
    <Begun about={about} fresh={{ note: '' }}>
      {(writing) => <Form followUp={followUp} writing={writing} />}
    </Begun>
  );
}
