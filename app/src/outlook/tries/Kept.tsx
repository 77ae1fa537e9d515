import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Tries } from '@cadro/contract';
import { problemWords } from '../../i18n';
import { useFormat } from '../../household';
import { Action, Field, Heading, Quietly, Row, Stack, Words } from '../../ui';
import { useForgetTryMutation, useKeepTryMutation } from '../api';
import type { TryOut } from './useTryOut';
import { scoresOf, type Moved } from './works';

/** Kept tries beside each other, each with the figure it would come to; and a name for the one on the sliders. */
export function Kept({
  place,
  tries,
  moved,
  decimals,
  target,
  tryOut,
  mayKeep,
  onShow,
}: {
  place: { studentId: string; courseId: string };
  tries: Tries;
  moved: Moved;
  decimals: number;
  target: number | null;
  tryOut: TryOut;
  mayKeep: boolean;
  onShow: (moved: Moved) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const [name, setName] = useState('');
  const [keep, { isLoading, error }] = useKeepTryMutation();
  const [forget] = useForgetTryMutation();
  const { ask, tried } = tryOut;
  useEffect(() => {
    for (const { id, scores } of tries.tries) ask(id, scores, target);
  }, [tries.tries, target, ask]);
  const some = Object.keys(moved).length > 0;
  const save = async () => {
    const answer = await keep({ ...place, name: name.trim(), scores: scoresOf(moved) });
    if (!answer.error) setName('');
  };
  return (
    <Stack space={1.5}>
      {some && mayKeep ? (
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
      ) : null}
      {tries.tries.length > 0 ? (
        <View>
          <Heading level={2}>{t('tries.kept')}</Heading>
          {tries.tries.map(({ id, name: title, scores }) => (
            <Row key={id} wrap space={2} style={{ justifyContent: 'space-between' }}>
              <Words bold>
                {t('tries.figureOf', {
                  name: title,
                  figure: format.figure(tried[id]?.display ?? null, decimals),
                })}
              </Words>
              <Row space={2}>
                <Quietly
                  label={t('tries.showTry')}
                  hint={title}
                  onPress={() =>
                    onShow(Object.fromEntries(scores.map(({ itemId, earned }) => [itemId, earned])))
                  }
                />
                {mayKeep ? (
                  <Quietly
                    label={t('tries.forget')}
                    hint={title}
                    onPress={() => void forget({ ...place, tryId: id })}
                  />
                ) : null}
              </Row>
            </Row>
          ))}
        </View>
      ) : null}
    </Stack>
  );
}
