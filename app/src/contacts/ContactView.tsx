import { useTranslation } from 'react-i18next';
import { useChildren } from '../household';
import { Wants } from '../notes';
import { BackLink, Heading, LinkAction, Loaded, Page, Quiet, Stack, Words } from '../ui';
import { useContactsQuery } from './api';
import { dutiesOf, reachOf } from './contactLines';

/** One person or office at a child's school: what for, how they are reached, and what they want. */
export function ContactView({ studentId, contactId }: { studentId: string; contactId: string }) {
  const { t } = useTranslation();
  const { nameOf, mayTalk, all } = useChildren();
  const query = useContactsQuery(studentId);
  const reads = all.some(({ id, role }) => id === studentId && (role === 'guardian' || role === 'look-only'));
  return (
    <Loaded query={query}>
      {({ contacts, schoolName }) => {
        const contact = contacts.find(({ id }) => id === contactId);
        return (
          <Page sheet>
            <BackLink href="/talk/contacts" label={t('contacts.title')} />
            {contact ? (
              <>
                <Stack space={0.25}>
                  <Words size="small" colour="soft">{`${nameOf(studentId)} · ${schoolName}`}</Words>
                  <Heading level={1}>{contact.name}</Heading>
                </Stack>
                <Stack space={0.25}>
                  {dutiesOf(t, contact).map((line) => (
                    <Words key={line}>{line}</Words>
                  ))}
                  {reachOf(t, contact).map((line) => (
                    <Words key={line} colour="soft">
                      {line}
                    </Words>
                  ))}
                  {contact.email || contact.phone ? null : (
                    <Words colour="soft">{t('contacts.noAddress')}</Words>
                  )}
                </Stack>
                {mayTalk(studentId) ? (
                  <LinkAction
                    main
                    label={t('contacts.write', { name: contact.name })}
                    href={`/talk/write?studentId=${studentId}&teacherId=${contact.id}`}
                  />
                ) : null}
                {contact.kind === 'teacher' && reads ? (
                  <Wants studentId={studentId} teacherId={contact.id} />
                ) : null}
              </>
            ) : (
              <Quiet>{t('contacts.gone')}</Quiet>
            )}
          </Page>
        );
      }}
    </Loaded>
  );
}
