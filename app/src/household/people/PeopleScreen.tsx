import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { People } from '@cadro/contract';
import { Action, BackLink, Heading, Loaded, Page, Quietly, Stack, TickLine, WayOn, Words } from '../../ui';
import { usePeopleQuery, useShowHouseholdMutation, useWithdrawInvitationMutation } from './api';
import { useFormat } from '../useFormat';
import { ChildsCode, InviteForm } from './InviteForm';
import { Notices } from './Notices';
import { PersonRow } from './PersonRow';

function OpenOnes({ child }: { child: People['children'][number] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [withdraw] = useWithdrawInvitationMutation();
  if (child.invitations.length === 0) return null;
  return (
    <Stack>
      <Heading level={3}>{t('people.open')}</Heading>
      {child.invitations.map(({ id, role, email, expiresAt }) => (
        <Stack key={id} space={0}>
          <Words>
            {t('people.openLine', {
              role: t(`people.asWords.${role}`),
              to: email ?? t('people.handed'),
              when: format.date(expiresAt),
            })}
          </Words>
          <Quietly label={t('people.withdraw')} onPress={() => void withdraw(id)} />
        </Stack>
      ))}
    </Stack>
  );
}

function Content({ people }: { people: People }) {
  const { t } = useTranslation();
  const [inviting, setInviting] = useState(false);
  const [show] = useShowHouseholdMutation();
  const own = people.children.filter(({ role }) => role === 'guardian');
  const self = people.children.find(({ role }) => role === 'student');
  return (
    <Page>
      <BackLink href="/settings" label={t('settings.title')} />
      <Stack space={0.25}>
        <Heading level={1}>{t('people.title')}</Heading>
        <Words colour="soft">{t('people.lead')}</Words>
      </Stack>
      <Notices notices={people.notices} />
      {own.length === 0 ? null : inviting ? (
        <InviteForm own={own} />
      ) : (
        <Action main label={t('people.invite')} onPress={() => setInviting(true)} />
      )}
      {people.children.map((child) => (
        <Stack key={child.studentId}>
          <Heading level={2}>{child.givenName}</Heading>
          {child.people.map((person) => (
            <PersonRow key={person.id} person={person} child={child} />
          ))}
          <OpenOnes child={child} />
          {child.role === 'helper' ? null : (
            <WayOn label={t('file.to')} href={`/settings/file/${child.studentId}`} />
          )}
          {child.role === 'guardian' ? (
            <>
              <WayOn
                label={t('desk.from.sees', { child: child.givenName })}
                href={`/talk/from/${child.studentId}`}
              />
              <WayOn
                label={t('trail.to', { child: child.givenName })}
                href={`/settings/trail/${child.studentId}`}
              />
            </>
          ) : null}
        </Stack>
      ))}
      {own.length > 0 ? (
        <Stack space={0.25}>
          <TickLine
            label={t('people.shows')}
            on={people.showsItself}
            onChange={(showsItself) => void show({ showsItself })}
          />
          <Words size="small" colour="soft">
            {t('people.showsHint')}
          </Words>
        </Stack>
      ) : null}
      {self ? <ChildsCode studentId={self.studentId} /> : null}
    </Page>
  );
}

/** Who sees which child, since when, by whose invitation; and the ways to change it. */
export function PeopleScreen() {
  const query = usePeopleQuery(undefined, { refetchOnMountOrArgChange: true });
  return <Loaded query={query}>{(people) => <Content people={people} />}</Loaded>;
}
