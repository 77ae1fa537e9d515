import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { followUpSteps, type FollowUp, type FollowUpStep } from '@cadro/contract';
import { problemWords } from '../i18n';
import { Action, Field, Heading, Stack, Words } from '../ui';
import { useChangeFollowUpMutation } from './api';
import { currentOf } from './conflict';
import { LookAgain } from './LookAgain';
import { StepChoice } from './StepChoice';

/** What somebody else changed meanwhile. */
function Meanwhile({ other }: { other: FollowUp }) {
  const { t } = useTranslation();
  const last = other.entries[other.entries.length - 1];
  const done =
    last &&
    t(`followUp.entries.${last.kind}`, {
      author: last.author ?? '',
      step: last.step ? t(`steps.${last.step}`) : '',
      date: '',
    });
  return <Words>{t('followUp.conflict', { what: [done, last?.text].filter(Boolean).join(': ') })}</Words>;
}

/** The draft of a change, kept until it is taken: a conflict loses nothing of it. */
function useChange(followUp: FollowUp) {
  const [change, { isLoading, error }] = useChangeFollowUpMutation();
  const [step, setStep] = useState<FollowUpStep>(followUp.step);
  const [note, setNote] = useState('');
  const [lookAgainOn, setLookAgainOn] = useState(followUp.lookAgainOn);
  // Sent with the version the form was opened on; after a conflict with the one that came back.
  const [version, setVersion] = useState(followUp.version);
  const changed = {
    ...(step !== followUp.step ? { step } : {}),
    ...(note.trim() ? { note: note.trim() } : {}),
    ...(lookAgainOn !== followUp.lookAgainOn ? { lookAgainOn } : {}),
  };
  const save = async () => {
    const answer = await change({ followUpId: followUp.id, change: { version, ...changed } });
    if (answer.data) {
      setNote('');
      setVersion(answer.data.version);
      setLookAgainOn(answer.data.lookAgainOn);
      return;
    }
    const current = currentOf(answer.error);
    if (current) setVersion(current.version);
  };
  const touched = Object.keys(changed).length > 0;
  return { step, setStep, note, setNote, lookAgainOn, setLookAgainOn, save, touched, isLoading, error };
}

/** Moves a follow-up on: a step, a note, a date. A change by someone else meanwhile is shown; nothing is lost. */
export function ChangeForm({ followUp }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  const { step, setStep, note, setNote, lookAgainOn, setLookAgainOn, save, touched, isLoading, error } =
    useChange(followUp);
  const other = currentOf(error);
  return (
    <Stack space={2}>
      <Heading level={2}>{t('followUp.add')}</Heading>
      <StepChoice steps={followUpSteps} value={step} onChange={setStep} />
      <Field label={t('followUp.note')} value={note} onChange={setNote} lines={2} longest={20_000} />
      <LookAgain value={lookAgainOn} onChange={setLookAgainOn} />
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
