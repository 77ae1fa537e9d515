import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Action, Heading, LinkAction, Page, Stack, Words } from '../ui';
import { useStopMailMutation, useTakeUpMailMutation } from './api';

/** Where the link at the foot of each mail leads: mail is stopped here, without signing in, and taken up again. */
export function MailStopScreen({ token }: { token: string }) {
  const { t } = useTranslation();
  const [state, setState] = useState<'asked' | 'stopped' | 'running' | 'wrong'>('asked');
  const [stop, stopping] = useStopMailMutation();
  const [takeUp, taking] = useTakeUpMailMutation();
  const busy = stopping.isLoading || taking.isLoading;
  const press = async (what: typeof stop | typeof takeUp, then: 'stopped' | 'running') => {
    const answer = await what(token);
    setState('error' in answer ? 'wrong' : then);
  };
  return (
    <Page>
      <Stack>
        <Heading level={1}>{t('mailStop.title')}</Heading>
        <Words live colour={state === 'wrong' ? 'plum' : 'ink'}>
          {t(state === 'asked' ? 'mailStop.lead' : `mailStop.${state}`)}
        </Words>
      </Stack>
      {state === 'stopped' ? (
        <Action label={t('mailStop.again')} busy={busy} onPress={() => void press(takeUp, 'running')} />
      ) : (
        <Action main label={t('mailStop.stop')} busy={busy} onPress={() => void press(stop, 'stopped')} />
      )}
      <LinkAction label={t('mailStop.toApp')} href="/brief" />
    </Page>
  );
}
