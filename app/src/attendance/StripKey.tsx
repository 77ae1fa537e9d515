import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { DayStrip, Row, Words, type Bar } from '../ui';

const sample = (kind: Bar['kind'], excused = false): Bar => ({ period: '1', kind, excused });
const samples = [
  sample('present'),
  sample('absent'),
  sample('absent', true),
  sample('tardy'),
  sample('activity'),
  sample(null),
];

/** What the bars of a day strip say. */
export function StripKey() {
  const { t } = useTranslation();
  const word = ({ kind, excused }: Bar) =>
    kind === null ? t('days.keyUnknown') : t(`days.kinds.${kind === 'absent' && excused ? 'excused' : kind}`);
  return (
    <View role="group" aria-label={t('days.key')}>
      <Row wrap space={1.5}>
        {samples.map((mark) => (
          <Row key={word(mark)} space={0.75}>
            <View aria-hidden>
              <DayStrip marks={[mark]} label="" size="small" />
            </View>
            <Words size="small" colour="soft">
              {word(mark)}
            </Words>
          </Row>
        ))}
      </Row>
    </View>
  );
}
