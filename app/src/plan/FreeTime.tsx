import { useState, type ComponentProps } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Plan } from '@cadro/contract';
import { Field, Row, Stack, Words } from '../ui';
import { useSetEveningsMutation } from './api';

/** Whole minutes of a day; null for what is none. */
function minutesOf(text: string): number | null {
  const value = Number(text.trim());
  return text.trim() !== '' && Number.isInteger(value) && value >= 0 && value <= 1440 ? value : null;
}

/** A field for minutes that tells when it is left. */
export function MinutesField({
  label,
  hidden,
  minutes,
  typed,
  onType,
  onSave,
}: {
  label: string;
  /** Whether the label is said alone. */
  hidden?: boolean;
  minutes: number;
  /** What is being typed, or null for nothing: the field shows its minutes then, whatever they become meanwhile. */
  typed: string | null;
  onType: (text: string | null) => void;
  onSave: (minutes: number) => void;
}) {
  const save = () => {
    const value = typed === null ? null : minutesOf(typed);
    onType(null);
    if (value !== null && value !== minutes) onSave(value);
  };
  return (
    <View style={own.figure} onBlur={save}>
      <Field
        label={label}
        hidden={hidden ?? false}
        value={typed ?? String(minutes)}
        onChange={onType}
        onSubmit={save}
        longest={4}
      />
    </View>
  );
}

/** A field of minutes that holds what is typed itself: it stands where it is for as long as the page does. */
export function OwnMinutesField(props: Omit<ComponentProps<typeof MinutesField>, 'typed' | 'onType'>) {
  const [typed, setTyped] = useState<string | null>(null);
  return <MinutesField {...props} typed={typed} onType={setTyped} />;
}

/** Seven days of a week that begins on Monday, as weekday numbers. */
const week = [1, 2, 3, 4, 5, 6, 0] as const;
/** A date of each weekday, to have its name in the reader's language. */
const named = (weekday: number): string => `2026-11-0${weekday + 1}`;

/** The free minutes of each weekday. Single evenings that differ are set where they stand. */
export function FreeTime({ studentId, plan }: { studentId: string; plan: Plan }) {
  const { t, i18n } = useTranslation();
  const [setEvenings] = useSetEveningsMutation();
  const nameOf = (weekday: number) =>
    new Intl.DateTimeFormat(i18n.language, { weekday: 'short', timeZone: 'UTC' }).format(
      new Date(`${named(weekday)}T12:00:00Z`),
    );
  return (
    <Stack space={0.5}>
      <Words size="small" bold>
        {t('plan.pattern')}
      </Words>
      <Row wrap space={1.5}>
        {week.map((weekday) => (
          <OwnMinutesField
            key={weekday}
            label={nameOf(weekday)}
            minutes={plan.pattern[weekday] ?? 0}
            onSave={(minutes) =>
              void setEvenings({
                studentId,
                pattern: plan.pattern.map((each, index) => (index === weekday ? minutes : each)),
              })
            }
          />
        ))}
      </Row>
    </Stack>
  );
}

const own = StyleSheet.create({
  figure: { width: 96 },
});
