import { memo } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useFormat } from '../../household';
import { Quietly, Row, Slider, styles, Tick, Words } from '../../ui';
import { stepOf, type TryWork } from './works';

/** One work with its slider: what it has, and what it is tried at. */
export const ScoreSlider = memo(function ScoreSlider({
  work,
  moved,
  picked,
  onMove,
  onPick,
}: {
  work: TryWork;
  moved: number | undefined;
  picked: boolean;
  onMove: (id: string, earned: number | null) => void;
  onPick: (id: string, on: boolean) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const { id, title, possible, earned, dueAt } = work;
  const words = (value: number) =>
    t('tries.score', { earned: format.amount(value), possible: format.amount(possible) });
  const stands = earned === null ? t('tries.notMarked') : words(earned);
  const value = moved ?? earned ?? 0;
  return (
    <Row space={0.5} style={styles.top}>
      <Tick label={t('tries.pick', { title })} on={picked} onChange={(on) => onPick(id, on)} />
      <View style={styles.fill}>
        <Row style={own.head}>
          <Words bold style={styles.shrink}>
            {title}
          </Words>
          {moved === undefined ? (
            <Words size="small" colour="soft" style={styles.shrink}>
              {[...(dueAt ? [format.day(dueAt)] : []), stands].join(' · ')}
            </Words>
          ) : (
            <Words bold colour="teal">
              {words(moved)}
            </Words>
          )}
        </Row>
        <Slider
          label={t('tries.scoreOf', { title })}
          value={value}
          most={possible}
          step={stepOf(possible)}
          said={moved === undefined ? stands : words(moved)}
          onChange={(next) => onMove(id, next)}
        />
        {/* Below, so that the slider stays as long as it is under the finger. */}
        {moved === undefined ? null : (
          <Quietly label={t('tries.undo')} hint={title} onPress={() => onMove(id, null)} />
        )}
      </View>
    </Row>
  );
});

const own = StyleSheet.create({
  head: {
    justifyContent: 'space-between',
    alignItems: 'baseline',
    flexWrap: 'wrap',
    rowGap: 0,
    paddingTop: 10,
  },
});
