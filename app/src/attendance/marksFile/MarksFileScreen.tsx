import { useCallback, useEffect, useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { MarksRead } from '@cadro/contract';
import type { Order } from '@cadro/core/tables';
import { useChildren, useFormat } from '../../household';
import { isServerProblem, problemWords } from '../../i18n';
import { DateOrder, GiveTable, marksText, useTable } from '../../sources';
import { marksHanded, useAppDispatch, useAppSelector } from '../../store';
import { Action, BackLink, Heading, Page, Stack, Words } from '../../ui';
import { useReadMarksMutation } from '../api';
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

type Codes = Readonly<Record<string, MeaningName>>;

/** What codes mean that nobody has told yet. */
function UnknownCodes({
  unknown,
  codes,
  onChange,
}: {
  unknown: MarksRead['unknownCodes'];
  codes: Codes;
  onChange: (codes: Codes) => void;
}) {
  const { t } = useTranslation();
  if (unknown.length === 0) return null;
  return (
    <Stack>
      <Heading level={3}>{t('marksFile.codes')}</Heading>
      {unknown.map(({ code, rows }) => (
        <Stack key={code} space={0.5}>
          <Words>{t('marksFile.codeRows', { code, count: rows })}</Words>
          <MeaningChoice
            code={code}
            value={codes[code] ?? 'present'}
            onChange={(name) => onChange({ ...codes, [code]: name })}
          />
        </Stack>
      ))}
    </Stack>
  );
}

/** What the file holds, before it is taken in. */
function Found({
  name,
  data,
  busy,
  onTake,
}: {
  name: string;
  data: MarksRead;
  busy: boolean;
  onTake: (codes: Codes) => void;
}) {
  const { t } = useTranslation();
  const [codes, setCodes] = useState<Codes>({});
  return (
    <Stack space={2}>
      <Stack space={0.25}>
        <Words bold>{t('marksFile.found', { count: data.rows, name })}</Words>
        <Words>{t('marksFile.taken', { count: data.taken })}</Words>
        {data.schoolHas > 0 ? <Words>{t('marksFile.schoolHas', { count: data.schoolHas })}</Words> : null}
      </Stack>
      <UnknownCodes unknown={data.unknownCodes} codes={codes} onChange={setCodes} />
      <Faults faults={data.faults} />
      <Sample sample={data.sample} />
      <Action
        main
        label={t('marksFile.take')}
        busy={busy}
        disabled={data.taken === 0 && data.unknownCodes.length === 0}
        onPress={() => onTake(codes)}
      />
    </Stack>
  );
}

function Unreadable({ error }: { error: unknown }) {
  const { t } = useTranslation();
  const [misfit] = (isServerProblem(error) && error.problem?.errors) || [];
  return (
    <View role="alert">
      <Words colour="plum">{problemWords(t, error)}</Words>
      {misfit ? (
        <Words size="small" colour="soft">
          {t('marksFile.unreadable', { line: misfit.path.slice(1), what: misfit.message })}
        </Words>
      ) : null}
    </View>
  );
}

/** A file of the shape that Cadro writes itself is read as it is. */
const isOwnShape = (text: string): boolean => {
  const heading = (text.split(/[\r\n]/, 1)[0] ?? '').toLowerCase().replace(/["\ufeff\s]/g, '');
  const names = heading.split(/[,;\t]/);
  return names.includes('date') && names.includes('code') && /^.*\r?\n.*\d{4}-\d\d-\d\d/.test(text);
};

/** Gives marks to go through: out of a file of them, or out of any table. */
function Given({
  busy,
  main,
  onMarks,
}: {
  busy: boolean;
  main: boolean;
  onMarks: (name: string, text: string) => void;
}) {
  const { t } = useTranslation();
  const { answer, busy: reading, read } = useTable();
  const [name, setName] = useState('');
  const [order, setOrder] = useState<Order | null>(null);
  const [told, setTold] = useState<unknown>(null);
  const marks = answer && 'marks' in answer ? answer.marks : null;
  const asks = marks?.undecided === true && order === null;
  // What is read is gone through at once, but for days that can be read in two ways.
  useEffect(() => {
    if (!marks || asks || told === marks) return;
    setTold(marks);
    onMarks(name, marksText(marks));
  }, [marks, asks, told, name, onMarks]);
  const give = async ({ text, file }: { text?: string; file?: File }) => {
    const called = file?.name ?? t('marksFile.pasted');
    const own = text ?? (file && /[.](csv|txt)$/i.test(file.name) ? await file.text() : '');
    if (isOwnShape(own)) return onMarks(called, own);
    setName(called);
    setOrder(null);
    read({ isMarks: true, ...(text === undefined ? (file ? { file } : {}) : { text }) });
  };
  return (
    <Stack>
      <GiveTable busy={busy || reading} main={main} onGive={(given) => void give(given)} />
      {answer && !marks ? (
        <Words colour="plum" live>
          {'fault' in answer && answer.fault !== 'no-rows'
            ? t(`table.fault.${answer.fault}`)
            : t('marksFile.none')}
        </Words>
      ) : null}
      {marks?.undecided ? (
        <DateOrder
          order={order}
          onOrder={(next) => {
            // What was read in the other order is over.
            setTold(marks);
            setOrder(next);
            read({ isMarks: true, order: next });
          }}
        />
      ) : null}
    </Stack>
  );
}

/** What a table of marks holds, what its codes mean, and what of it cannot be read; nothing is written before 'take in'. */
export function MarksFileScreen({ studentId }: { studentId: string }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const dispatch = useAppDispatch();
  const handed = useAppSelector(({ inHand }) => inHand.marks);
  const [file, setFile] = useState<{ name: string; text: string } | null>(null);
  const [read, { data, error, isLoading }] = useReadMarksMutation();
  const open = useCallback(
    (name: string, text: string) => {
      setFile({ name, text });
      void read({ studentId, text, codes: [], preview: true });
    },
    [read, studentId],
  );
  // What another screen has read of a table.
  useEffect(() => {
    if (handed === null) return;
    dispatch(marksHanded(null));
    open(t('marksFile.pasted'), handed);
  }, [handed, dispatch, open, t]);
  const take = (text: string, codes: Codes) => {
    const told = (data?.unknownCodes ?? []).map(({ code }) => ({
      code,
      ...meanings[codes[code] ?? 'present'],
    }));
    void read({ studentId, text, codes: told, preview: false });
  };
  return (
    <Page>
      <BackLink href={`/days/attendance/${studentId}`} label={t('days.attendance')} />
      <Stack space={0.25}>
        <Heading level={1}>{t('marksFile.title')}</Heading>
        <Words colour="soft">{nameOf(studentId)}</Words>
        <Words>{t('marksFile.lead')}</Words>
      </Stack>
      <Given busy={isLoading} main={!data} onMarks={open} />
      {error ? <Unreadable error={error} /> : null}
      {data?.written ? (
        <Words live colour="teal" bold>
          {t('marksFile.done', { count: data.taken })}
        </Words>
      ) : data && file ? (
        <Found
          key={file.text}
          name={file.name}
          data={data}
          busy={isLoading}
          onTake={(codes) => take(file.text, codes)}
        />
      ) : null}
    </Page>
  );
}
