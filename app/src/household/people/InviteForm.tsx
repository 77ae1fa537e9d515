import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Invite, People } from '@cadro/contract';
import { Action, Choice, Heading, Quietly, Stack, TickLine, Words } from '../../ui';
import { useInviteMutation } from './api';
import { Trouble } from '../door/Trouble';
import { EmailField } from '../door/EmailField';
import { useMeQuery } from '../api';
import { useFormat } from '../useFormat';
import { HelpFields, untilOf, type Help } from './HelpFields';

const asWhat = ['guardian', 'look-only', 'helper', 'student'] as const;

/** Whether it is for one child alone. */
const isOne = (role: Invite['role']): boolean => role === 'student' || role === 'helper';

/** A code that has just been made: it is shown here, and nowhere again. */
function Made({
  made,
  email,
  onMore,
}: {
  made: { readonly code: string; readonly address: string; readonly expiresAt: string };
  email: string;
  onMore: () => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  return (
    <Stack>
      <Heading level={3}>{t('people.made')}</Heading>
      <Words>
        {email ? t('people.madeSent', { email }) : t('people.madeOwn', { when: format.date(made.expiresAt) })}
      </Words>
      <Words size="title" bold>
        {made.code}
      </Words>
      <Words size="small" colour="soft">
        {made.address}
      </Words>
      <Quietly label={t('people.another')} onPress={onMore} />
    </Stack>
  );
}

function ForWhom({
  own,
  ids,
  onToggle,
}: {
  own: People['children'];
  ids: readonly string[];
  onToggle: (id: string, on: boolean) => void;
}) {
  const { t } = useTranslation();
  return (
    <Stack space={0}>
      <Words size="small" bold>
        {t('people.whom')}
      </Words>
      {own.map(({ studentId, givenName }) => (
        <TickLine
          key={studentId}
          label={givenName}
          on={ids.includes(studentId)}
          onChange={(on) => onToggle(studentId, on)}
        />
      ))}
    </Stack>
  );
}

function Together({ on, onChange }: { on: boolean; onChange: (on: boolean) => void }) {
  const { t } = useTranslation();
  return (
    <Stack space={0.25}>
      <TickLine label={t('people.together')} on={on} onChange={onChange} />
      <Words size="small" colour="soft">
        {t('people.apart')}
      </Words>
    </Stack>
  );
}

/** Invites somebody to the children one is a guardian of. */
export function InviteForm({ own }: { own: People['children'] }) {
  const { t } = useTranslation();
  const [invite, invited] = useInviteMutation();
  const [ids, setIds] = useState<readonly string[]>(own.map(({ studentId }) => studentId));
  const [role, setRole] = useState<Invite['role']>('guardian');
  const [email, setEmail] = useState('');
  const [together, setTogether] = useState(true);
  const [helps, setHelps] = useState<Help>({ courseIds: [], span: 'weeks' });
  const { data: me } = useMeQuery();
  if (invited.data) return <Made made={invited.data} email={email.trim()} onMore={invited.reset} />;
  const toggle = (id: string, on: boolean) => {
    setIds(isOne(role) ? [id] : on ? [...ids, id] : ids.filter((each) => each !== id));
    setHelps({ ...helps, courseIds: [] });
  };
  const asRole = (next: Invite['role']) => {
    setRole(next);
    setHelps({ ...helps, courseIds: [] });
    if (isOne(next)) setIds(ids.slice(0, 1));
  };
  const address = email.trim() === '' ? null : email.trim();
  const make = () =>
    void invite({
      ...{ studentIds: [...ids], role, email: address, together },
      ...(role === 'helper' && me
        ? { helps: { courseIds: [...helps.courseIds], until: untilOf(helps.span, me.now) } }
        : {}),
    });
  return (
    <Stack space={1.5}>
      <Heading level={3}>{t('people.inviteTitle')}</Heading>
      <Choice
        titled
        label={t('people.as')}
        options={asWhat.map((value) => ({ value, label: t(`people.asWords.${value}`) }))}
        value={role}
        onChange={asRole}
      />
      <ForWhom own={own} ids={ids} onToggle={toggle} />
      {role === 'helper' ? (
        <HelpFields
          courses={own.find(({ studentId }) => studentId === ids[0])?.courses ?? []}
          today={me?.now ?? ''}
          help={helps}
          onChange={setHelps}
        />
      ) : null}
      <EmailField label={t('people.email')} hint={t('people.emailHint')} value={email} onChange={setEmail} />
      {role === 'guardian' ? <Together on={together} onChange={setTogether} /> : null}
      <Trouble error={invited.error} />
      <Action
        main
        label={t('people.make')}
        busy={invited.isLoading}
        disabled={ids.length === 0 || (role === 'helper' && helps.courseIds.length === 0)}
        onPress={make}
      />
    </Stack>
  );
}

/** A child's own code: shown on its screen to whoever looks after it. */
export function ChildsCode({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const [invite, { data, isLoading, error }] = useInviteMutation();
  const make = () => void invite({ studentIds: [studentId], role: 'guardian', email: null, together: false });
  return (
    <Stack>
      <Heading level={2}>{t('people.childTitle')}</Heading>
      <Words colour="soft">{t('people.childLead')}</Words>
      {data ? (
        <Words size="title" bold live>
          {data.code}
        </Words>
      ) : (
        <Action label={t('people.childMake')} busy={isLoading} onPress={make} />
      )}
      <Trouble error={error} />
    </Stack>
  );
}
