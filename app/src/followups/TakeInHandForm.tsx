import { useRouter, type Href } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { followUpSteps, type NewFollowUp } from '@cadro/contract';
import { Begun, BegunLine, useChildren, useFormat, type Writing } from '../household';
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

type Beginning = { note: string; step: string; lookAgainOn: string };

/** Where taking it in hand goes on. */
const placeOf = ({ studentId, courseId, itemId, itemIds }: Subject['about']): string =>
  `/talk/new?${[
    `studentId=${studentId}`,
    ...(courseId ? [`courseId=${courseId}`] : []),
    ...(itemId ? [`itemId=${itemId}`] : []),
    ...(itemIds ? [`itemIds=${itemIds.join(',')}`] : []),
  ].join('&')}`;

/** Talk with the child first: ways to begin, what was said, and when to look again. */
function Form({ about, title, line, back, hints, writing }: Subject & { writing: Writing<Beginning> }) {
  const { t } = useTranslation();
  const router = useRouter();
  const { nameOf } = useChildren();
  const [takeInHand, { isLoading, error }] = useTakeInHandMutation();
  const { note } = writing.fields;
  const step = stepsAtFirst.find((each) => each === writing.fields.step) ?? 'talked-over';
  const lookAgainOn = writing.fields.lookAgainOn || null;
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
    if (!answer.data) return;
    writing.done();
    router.replace(`/talk/follow-ups/${answer.data.id}`);
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
        onChange={(changed) => writing.set({ note: changed })}
        lines={3}
        longest={20_000}
      />
      <StepChoice steps={stepsAtFirst} value={step} onChange={(changed) => writing.set({ step: changed })} />
      <LookAgain value={lookAgainOn} onChange={(changed) => writing.set({ lookAgainOn: changed ?? '' })} />
      <BegunLine writing={writing} />
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

/** A matter is taken in hand; what is written of it is kept meanwhile. */
export function TakeInHandForm(subject: Subject) {
  const format = useFormat();
  const { about, title } = subject;
  const place = placeOf(about);
  const { studentId, courseId, itemId, itemIds = [], topic } = about;
  const key = ['take', studentId, itemId ?? (itemIds.join('+').slice(0, 200) || courseId) ?? topic].join(':');
  return (
    <Begun
      about={{ key, studentId, kind: 'follow-up', title, place }}
      fresh={{ note: '', step: 'talked-over', lookAgainOn: format.daysAhead(1) }}
    >
      {(writing) => <Form {...subject} writing={writing} />}
    </Begun>
  );
}
