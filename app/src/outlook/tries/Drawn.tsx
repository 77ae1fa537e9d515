import type { TFunction } from 'i18next';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Fan } from '@cadro/core';
import { useFormat } from '../../household';
import { Action, FanChart, Heading, Row, Stack, Words } from '../../ui';
import type { TryOut } from './useTryOut';
import { scoresOf, type Moved } from './works';

/** What the fan takes for granted: the work that is published, and what the weeks so far let one expect beside it. */
function stillToCome(t: TFunction, { toCome, unpublished }: Fan): string {
  const known = t('tries.fanWork', { count: toCome });
  const more = Math.round(unpublished);
  return more > 0 ? t('tries.fanMore', { known, more }) : t('tries.fanKnown', { known });
}

/** The rest of the term, drawn ten thousand times: with the way done while it is drawn, and a way out. */
export function Drawn({
  child,
  moved,
  target,
  decimals,
  tryOut,
}: {
  /** The child's name; null on its own account. */
  child: string | null;
  moved: Moved;
  target: number | null;
  decimals: number;
  tryOut: TryOut;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const { drawing, fan, simulate, stop } = tryOut;
  const say = (value: number) => format.figure(value, decimals);
  const last = fan?.steps.at(-1);
  const sentence = last
    ? t('tries.fan', {
        date: format.day(last.at),
        low: say(last.lowMiddle),
        high: say(last.highMiddle),
        least: say(last.low),
        most: say(last.high),
      })
    : '';
  return (
    <Stack space={1.5}>
      <View>
        <Heading level={2}>{t('tries.simulate')}</Heading>
        <Words size="small" colour="soft">
          {child === null ? t('tries.simulateLeadOwn') : t('tries.simulateLead', { child })}
        </Words>
      </View>
      {drawing === null ? (
        <Action label={t('tries.simulate')} onPress={() => simulate(scoresOf(moved), target)} />
      ) : (
        <Row space={2}>
          <Words live>{t('tries.drawing', { share: format.percent(Math.round(drawing * 100) / 100) })}</Words>
          <Action label={t('tries.cancel')} onPress={stop} />
        </Row>
      )}
      {fan === null ? <Words live>{t('tries.fanNone')}</Words> : null}
      {fan ? (
        <>
          <FanChart fan={fan} target={target} label={sentence} figureOf={say} dayOf={format.day} />
          <Words live>{sentence}</Words>
          <Words size="small">{stillToCome(t, fan)}</Words>
          <Words bold>
            {fan.chance === null || target === null
              ? t('tries.chanceNoTarget')
              : t('tries.chance', { share: format.percent(fan.chance), target: say(target) })}
          </Words>
        </>
      ) : null}
    </Stack>
  );
}
