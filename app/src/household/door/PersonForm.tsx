import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Action, Field, Stack, TickLine } from '../../ui';
import { rememberDoor } from './carried';
import { NewPasswordField } from './NewPasswordField';
import { EmailField } from './EmailField';
import { Trouble } from './Trouble';

export interface Person {
  readonly name: string;
  readonly email: string;
  readonly password: string;
  readonly keep: boolean;
}

/** Name, address and password in one step; what is missing is said before anything is asked. */
export function PersonForm({
  first,
  go,
  keeps,
  busy,
  error,
  onGo,
}: {
  first: Pick<Person, 'name' | 'email'>;
  go: string;
  /** Whether one is signed in by it. */
  keeps: boolean;
  busy: boolean;
  error: unknown;
  onGo: (person: Person) => void;
}) {
  const { t } = useTranslation();
  const [person, setPerson] = useState<Person>({ ...first, password: '', keep: false });
  const [incomplete, setIncomplete] = useState(false);
  const set = (some: Partial<Person>) => {
    setPerson({ ...person, ...some });
    const { password: _never, keep: _kept, ...kept } = some;
    rememberDoor(kept);
  };
  const submit = () => {
    const whole = [person.name, person.email, person.password].every((text) => text.trim() !== '');
    setIncomplete(!whole);
    if (whole) onGo({ ...person, name: person.name.trim(), email: person.email.trim() });
  };
  return (
    <Stack space={2}>
      <Field
        label={t('door.name')}
        hint={t('door.nameHint')}
        value={person.name}
        onChange={(name) => set({ name })}
        kind="name"
        longest={120}
      />
      <EmailField label={t('signIn.email')} value={person.email} onChange={(email) => set({ email })} />
      <NewPasswordField
        label={t('signIn.password')}
        value={person.password}
        onChange={(password) => set({ password })}
        onSubmit={submit}
      />
      {keeps ? (
        <TickLine label={t('signIn.keep')} on={person.keep} onChange={(keep) => set({ keep })} />
      ) : null}
      <Trouble error={error} words={incomplete ? t('door.incomplete') : null} />
      <Action main label={go} onPress={submit} busy={busy} />
    </Stack>
  );
}
