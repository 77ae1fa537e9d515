import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { usualTerm } from '@cadro/core/own';
import { Trouble, useFormat, useMeQuery } from '../../household';
import { Action, Choice, Field, Heading, Page, PickDay, Row, Stack, WayOn, Words } from '../../ui';
import { useAddOwnChildMutation } from '../api';
import { NewExport } from './NewExport';

/** A day of the form, chosen from a month. */
export function DayField({
  label,
  value,
  onChange,
  optional = false,
}: {
  label: string;
  value: string | null;
  onChange: (on: string | null) => void;
  optional?: boolean;
}) {
  const format = useFormat();
  return (
    <PickDay
      {...{ label, value, onChange, optional }}
      today={format.daysAhead(0)}
      dayLong={format.dayLong}
      monthName={format.month}
    />
  );
}

function Form({ today }: { today: string }) {
  const { t } = useTranslation();
  const router = useRouter();
  const usual = usualTerm(today);
  const [who, setWho] = useState({ givenName: '', familyName: '', schoolName: '', year: '' });
  const [term, setTerm] = useState({ startsOn: usual.startsOn, endsOn: usual.endsOn });
  const [add, { isLoading, error }] = useAddOwnChildMutation();
  const field = (name: keyof typeof who, longest: number) => (
    <Field
      label={t(`own.${name}`)}
      value={who[name]}
      onChange={(value) => setWho({ ...who, [name]: value })}
      longest={longest}
    />
  );
  const save = async () => {
    const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
    const answer = await add({ ...who, timeZone, term: { title: t(`own.season.${usual.season}`), ...term } });
    if (answer.data) router.replace(`/courses/${answer.data.id}/new`);
  };
  const backwards = term.endsOn < term.startsOn;
  return (
    <Stack space={2}>
      {field('givenName', 60)}
      {field('familyName', 60)}
      {field('schoolName', 120)}
      {field('year', 20)}
      <DayField
        label={t('own.startsOn')}
        value={term.startsOn}
        onChange={(on) => setTerm({ ...term, startsOn: on ?? usual.startsOn })}
      />
      <DayField
        label={t('own.endsOn')}
        value={term.endsOn}
        onChange={(on) => setTerm({ ...term, endsOn: on ?? usual.endsOn })}
      />
      <Trouble error={error} words={backwards ? t('own.backwards') : null} />
      <Row wrap>
        <Action
          main
          label={who.givenName.trim() ? t('own.addNamed', { name: who.givenName.trim() }) : t('own.add')}
          busy={isLoading}
          disabled={!who.givenName.trim() || !who.schoolName.trim() || backwards}
          onPress={() => void save()}
        />
        <WayOn label={t('own.haveCode')} href="/link" />
      </Row>
    </Stack>
  );
}

const roads = ['written', 'export'] as const;

/** A child whose school gives no code: its family writes the record down, or has an export of it. */
export function NewChild() {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  const [road, setRoad] = useState<(typeof roads)[number]>('written');
  return (
    <Page>
      <Heading level={1}>{t('own.newTitle')}</Heading>
      <Choice
        titled
        label={t('own.road')}
        options={roads.map((value) => ({ value, label: t(`own.roads.${value}`) }))}
        value={road}
        onChange={setRoad}
      />
      {road === 'export' ? <NewExport /> : null}
      {road === 'written' && me ? (
        <>
          <Words colour="soft">{t('own.newLead')}</Words>
          <Form today={me.now.slice(0, 10)} />
        </>
      ) : null}
    </Page>
  );
}
