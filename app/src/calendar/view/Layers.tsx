import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { calendarLayers } from '@cadro/contract';
import { layerSwitched, useAppDispatch, useAppSelector } from '../../store';
import { Quietly, styles, TickLine } from '../../ui';

/** Which layers are in sight; the choice is kept on this device. */
export function Layers() {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const hidden = useAppSelector((state) => state.prefs.hiddenLayers);
  const [open, setOpen] = useState(false);
  const count = calendarLayers.length - hidden.length;
  const label =
    hidden.length === 0
      ? t('calendar.allLayers')
      : t('calendar.someLayers', { count, of: calendarLayers.length });
  return (
    <View>
      <Quietly label={label} onPress={() => setOpen(!open)} open={open} />
      {open ? (
        <View role="group" aria-label={t('calendar.layers')} style={styles.flow}>
          {calendarLayers.map((layer) => (
            <TickLine
              key={layer}
              small
              width={170}
              label={t(`calendar.layer.${layer}`)}
              on={!hidden.includes(layer)}
              onChange={() => dispatch(layerSwitched(layer))}
            />
          ))}
        </View>
      ) : null}
    </View>
  );
}
