import { addMonths } from 'date-fns/addMonths';
import { lightFormat as stamp } from 'date-fns/lightFormat';
import { parseISO } from 'date-fns/parseISO';
import { useState } from 'react';
import { StyleSheet, Pressable, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { themed } from '../theme/themed';
import { styles } from '../theme/styles';
import { Row, Stack } from '../Layout';
import { touch } from '../theme/palette';
import { Words } from '../Words';
import { Action } from './Controls';
import { Quietly } from './Quietly';
import { MonthGrid } from './MonthGrid';

interface PickDayProps {
  readonly label: string;
  /** `2026-10-22`, or null for none. */
  readonly value: string | null;
  /** The month that is shown first when there is no value. */
  readonly today: string;
  readonly onChange: (on: string | null) => void;
  /** How a day is written. */
  readonly dayLong: (on: string) => string;
  readonly monthName: (on: string) => string;
  /** Whether it can be taken away again. */
  readonly optional?: boolean;
  /** Earlier days cannot be chosen. */
  readonly from?: string | null;
}

function DayButton({
  on,
  label,
  chosen,
  disabled,
  onPress,
}: {
  on: string;
  label: string;
  chosen: boolean;
  disabled: boolean;
  onPress: () => void;
}) {
  const looks = useLooks();
  return (
    <Pressable
      role="button"
      aria-label={label}
      aria-pressed={chosen}
      disabled={disabled}
      onPress={onPress}
      style={[looks.day, chosen && looks.chosen]}
    >
      <Words bold={chosen} colour={chosen ? 'paper' : disabled ? 'soft' : 'ink'}>
        {Number(on.slice(8))}
      </Words>
    </Pressable>
  );
}

/** One day out of a month that opens below its button. */
export function PickDay(props: PickDayProps) {
  const { label, value, today, onChange, dayLong, monthName, optional, from } = props;
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const [month, setMonth] = useState((value ?? today).slice(0, 7));
  const move = (by: number) => setMonth(stamp(addMonths(parseISO(`${month}-01`), by), 'yyyy-MM'));
  return (
    <View style={styles.gap4}>
      <Words size="small" bold>
        {label}
      </Words>
      <Row wrap>
        <Action
          label={value ? dayLong(value) : t('pickDay.choose')}
          onPress={() => {
            setMonth((value ?? today).slice(0, 7));
            setOpen(!open);
          }}
          open={open}
        />
        {optional && value ? <Quietly label={t('pickDay.none')} onPress={() => onChange(null)} /> : null}
      </Row>
      {open ? (
        <Stack space={0.5} style={own.month}>
          <Row style={styles.apart}>
            <Quietly label={t('days.earlier')} onPress={() => move(-1)} />
            <Words bold>{monthName(`${month}-01`)}</Words>
            <Quietly label={t('days.later')} onPress={() => move(1)} />
          </Row>
          <MonthGrid
            month={month}
            label={monthName(`${month}-01`)}
            cell={(on, outside) =>
              outside ? (
                <View style={own.touch} />
              ) : (
                <DayButton
                  on={on}
                  label={dayLong(on)}
                  chosen={on === value}
                  disabled={Boolean(from && on < from)}
                  onPress={() => {
                    onChange(on);
                    setOpen(false);
                  }}
                />
              )
            }
          />
        </Stack>
      ) : null}
    </View>
  );
}

const own = StyleSheet.create({
  month: { maxWidth: 380 },
  touch: { minHeight: touch },
});

const useLooks = themed((palette) => ({
  day: { minHeight: touch, alignItems: 'center', justifyContent: 'center', borderRadius: 6 },
  chosen: { backgroundColor: palette.ink },
}));
