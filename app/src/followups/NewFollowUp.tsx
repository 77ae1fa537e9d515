import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { followUpSteps, type FollowUpStep } from '@cadro/contract';
import { useItemQuery } from '../gradebook/api';
import { stateWords } from '../gradebook';
import { useChildren } from '../household';
import { problemWords, useFormat } from '../i18n';
import { BackLink } from '../shell/BackLink';
import { Action, Choice, Field, Heading, Loaded, Page, Stack, Words } from '../ui';
import { useTakeInHandMutation } from './api';
import { LookAgain } from './LookAgain';

const stepsAtFirst = followUpSteps.filter((step) => step !== 'settled' && step !== 'waiting-on-school');

interface NewFollowUpProps {
  readonly studentId: string;
  readonly courseId: string;
  readonly itemId: string;
}

/** Talk with the child first: ways to begin, what was said, and when to look again. */
export function NewFollowUp({ studentId, courseId, itemId }: NewFollowUpProps) {
  const { t } = useTranslation();
  const format = useFormat();
  const router = useRouter();
  const { nameOf } = useChildren();
  const query = useItemQuery({ studentId, itemId });
  const [takeInHand, { isLoading, error }] = useTakeInHandMutation();
  const [step, setStep] = useState<FollowUpStep>('talked-over');
  const [note, setNote] = useState('');
  const [lookAgainOn, setLookAgainOn] = useState<string | null>(() => format.daysAhead(1));
  const hints = t('followUp.hints', { returnObjects: true }) as readonly string[]; // the catalogue's one list
  const save = async (title: string) => {
    const answer = await takeInHand({
      studentId,
      itemId,
      title,
      step,
      lookAgainOn,
      ...(note.trim() ? { note: note.trim() } : {}),
    });
    if (answer.data) router.replace(`/talk/follow-ups/${answer.data.id}`);
  };
  return (
    <Loaded query={query}>
      {(item) => (
        <Page>
          <BackLink href={`/courses/${studentId}/${courseId}/${itemId}`} label={item.title} />
          <Stack space={0.25}>
            <Heading level={1}>{t('matter.talk', { child: nameOf(studentId) })}</Heading>
            <Words colour="soft">{`${item.course.title} · ${item.title} · ${stateWords(t, item)}`}</Words>
          </Stack>
          <Stack space={0.25}>
            <Heading level={2}>{t('followUp.talkFirst')}</Heading>
            {hints.map((hint) => (
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
          <Stack space={0.5}>
            <Words size="small" bold>
              {t('followUp.step')}
            </Words>
            <Choice
              label={t('followUp.step')}
              options={stepsAtFirst.map((value) => ({ value, label: t(`steps.${value}`) }))}
              value={step}
              onChange={setStep}
            />
          </Stack>
          <LookAgain value={lookAgainOn} onChange={setLookAgainOn} />
          {error ? (
            <Words colour="plum" live>
              {problemWords(t, error)}
            </Words>
          ) : null}
          <Action main label={t('followUp.save')} onPress={() => void save(item.title)} busy={isLoading} />
        </Page>
      )}
    </Loaded>
  );
}
