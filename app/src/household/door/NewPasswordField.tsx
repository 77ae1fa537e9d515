import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Field, TickLine } from '../../ui';

/** A password that is being chosen: with a word on what is strong, and a way to see it. */
export function NewPasswordField({
  label,
  value,
  onChange,
  onSubmit,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  onSubmit?: () => void;
}) {
  const { t } = useTranslation();
  const [shown, setShown] = useState(false);
  return (
    <>
      <Field
        label={label}
        hint={t('door.passwordHint')}
        value={value}
        onChange={onChange}
        kind="newPassword"
        shown={shown}
        longest={200}
        {...(onSubmit ? { onSubmit } : {})}
      />
      <TickLine label={t('door.show')} on={shown} onChange={setShown} />
    </>
  );
}
