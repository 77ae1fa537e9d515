import { useTranslation } from 'react-i18next';
import { useFormat } from '../household';
import { Choice } from '../ui';

const daysAhead = [1, 2, 3, 5, 7] as const;

/** The date on which a follow-up comes back by itself: one of the next days, or none. */
export function LookAgain({
  value,
  onChange,
}: {
  value: string | null;
  onChange: (date: string | null) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const dates = daysAhead.map((days) => format.daysAhead(days));
  const offered = value && !dates.includes(value) ? [value, ...dates] : dates;
  const options = [
    ...offered.map((date) => ({
      value: date,
      label: date === dates[0] ? `${t('followUp.tomorrow')}, ${format.day(date)}` : format.day(date),
    })),
    { value: '', label: t('followUp.noDate') },
  ];
  return (
    <Choice
      titled
      label={t('followUp.lookAgain')}
      options={options}
      value={value ?? ''}
      onChange={(date) => onChange(date || null)}
    />
  );
}
