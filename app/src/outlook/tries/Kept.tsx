import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Tries } from '@cadro/contract';
import { problemWords } from '../../i18n';
import { useFormat } from '../../household';
import { Action, Field, Heading, Quietly, Row, Stack, styles, Words } from '../../ui';
import { useForgetTryMutation, useKeepTryMutation } from '../api';
import type { TryOut } from './useTryOut';
import { scoresOf, type Moved } from './works';

interface Place {
  readonly studentId: string;
  readonly courseId: string;
}

/** A name for the try on the sliders. */
function KeepIt({ place, moved }: { place: Place; moved: Moved }) {
  const { t } = useTranslation();
  const [name, setName] = useState('');
  const [keep, { isLoading, error }] = useKeepTryMutation();
  const save = async () => {
    const answer = await keep({ ...place, name: name.trim(), scores: scoresOf(moved) });
    if (!answer.error) setName('');
  };
  return (
    <Stack space={1}>
      <Field label={t('tries.name')} value={name} onChange={setName} longest={80} />
      <Action
        label={t('tries.keep')}
        busy={isLoading}
        disabled={name.trim() === ''}
        onPress={() => void save()}
      />
      {error ? <Words colour="plum">{problemWords(t, error)}</Words> : null}
    </Stack>
  );
}

/** A kept try: the figure it would come to, and the ways to see it again or to drop it. */
function KeptTry({
  kept: { id, name, scores },
  figure,
  onShow,
  onForget,
}: {
  kept: Tries['tries'][number];
  figure: string;
  onShow: (moved: Moved) => void;
  onForget: ((tryId: string) => void) | null;
}) {
  const { t } = useTranslation();
  const show = () => onShow(Object.fromEntries(scores.map(({ itemId, earned }) => [itemId, earned])));
  return (
    <Row wrap space={2} style={styles.apart}>
      <Words bold>{t('tries.figureOf', { name, figure })}</Words>
      <Row space={2}>
        <Quietly label={t('tries.showTry')} hint={name} onPress={show} />
        {onForget ? <Quietly label={t('tries.forget')} hint={name} onPress={() => onForget(id)} /> : null}
      </Row>
    </Row>
  );
}

/** Kept tries beside each other, each with the figure it would come to; and a name for the one on the sliders. */
export function Kept({
  place,
  tries,
  moved,
  decimals,
  target,
  tryOut,
  mayKeep,
  child,
  onShow,
}: {
  place: Place;
  tries: Tries;
  moved: Moved;
  decimals: number;
  target: number | null;
  tryOut: TryOut;
  mayKeep: boolean;
  /** The child's name. */
  child: string;
  onShow: (moved: Moved) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const [forget] = useForgetTryMutation();
  const { ask, tried } = tryOut;
  useEffect(() => {
    for (const { id, scores } of [...tries.tries, ...(tries.childs?.tries ?? [])]) ask(id, scores, target);
  }, [tries, target, ask]);
  const list = (title: string, kept: Tries['tries'], onForget: ((tryId: string) => void) | null) =>
    kept.length > 0 ? (
      <View>
        <Heading level={2}>{title}</Heading>
        {kept.map((each) => (
          <KeptTry
            key={each.id}
            kept={each}
            figure={format.figure(tried[each.id]?.display ?? null, decimals)}
            {...{ onShow, onForget }}
          />
        ))}
      </View>
    ) : null;
  return (
    <Stack space={1.5}>
      {mayKeep && Object.keys(moved).length > 0 ? <KeepIt place={place} moved={moved} /> : null}
      {list(t('tries.kept'), tries.tries, mayKeep ? (tryId) => void forget({ ...place, tryId }) : null)}
      {list(t('desk.from.tries', { child }), tries.childs?.tries ?? [], null)}
    </Stack>
  );
}
