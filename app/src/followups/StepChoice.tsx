import { useTranslation } from 'react-i18next';
import type { FollowUpStep } from '@cadro/contract';
import { Choice } from '../ui';

/** Where a follow-up stands: one of the given steps. */
export function StepChoice({
  steps,
  value,
  onChange,
}: {
  steps: readonly FollowUpStep[];
  value: FollowUpStep;
  onChange: (step: FollowUpStep) => void;
}) {
  const { t } = useTranslation();
  const options = steps.map((step) => ({ value: step, label: t(`steps.${step}`) }));
  return <Choice titled label={t('followUp.step')} options={options} value={value} onChange={onChange} />;
}
