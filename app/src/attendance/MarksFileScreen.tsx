import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { MarksRead } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { problemWords } from '../i18n';
import { Action, BackLink, Heading, OpenFile, Page, Stack, Words } from '../ui';
import { useReadMarksMutation } from './api';
import { MeaningChoice, meanings, type MeaningName } from './MeaningChoice';

function Faults({ faults }: Pick<MarksRead, 'faults'>) {
  const { t } = useTranslation();
  if (faults.length === 0) return null;
  return (
    <Stack space={0.25}>
      <Heading level={3}>{t('marksFile.faults', { count: faults.length })}</Heading>
      {faults.map(({ row, fault, value }) => (
        <Words key={row} size="small" colour="soft">
          {t('marksFile.fault', { row, what: t(`marksFile.faultKinds.${fault}`, { value }) })}
        </Words>
      ))}
    </Stack>
  );
}

function Sample({ sample }: Pick<MarksRead, 'sample'>) {
  const { t } = useTranslation();
  const format = useFormat();
  if (sample.length === 0) return null;
  return (
    <Stack space={0.25}>
      <Heading level={3}>{t('marksFile.sample')}</Heading>
      {sample.map(({ on, period, code, courseTitle }) => (
        <Words key={`${on}/${period}`} size="small">
          {[format.date(on), courseTitle ?? t('days.lesson', { period }), code].join(' · ')}
        </Words>
      ))}
    </Stack>
  );
}

/** What a file holds, what its codes mean, and what of it cannot be read; nothing is written before 'take in'. */
export function MarksFileScreen({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [codes, setCodes] = useState<Readonly<Record<string, MeaningName>>>({});
  const [read, { data, error, isLoading }] = useReadMarksMutation();
  const asked = data?.unknownCodes ?? [];
  const [misfit] = error && 'problem' in error ? (error.problem?.errors ?? []) : [];
  return (
    <Page>
      <BackLink href={`/days/attendance/${studentId}`} label={t('days.attendance')} />
      <Stack space={0.25}>
        <Heading level={1}>{t('marksFile.title')}</Heading>
        <Words colour="soft">{nameOf(studentId)}</Words>
        <Words>{t('marksFile.lead')}</Words>
      </Stack>
      <OpenFile
        label={t('marksFile.choose')}
        accept=".csv,.txt"
        onText={(name, text) => {
          setFile({ name, text });
          setCodes({});
          void read({ studentId, text, codes: [], preview: true });
        }}
      />
      {error ? (
        <View role="alert">
          <Words colour="plum">{problemWords(t, error)}</Words>
          {misfit ? (
            <Words size="small" colour="soft">
              {t('marksFile.unreadable', { line: misfit.path.slice(1), what: misfit.message })}
            </Words>
          ) : null}
        </View>
      ) : null}
      {data?.written ? (
        <Words live colour="teal" bold>
          {t('marksFile.done', { count: data.taken })}
        </Words>
      ) : data && file ? (
        <Stack space={2}>
          <Stack space={0.25}>
            <Words bold>{t('marksFile.found', { count: data.rows, name: file.name })}</Words>
            <Words>{t('marksFile.taken', { count: data.taken })}</Words>
            {data.schoolHas > 0 ? <Words>{t('marksFile.schoolHas', { count: data.schoolHas })}</Words> : null}
          </Stack>
          {asked.length > 0 ? (
            <Stack>
              <Heading level={3}>{t('marksFile.codes')}</Heading>
              {asked.map(({ code, rows }) => (
                <Stack key={code} space={0.5}>
                  <Words>{t('marksFile.codeRows', { code, count: rows })}</Words>
                  <MeaningChoice
                    code={code}
                    value={codes[code] ?? 'present'}
                    onChange={(name) => setCodes({ ...codes, [code]: name })}
                  />
                </Stack>
              ))}
            </Stack>
          ) : null}
          <Faults faults={data.faults} />
          <Sample sample={data.sample} />
          <Action
            main
            label={t('marksFile.take')}
            busy={isLoading}
            disabled={data.taken === 0 && asked.length === 0}
            onPress={() => {
              const rest = asked.map(({ code }) => ({ code, ...meanings[codes[code] ?? 'present'] }));
              void read({ studentId, text: file.text, codes: rest, preview: false });
            }}
          />
        </Stack>
      ) : null}
    </Page>
  );
}
