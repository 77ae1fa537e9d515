import { useTranslation } from 'react-i18next';
import { BackLink, Heading, List, Loaded, Page, Quiet, Stack, Words } from '../../ui';
import { useMailsQuery } from '../api';
import { MailCard } from './MailCard';

/** What the family has forwarded: those that wait first. */
export function MailsScreen() {
  const { t } = useTranslation();
  const query = useMailsQuery();
  return (
    <Loaded query={query}>
      {({ address, mails }) => (
        <Page>
          <BackLink href="/settings/sources" label={t('sources.title')} />
          <Heading level={1}>{t('mails.title')}</Heading>
          <Stack space={0.5}>
            <Words colour="soft">{t('mails.lead')}</Words>
            <Words bold selectable>
              {address}
            </Words>
            <Words size="small" colour="soft">
              {t('mails.careful')}
            </Words>
          </Stack>
          {mails.length === 0 ? <Quiet>{t('mails.none')}</Quiet> : null}
          <List label={t('mails.title')}>
            {mails.map((mail) => (
              <MailCard key={mail.id} mail={mail} />
            ))}
          </List>
        </Page>
      )}
    </Loaded>
  );
}
