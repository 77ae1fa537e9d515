import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { OperatorChild } from '@cadro/contract';
import { Trouble } from '../household';
import { Action, Choice, Quietly, Row, Stack, Words } from '../ui';
import { useEndBySchoolMutation, useNameAsMutation, useRestoreLinkMutation } from './api';
import { useOperatorFormat } from './useOperatorFormat';

type Person = OperatorChild['people'][number];
const nobodyOfThem = 'nobody';

/** As whom the school names somebody: found by their addresses, or said here. */
function WhoIsIt({ child, person, onDone }: { child: OperatorChild; person: Person; onDone: () => void }) {
  const { t } = useTranslation();
  const [agent, setAgent] = useState(person.namedAs ?? nobodyOfThem);
  const [name, { isLoading, error }] = useNameAsMutation();
  const save = async () => {
    const answer = await name({
      ...{ studentId: child.child.studentId, personId: person.personId },
      agent: agent === nobodyOfThem ? null : agent,
    });
    if (!answer.error) onDone();
  };
  return (
    <Stack>
      <Choice
        titled
        label={t('operator.whoIsIt', { person: person.name })}
        options={[
          ...child.named.map((each) => ({ value: each.agent, label: `${each.name} · ${each.relation}` })),
          { value: nobodyOfThem, label: t('operator.nobodyOfThem') },
        ]}
        value={agent}
        onChange={setAgent}
      />
      <Trouble error={error} />
      <Row wrap>
        <Action label={t('operator.nameYes')} busy={isLoading} onPress={() => void save()} />
        <Quietly label={t('desk.cancel')} onPress={onDone} />
      </Row>
    </Stack>
  );
}

/** Somebody who sees a child: as what, who that is for the school, what is held back; and what may be done about it. */
export function PersonLine({ child, person }: { child: OperatorChild; person: Person }) {
  const { t } = useTranslation();
  const format = useOperatorFormat();
  const [sure, setSure] = useState(false);
  const [end, ending] = useEndBySchoolMutation();
  const [restore, restoring] = useRestoreLinkMutation();
  const [naming, setNaming] = useState(false);
  const { name, role, since, until, suspended, personId, namedAs, withheld } = person;
  const { studentId } = child.child;
  const mayBeNamed = role !== 'student' && child.named.length > 0;
  const known = child.named.find(({ agent }) => agent === namedAs);
  const facts = [
    t(`people.asWords.${role}`),
    t('people.since', { when: format.date(since) }),
    ...(until ? [t('desk.until', { date: format.date(until) })] : []),
    ...(suspended ? [t('operator.onHold')] : []),
    ...(withheld.length > 0
      ? [t('operator.withheld', { what: format.list(withheld.map((each) => t(`operator.what.${each}`))) })]
      : []),
    ...(mayBeNamed ? [known ? t('operator.known', { name: known.name }) : t('operator.notKnown')] : []),
  ];
  return (
    <Stack space={0}>
      <Words bold>{name}</Words>
      <Words size="small" colour="soft">
        {facts.join(' · ')}
      </Words>
      <Row wrap space={2}>
        {suspended ? (
          <Quietly
            label={t('operator.restore')}
            hint={name}
            onPress={() => void restore({ studentId, personId })}
          />
        ) : null}
        {mayBeNamed && !naming ? (
          <Quietly label={t('operator.sayWho')} hint={name} onPress={() => setNaming(true)} />
        ) : null}
        {sure ? (
          <>
            <Quietly
              label={t('people.endYes')}
              hint={name}
              onPress={() => void end({ studentId, personId })}
            />
            <Quietly label={t('people.no')} onPress={() => setSure(false)} />
          </>
        ) : (
          <Quietly label={t('operator.end')} hint={name} onPress={() => setSure(true)} />
        )}
      </Row>
      <Trouble error={ending.error ?? restoring.error} />
      {naming ? <WhoIsIt child={child} person={person} onDone={() => setNaming(false)} /> : null}
    </Stack>
  );
}
