import { useTranslation } from 'react-i18next';
import type { CodeMeaning } from '@cadro/contract';
import { Choice } from '../../ui';

const names = ['present', 'excused', 'absent', 'tardy', 'activity', 'closed'] as const;
export type MeaningName = (typeof names)[number];

export const meanings: Readonly<Record<MeaningName, Omit<CodeMeaning, 'code'>>> = {
  present: { kind: 'present', excused: false },
  excused: { kind: 'absent', excused: true },
  absent: { kind: 'absent', excused: false },
  tardy: { kind: 'tardy', excused: false },
  activity: { kind: 'activity', excused: true },
  closed: { kind: 'closed', excused: false },
};

/** What a code of a school can mean, one of six. */
export function MeaningChoice({
  code,
  value,
  onChange,
}: {
  code: string;
  value: MeaningName;
  onChange: (name: MeaningName) => void;
}) {
  const { t } = useTranslation();
  const options = names.map((name) => ({ value: name, label: t(`days.kinds.${name}`) }));
  return (
    <Choice label={t('days.unknownTitle', { code })} options={options} value={value} onChange={onChange} />
  );
}
