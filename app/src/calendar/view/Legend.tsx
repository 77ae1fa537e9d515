import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { StripKey } from '../../attendance';
import { ChildTag, useChildren } from '../../household';
import { Quietly, Row, styles, themed, useWide, Words } from '../../ui';
import { AwaySign } from './AwaySign';

const none = { absent: 0, unexplained: 0, late: 0, trip: 0, wholeDay: false };
const signs = [
  { key: 'unexplained', marks: { ...none, absent: 1, unexplained: 1 } },
  { key: 'explained', marks: { ...none, absent: 1 } },
  { key: 'late', marks: { ...none, late: 1 } },
  { key: 'trip', marks: { ...none, trip: 1 } },
] as const;

/** What the signs of a month say; on a phone, at a touch. */
export function Legend() {
  const { t } = useTranslation();
  const looks = useLooks();
  const { shown } = useChildren();
  const wide = useWide();
  const [open, setOpen] = useState(false);
  if (!wide && !open) return <Quietly label={t('calendar.key.title')} onPress={() => setOpen(true)} />;
  return (
    <View role="group" aria-label={t('calendar.key.title')} style={styles.gap4}>
      <Row wrap space={1.5}>
        {shown.length > 1 ? shown.map(({ id }) => <ChildTag key={id} studentId={id} />) : null}
        {(shown.length > 1 ? signs : []).map(({ key, marks }) => (
          <Row key={key} space={0.5}>
            <AwaySign marks={marks} />
            <Words size="small" colour="soft">
              {t(`calendar.key.${key}`)}
            </Words>
          </Row>
        ))}
        <Row space={0.5}>
          <View style={looks.count}>
            <Words size="small" bold colour="paper">
              5
            </Words>
          </View>
          <Words size="small" colour="soft">
            {t('calendar.key.cluster')}
          </Words>
        </Row>
      </Row>
      {shown.length > 1 ? null : <StripKey />}
      <Words size="small" colour="soft">
        {t('calendar.key.numbers')}
      </Words>
    </View>
  );
}

const useLooks = themed((palette) => ({
  count: { backgroundColor: palette.ink, borderRadius: 3, paddingHorizontal: 4 },
}));
