import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { OwnRecord } from '@cadro/contract';
import { Trouble } from '../../household';
import { Action, Field, Quietly, Row, Stack } from '../../ui';
import { useChangeOwnChildMutation, useOwnRecordQuery } from '../api';

const fields = { givenName: 60, familyName: 60, schoolName: 120, year: 20 } as const;
type Who = Readonly<Record<keyof typeof fields, string>>;

function Form({ studentId, record, onDone }: { studentId: string; record: OwnRecord; onDone: () => void }) {
  const { t } = useTranslation();
  const { givenName, familyName, schoolName, year, timeZone } = record;
  const [who, setWho] = useState<Who>({ givenName, familyName, schoolName, year });
  const [change, { isLoading, error }] = useChangeOwnChildMutation();
  const save = async () => {
    const answer = await change({ studentId, body: { ...who, timeZone } });
    if (!('error' in answer)) onDone();
  };
  return (
    <Stack>
      {Object.entries(fields).map(([name, longest]) => (
        <Field
          key={name}
          label={t(`own.${name as keyof Who}`)}
          value={who[name as keyof Who]}
          longest={longest}
          onChange={(value) => setWho({ ...who, [name]: value })}
        />
      ))}
      <Trouble error={error} />
      <Row wrap>
        <Action
          main
          label={t('own.saveChild')}
          busy={isLoading}
          disabled={!who.givenName.trim() || !who.schoolName.trim()}
          onPress={() => void save()}
        />
        <Quietly label={t('own.cancelChild')} onPress={onDone} />
      </Row>
    </Stack>
  );
}

/** The name, grade and school of a child whose record its family writes. */
export function ChangeChild({ studentId, name }: { studentId: string; name: string }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const { data: record } = useOwnRecordQuery(studentId, { skip: !open });
  return open && record ? (
    <Form {...{ studentId, record }} onDone={() => setOpen(false)} />
  ) : (
    <Quietly label={t('own.changeChild')} hint={name} onPress={() => setOpen(true)} open={false} />
  );
}
