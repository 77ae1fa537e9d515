import { useRouter, type Href } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { followUpSteps, type FollowUpStep, type NewFollowUp } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { problemWords } from '../i18n';
import { Action, BackLink, Field, Heading, Page, Stack, WayOn, Words } from '../ui';
import { useTakeInHandMutation } from './api';
import { currentOf } from './conflict';
import { LookAgain } from './LookAgain';
import { StepChoice } from './StepChoice';

const stepsAtFirst = followUpSteps.filter((step) => step !== 'settled' && step !== 'waiting-on-school');

export interface Subject {
  readonly about: Pick<NewFollowUp, 'studentId' | 'courseId' | 'itemId' | 'itemIds' | 'topic'>;
  readonly title: string;
  /** What it is about and how it stands, in a line. */
  readonly line: string;
  readonly back: { readonly href: Href; readonly label: string };
  /** Which ways to begin suit it. */
  readonly hints: 'work' | 'course' | 'attendance';
}

/** Talk with the child first: ways to begin, what was said, and when to look again. */
export function TakeInHandForm({ about, title, line, back, hints }: Subject) {
  const { t } = useTranslation();
  const format = useFormat();
  const router = useRouter();
  const { nameOf } = useChildren();
  const [takeInHand, { isLoading, error }] = useTakeInHandMutation();
  const [step, setStep] = useState<FollowUpStep>('talked-over');
  const [note, setNote] = useState('');
  const [lookAgainOn, setLookAgainOn] = useState<string | null>(() => format.daysAhead(1));
  const beginnings = t(`followUp.hints.${hints}`, { returnObjects: true }) as readonly string[]; // lists, all three
  const already = currentOf(error);
  const save = async () => {
    const words = note.trim();
    const answer = await takeInHand({
      ...about,
      title,
      step,
      lookAgainOn,
      ...(words ? { note: words } : {}),
    });
    if (answer.data) router.replace(`/talk/follow-ups/${answer.data.id}`);
  };
  return (
    <Page>
      <BackLink {...back} />
      <Stack space={0.25}>
        <Heading level={1}>{t('matter.talk', { child: nameOf(about.studentId) })}</Heading>
        <Words colour="soft">{line}</Words>
      </Stack>
      <Stack space={0.25}>
        <Heading level={2}>{t('followUp.talkFirst')}</Heading>
        {beginnings.map((hint) => (
          <Words key={hint}>{hint}</Words>
        ))}
      </Stack>
      <Field
        label={t('followUp.note')}
        hint={t('followUp.noteHint')}
        value={note}
        onChange={setNote}
        lines={3}
        longest={20_000}
      />
      <StepChoice steps={stepsAtFirst} value={step} onChange={setStep} />
      <LookAgain value={lookAgainOn} onChange={setLookAgainOn} />
      {already ? (
        <Words live>{t('followUp.already')}</Words>
      ) : error ? (
        <Words colour="plum" live>
          {problemWords(t, error)}
        </Words>
      ) : null}
      {already ? <WayOn label={t('item.inHand')} href={`/talk/follow-ups/${already.id}`} /> : null}
      <Action main label={t('followUp.save')} onPress={() => void save()} busy={isLoading} />
    </Page>
  );
}
