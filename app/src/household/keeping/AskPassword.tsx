import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Action, Field, Row, Stack, Words } from '../../ui';
import { Trouble } from '../door/Trouble';

/**
 * What needs the password anew: a button, and behind it the fields of what is wanted with the password.
 * @param onGo does it; what it answers says whether the form may close.
 */
export function AskPassword({
  label,
  go,
  fields,
  ready = true,
  busy,
  error,
  onGo,
}: {
  label: string;
  go: string;
  fields?: ReactNode;
  ready?: boolean;
  busy: boolean;
  error: unknown;
  onGo: (password: string) => Promise<boolean>;
}) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const [password, setPassword] = useState('');
  const close = () => {
    setOpen(false);
    setPassword('');
  };
  const submit = async () => {
    if (await onGo(password)) close();
  };
  if (!open) return <Action label={label} onPress={() => setOpen(true)} />;
  return (
    <Stack space={1.5}>
      {fields}
      <Words size="small" colour="soft">
        {t('safety.confirmIt')}
      </Words>
      <Field
        label={t('safety.current')}
        value={password}
        onChange={setPassword}
        kind="password"
        longest={200}
        onSubmit={() => void submit()}
      />
      <Trouble error={error} />
      <Row wrap>
        <Action
          main
          label={go}
          onPress={() => void submit()}
          busy={busy}
          disabled={password === '' || !ready}
        />
        <Action label={t('safety.cancel')} onPress={close} />
      </Row>
    </Stack>
  );
}
