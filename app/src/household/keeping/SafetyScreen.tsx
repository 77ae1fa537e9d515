import { useTranslation } from 'react-i18next';
import { BackLink, Heading, Loaded, Page, Stack, Words } from '../../ui';
import { useSafetyQuery } from './api';
import { Address, PasswordPart } from './Address';
import { SecondSteps } from './SecondSteps';
import { Sessions } from './Sessions';

/** How one's own account is kept safe. */
export function SafetyScreen() {
  const { t } = useTranslation();
  const query = useSafetyQuery(undefined, { refetchOnMountOrArgChange: true });
  return (
    <Loaded query={query}>
      {(safety) => (
        <Page>
          <BackLink href="/settings" label={t('settings.title')} />
          <Stack space={0.25}>
            <Heading level={1}>{t('safety.title')}</Heading>
            <Words colour="soft">{t('safety.lead')}</Words>
          </Stack>
          <Address safety={safety} />
          <PasswordPart />
          <Sessions sessions={safety.sessions} />
          <SecondSteps safety={safety} />
        </Page>
      )}
    </Loaded>
  );
}
