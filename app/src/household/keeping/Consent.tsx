import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Action, Heading, OutLink, Page, Stack, WayOn, Words } from '../../ui';
import { useAgreeMutation, useMeQuery } from '../api';
import { Trouble } from '../door/Trouble';

/**
 * What the operator asks everybody to agree to, before anything else is shown; the children once it is agreed to. Who
 * does not agree can still take their data along and delete the account.
 */
export function AfterConsent({ open, children }: { open: boolean; children: ReactNode }) {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  const [agree, { isLoading, error }] = useAgreeMutation();
  if (open || !me?.consent) return <>{children}</>;
  const { version, url } = me.consent;
  return (
    <Page>
      <Stack space={1.5}>
        <Heading level={1}>{t('data.consentTitle')}</Heading>
        <Words>{t('data.consentLead')}</Words>
        <OutLink label={t('data.consentRead')} href={url} />
        <Action main label={t('data.consentYes')} busy={isLoading} onPress={() => void agree({ version })} />
        <Trouble error={error} />
        <Words size="small" colour="soft">
          {t('data.consentElse')}
        </Words>
        <WayOn label={t('data.title')} href="/settings/data" />
      </Stack>
    </Page>
  );
}
