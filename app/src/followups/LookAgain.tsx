import { useTranslation } from 'react-i18next';
import { useFormat } from '../household';
import { Choice } from '../ui';

/** A day, a fact, or neither. */
export type Look = string | 'graded' | null;

const daysAhead = [1, 2, 3, 5, 7] as const;

/** When a follow-up comes back by itself: on one of the next days, once its assignment is graded, or not at all. */
export function LookAgain({
  value,
  byGrade = false,
  onChange,
}: {
  value: Look;
  /** Whether it is about an assignment that can be graded. */
  byGrade?: boolean;
  onChange: (look: Look) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const dates = daysAhead.map((days) => format.daysAhead(days));
  const offered = value && value !== 'graded' && !dates.includes(value) ? [value, ...dates] : dates;
  const options = [
    ...offered.map((date) => ({
      value: date,
      label: date === dates[0] ? `${t('followUp.tomorrow')}, ${format.day(date)}` : format.day(date),
    })),
    ...(byGrade ? [{ value: 'graded', label: t('followUp.whenGraded') }] : []),
    { value: '', label: t('followUp.noDate') },
  ];
  return (
    <Choice
      titled
      label={t('followUp.lookAgain')}
      options={options}
      value={value ?? ''}
      onChange={(chosen) => onChange(chosen || null)}
    />
  );
}
