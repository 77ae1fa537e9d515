import type { TFunction } from 'i18next';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Fan } from '@cadro/core';
import { useFormat } from '../../household';
import { FanChart, Heading, Quietly, Row, Stack, Words } from '../../ui';
import type { TryOut } from './useTryOut';

/** What the fan takes for granted: the work that is published, and what the weeks so far let one expect beside it. */
function stillToCome(t: TFunction, { toCome, unpublished }: Fan): string {
  const known = t('tries.fanWork', { count: toCome });
  const more = Math.round(unpublished);
  return more > 0 ? t('tries.fanMore', { known, more }) : t('tries.fanKnown', { known });
}

/** Where the fan ends, in a sentence. */
function useFanWords(fan: Fan | null, decimals: number): string {
  const { t } = useTranslation();
  const format = useFormat();
  const say = (value: number) => format.figure(value, decimals);
  const last = fan?.steps.at(-1);
  return last
    ? t('tries.fan', {
        date: format.day(last.at),
        low: say(last.lowMiddle),
        high: say(last.highMiddle),
        least: say(last.low),
        most: say(last.high),
      })
    : '';
}

/** The fan, under the figure that the sliders move. */
export function FanOf({ fan, target, decimals }: { fan: Fan; target: number | null; decimals: number }) {
  const format = useFormat();
  const label = useFanWords(fan, decimals);
  const figureOf = (value: number) => format.figure(value, decimals);
  return <FanChart {...{ fan, target, label, figureOf }} dayOf={format.day} />;
}

/** The rest of the term, drawn ten thousand times: with the way done while it is drawn, and a way out. */
export function Drawn({
  child,
  target,
  decimals,
  tryOut,
}: {
  /** The child's name; null on its own account. */
  child: string | null;
  target: number | null;
  decimals: number;
  tryOut: TryOut;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const { drawing, fan, stop } = tryOut;
  const say = (value: number) => format.figure(value, decimals);
  const sentence = useFanWords(fan ?? null, decimals);
  return (
    <Stack space={1.5}>
      <View>
        <Heading level={2}>{t('tries.simulate')}</Heading>
        <Words size="small" colour="soft">
          {child === null ? t('tries.simulateLeadOwn') : t('tries.simulateLead', { child })}
        </Words>
      </View>
      {drawing === null ? null : (
        <Row space={2}>
          <Words live>{t('tries.drawing', { share: format.percent(Math.round(drawing * 100) / 100) })}</Words>
          <Quietly label={t('tries.cancel')} onPress={stop} />
        </Row>
      )}
      {fan === null ? <Words live>{t('tries.fanNone')}</Words> : null}
      {fan ? (
        <>
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
