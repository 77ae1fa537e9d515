import { useTranslation } from 'react-i18next';
import { Field } from '../../ui';

/** For the code that an authenticator app shows. */
export function OneTimeField(given: {
  hint: string;
  value: string;
  onChange: (code: string) => void;
  onSubmit: () => void;
}) {
  const { t } = useTranslation();
  return <Field label={t('signIn.secondCode')} kind="oneTime" longest={40} {...given} />;
}
