import { Field } from '../../ui';

/** Where an e-mail address is typed; as long as one can be. */
export function EmailField({
  label,
  value,
  onChange,
  hint,
  onSubmit,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  hint?: string;
  onSubmit?: () => void;
}) {
  return (
    <Field
      label={label}
      value={value}
      onChange={onChange}
      kind="email"
      longest={320}
      {...(hint ? { hint } : {})}
      {...(onSubmit ? { onSubmit } : {})}
    />
  );
}
