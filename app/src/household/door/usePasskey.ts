import type { startAuthentication } from '@simplewebauthn/browser';
import { useState } from 'react';
import { useAskForPasskeyMutation, usePasskeyStepMutation } from './api';

type AuthenticationOptions = Parameters<typeof startAuthentication>[0]['optionsJSON'];

/** Whether this browser can hold and use passkeys. */
export const passkeysWork = (): boolean => typeof globalThis.PublicKeyCredential === 'function';

/** Shows who one is by a passkey: as the way in, or as the second step. */
export function usePasskey() {
  const [ask, asked] = useAskForPasskeyMutation();
  const [step, stepped] = usePasskeyStepMutation();
  const [failed, setFailed] = useState(false);
  const use = async (keep: boolean) => {
    setFailed(false);
    const begun = await ask(keep);
    if (!begun.data) return setFailed(true);
    try {
      // What the server's package has made is what the browser's takes.
      const options = begun.data.options as AuthenticationOptions;
      const { startAuthentication } = await import('@simplewebauthn/browser');
      const answer = await step({ answer: await startAuthentication({ optionsJSON: options }) });
      setFailed('error' in answer);
    } catch {
      setFailed(true); // the device was not confirmed, or has no such key
    }
  };
  return { use, failed, busy: asked.isLoading || stepped.isLoading };
}
