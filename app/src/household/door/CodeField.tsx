import { useTranslation } from 'react-i18next';
import { Field } from '../../ui';

/** Shorter than this is no code yet. */
const least = 4;

export const isCode = (text: string): boolean => text.trim().length >= least;

/** Where a code is typed. */
export function CodeField({
  value,
  onChange,
  onSubmit,
}: {
  value: string;
  onChange: (value: string) => void;
  onSubmit: () => void;
}) {
  const { t } = useTranslation();
  return (
    <Field
      label={t('door.code')}
      hint={t('door.codeHint')}
      value={value}
      onChange={onChange}
      longest={40}
      onSubmit={onSubmit}
    />
  );
}
