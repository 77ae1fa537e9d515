import { useState } from 'react';
import { Modal } from 'react-native';
import { useTranslation } from 'react-i18next';
import { DoorFrame } from './DoorFrame';
import { SecondStep } from './SecondStep';
import { SignInForm } from './SignIn';

/** On top of a page whose session has ended: it stays as it is underneath, with what was typed. */
export function SignInAgain() {
  const { t } = useTranslation();
  const [second, setSecond] = useState(false);
  return (
    <Modal visible animationType="none">
      {second ? (
        <SecondStep onBack={() => setSecond(false)} />
      ) : (
        <DoorFrame title={t('signIn.againTitle')} lead={t('signIn.againLead')}>
          <SignInForm onSecond={() => setSecond(true)} />
        </DoorFrame>
      )}
    </Modal>
  );
}
