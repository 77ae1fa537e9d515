import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { FollowUp, HandTo } from '@cadro/contract';
import { Trouble, useChildren } from '../household';
import { Action, Choice, Field, Heading, Quietly, Row, Stack, Words } from '../ui';
import { ownerWords } from './ownerWords';
import { useNow } from './useNow';

/** Somebody asks this guardian to take it on: yes, or back to them with a word. */
function Reply({ followUp }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  const { now, isLoading, error } = useNow(followUp);
  const [note, setNote] = useState('');
  const word = note.trim() ? { note: note.trim() } : {};
  return (
    <Stack space={1}>
      {followUp.asked?.word ? <Words>{t('matter.quote', { text: followUp.asked.word })}</Words> : null}
      <Field label={t('followUp.word')} value={note} onChange={setNote} longest={500} />
      <Row wrap space={2}>
        <Action
          main
          label={t('followUp.accept')}
          busy={isLoading}
          onPress={() => void now({ reply: 'accept', ...word })}
        />
        <Quietly label={t('followUp.giveBack')} onPress={() => void now({ reply: 'return', ...word })} />
      </Row>
      <Trouble error={error} />
    </Stack>
  );
}

const keyOf = (to: HandTo): string => (to.kind === 'guardian' ? to.id : to.kind);

/** To whom it can be handed, with a word. */
function Hand({ followUp, onDone }: { followUp: FollowUp; onDone: () => void }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const { now, isLoading, error } = useNow(followUp);
  const [note, setNote] = useState('');
  const receivers: readonly { to: HandTo; label: string }[] = [
    ...followUp.others.map(({ id, name }) => ({ to: { kind: 'guardian' as const, id }, label: name })),
    { to: { kind: 'everyone' }, label: t('followUp.everyone') },
    { to: { kind: 'child' }, label: nameOf(followUp.studentId) },
  ];
  const [chosen, setChosen] = useState('');
  // Whoever was chosen may have taken it on meanwhile, and is no choice any more.
  const handTo = (receivers.find(({ to }) => keyOf(to) === chosen) ?? receivers[0])?.to;
  const hand = async () => {
    if (handTo && (await now({ handTo, ...(note.trim() ? { note: note.trim() } : {}) }))) onDone();
  };
  return (
    <Stack space={1}>
      <Choice
        titled
        label={t('followUp.handTo')}
        options={receivers.map(({ to, label }) => ({ value: keyOf(to), label }))}
        value={handTo ? keyOf(handTo) : ''}
        onChange={setChosen}
      />
      <Field label={t('followUp.word')} value={note} onChange={setNote} longest={500} />
      <Row wrap space={2}>
        <Action label={t('followUp.hand')} busy={isLoading} onPress={() => void hand()} />
        <Quietly label={t('followUp.keepIt')} onPress={onDone} />
      </Row>
      <Trouble error={error} />
    </Stack>
  );
}

/** Who has it, who asked whom, and the way to hand it over. */
export function HandOver({ followUp }: { followUp: FollowUp }) {
  const { t } = useTranslation();
  const { nameOf, mayTalk } = useChildren();
  const [handing, setHanding] = useState(false);
  const may = mayTalk(followUp.studentId) && followUp.step !== 'settled';
  return (
    <Stack space={1}>
      <Heading level={2}>{t('followUp.whose')}</Heading>
      <Words live>{ownerWords(t, followUp, nameOf(followUp.studentId))}</Words>
      {may && followUp.askedOfMe ? <Reply followUp={followUp} /> : null}
      {may && !followUp.askedOfMe && !handing ? (
        <Quietly label={t('followUp.handOver')} onPress={() => setHanding(true)} />
      ) : null}
      {may && handing ? <Hand followUp={followUp} onDone={() => setHanding(false)} /> : null}
    </Stack>
  );
}
