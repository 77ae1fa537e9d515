import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { contactRoutes, type Contact } from '@cadro/contract';
import { useChildren } from '../household';
import { useMailsQuery } from '../sources/api';
import { addressOf } from '../store';
import { BackLink, Heading, List, Loaded, OutLink, Page, Quiet, RowLink, Stack, Words } from '../ui';
import { useContactsQuery } from './api';
import { dutiesOf } from './contactLines';

function ContactRow({ studentId, contact }: { studentId: string; contact: Contact }) {
  const { t } = useTranslation();
  const duties = dutiesOf(t, contact);
  const reach = contact.email ?? contact.phone ?? t('contacts.noAddress');
  return (
    <RowLink
      href={`/talk/contacts/${contact.id}?studentId=${studentId}`}
      label={[contact.name, ...duties, reach].join('. ')}
    >
      <Words bold>{contact.name}</Words>
      {duties.map((line) => (
        <Words key={line} size="small">
          {line}
        </Words>
      ))}
      <Words size="small" colour="soft">
        {reach}
      </Words>
    </RowLink>
  );
}

function ContactsOf({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const query = useContactsQuery(studentId);
  return (
    <Loaded query={query}>
      {({ schoolName, contacts }) => (
        <View>
          <Heading level={2}>{`${nameOf(studentId)} · ${schoolName}`}</Heading>
          {contacts.length === 0 ? <Quiet>{t('contacts.none')}</Quiet> : null}
          <List>
            {contacts.map((contact) => (
              <ContactRow key={contact.id} {...{ studentId, contact }} />
            ))}
          </List>
          {contacts.length > 0 ? (
            <OutLink
              label={t('contacts.save', { name: nameOf(studentId) })}
              href={addressOf(contactRoutes.vcard, { params: { studentId } })}
            />
          ) : null}
        </View>
      )}
    </Loaded>
  );
}

/** Where a teacher can write first: it begins a thread by itself. */
function OwnAddress() {
  const { t } = useTranslation();
  const { data } = useMailsQuery();
  return data?.address ? (
    <Words size="small">{t('contacts.ownAddress', { address: data.address })}</Words>
  ) : null;
}

/** Everybody at the children's schools whom one can turn to, and what they answer for. */
export function ContactsScreen() {
  const { t } = useTranslation();
  const { shown, mayTalk } = useChildren();
  return (
    <Page>
      <BackLink href="/talk" label={t('places.talk')} />
      <Heading level={1}>{t('contacts.title')}</Heading>
      {shown.some(({ id }) => mayTalk(id)) ? <OwnAddress /> : null}
      <Stack space={3}>
        {shown.map(({ id }) => (
          <ContactsOf key={id} studentId={id} />
        ))}
      </Stack>
    </Page>
  );
}
