import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { LinkedPerson } from '@cadro/contract';
import { Line, Quietly, Stack, Words } from '../../ui';
import { useChangeRoleMutation, useEndLinkMutation, useObjectToLinkMutation } from './api';
import { useFormat } from '../useFormat';
import { Sure } from './Sure';

interface Link {
  readonly person: LinkedPerson;
  readonly child: { readonly studentId: string; readonly givenName: string };
}

/** What may be done about a link by who looks at it. */
function Acts({ person, child }: Link) {
  const { t } = useTranslation();
  const [end, ending] = useEndLinkMutation();
  const [change] = useChangeRoleMutation();
  const [object, objecting] = useObjectToLinkMutation();
  const which = { studentId: child.studentId, personId: person.id };
  const said = { name: person.name ?? t('people.unnamed'), child: child.givenName };
  return (
    <Stack space={0}>
      {person.mayChange ? (
        <Quietly
          label={t(person.role === 'guardian' ? 'people.toLook' : 'people.toGuardian', said)}
          onPress={() =>
            void change({ ...which, role: person.role === 'guardian' ? 'look-only' : 'guardian' })
          }
        />
      ) : null}
      {person.mayObject ? (
        <Sure
          label={t('people.object')}
          means={t('people.objectSure', said)}
          yes={t('people.objectYes')}
          busy={objecting.isLoading}
          error={objecting.error}
          onYes={() => void object(which)}
        />
      ) : null}
      {person.mayEnd ? (
        <Sure
          label={t(person.you ? 'people.leave' : 'people.end', said)}
          means={t(person.you ? 'people.leaveSure' : 'people.endSure', said)}
          yes={t(person.you ? 'people.leaveYes' : 'people.endYes')}
          busy={ending.isLoading}
          error={ending.error}
          onYes={() => void end(which)}
        />
      ) : null}
    </Stack>
  );
}

/** Somebody who sees a child: who, as what, since when, by whom; and what may be done about it. */
export function PersonRow({ person, child }: Link) {
  const { t } = useTranslation();
  const format = useFormat();
  const [open, setOpen] = useState(false);
  const name = person.name ?? t('people.unnamed');
  const said = { name, child: child.givenName };
  const how = person.invitedBy
    ? t('people.by', { name: person.invitedBy })
    : person.issuer
      ? t(`people.issuers.${person.issuer}`)
      : null;
  const facts = [t('people.since', { when: format.date(person.since) }), ...(how ? [how] : [])];
  return (
    <Stack space={0.25}>
      <Words bold>{person.you ? `${name} (${t('people.you')})` : name}</Words>
      <Words>
        {t(`people.roles.${person.role}`, {
          courses: format.list(person.courses ?? []),
          when: person.until ? format.date(person.until) : '',
        })}
      </Words>
      <Words size="small" colour="soft">
        {facts.join(' · ')}
      </Words>
      {person.suspended ? <Words colour="plum">{t('people.suspended')}</Words> : null}
      {!person.mayChange && !person.mayObject && !person.mayEnd ? null : open || person.you ? (
        <Acts person={person} child={child} />
      ) : (
        <Quietly label={t('people.change', said)} onPress={() => setOpen(true)} open={false} />
      )}
      <Line />
    </Stack>
  );
}
