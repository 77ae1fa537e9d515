import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Trouble, useChildren } from '../../household';
import { isServerProblem } from '../../i18n';
import { Field, LinkAction, PickFile, Stack, Words } from '../../ui';
import { useAddOwnSchoolMutation, useDropOwnSchoolMutation, usePutExportMutation } from '../api';
import { Exports, useOwnSchools } from './Exports';

interface Named {
  readonly givenName: string;
  readonly familyName: string;
  readonly schoolName: string;
  readonly number: string;
}

/** Adds a school and hands its first file over; a school of which nothing was taken is none. */
function useFirstExport() {
  const [made, setMade] = useState<string | null>(null);
  const [add, adding] = useAddOwnSchoolMutation();
  const [put, putting] = usePutExportMutation();
  const [drop] = useDropOwnSchoolMutation();
  const send = async ({ givenName, familyName, schoolName, number }: Named, file: File) => {
    const { timeZone } = Intl.DateTimeFormat().resolvedOptions();
    const child = { givenName, familyName, number: number.trim() || null };
    const { data: added } = await add({ schoolName, timeZone, children: [child] });
    if (!added) return;
    const answer = await put({ sourceId: added.id, file });
    if (answer.data) setMade(added.id);
    else void drop(added.id);
  };
  return { made, send, busy: adding.isLoading || putting.isLoading, error: putting.error ?? adding.error };
}

/** A school that gives its families an export: whose record is in it, and the file. */
export function NewExport() {
  const { t } = useTranslation();
  const { all } = useChildren();
  const [who, setWho] = useState<Named>({ givenName: '', familyName: '', schoolName: '', number: '' });
  const { made, send, busy, error } = useFirstExport();
  const { data } = useOwnSchools();
  const school = data?.schools.find(({ id }) => id === made);
  const several = isServerProblem(error) && error.problem?.code === 'several-in-file';
  const field = (name: keyof typeof who, longest: number) => (
    <Field
      {...{ longest, label: t(`own.export.${name}`), value: who[name] }}
      onChange={(value) => setWho({ ...who, [name]: value })}
    />
  );
  if (school)
    return (
      <Stack space={2}>
        <Exports school={school} />
        {school.bundles.some(({ state }) => state === 'done') && all.length > 0 ? (
          <LinkAction main label={t('own.exportDone')} href="/courses" />
        ) : null}
      </Stack>
    );
  const ready = [who.givenName, who.familyName, who.schoolName].every((each) => each.trim() !== '');
  return (
    <Stack space={2}>
      <Words colour="soft">{t('own.exportLead')}</Words>
      {field('givenName', 60)}
      {field('familyName', 60)}
      {field('schoolName', 120)}
      {several || who.number ? field('number', 60) : null}
      <Trouble error={error} />
      {ready ? (
        <PickFile
          label={t('own.exportChoose')}
          accept=".zip,application/zip"
          busy={busy}
          onFile={(file) => void send(who, file)}
        />
      ) : (
        <Words size="small" colour="soft">
          {t('own.exportFirst')}
        </Words>
      )}
    </Stack>
  );
}
