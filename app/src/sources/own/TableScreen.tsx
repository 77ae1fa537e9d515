import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Child, Means, OwnRecord } from '@cadro/contract';
import type { Order, Table } from '@cadro/core/tables';
import { useChildren } from '../../household';
import { tableMeant, useAppDispatch } from '../../store';
import { Action, BackLink, Field, Heading, Loaded, Page, PickFile, Quiet, Row, Stack, Words } from '../../ui';
import type { TableAnswer } from '../../workers';
import { useOwnRecordQuery } from '../api';
import { groupsOf } from './groups';
import { DateOrder, TableColumns } from './TableColumns';
import { TableTake } from './TableTake';
import { useTable } from './useTable';

/** What is pasted from a page is read as the table it was there. */
function usePasted(onMarkup: (markup: string) => void): void {
  useEffect(() => {
    const pasted = (event: ClipboardEvent) => {
      const markup = event.clipboardData?.getData('text/html') ?? '';
      if (!/<table[\s>]/i.test(markup)) return;
      event.preventDefault();
      onMarkup(markup);
    };
    document.addEventListener('paste', pasted);
    return () => document.removeEventListener('paste', pasted);
  });
}

function Problems({ table }: { table: Table }) {
  const { t } = useTranslation();
  const { problems } = table;
  if (problems.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('table.problems', { count: problems.length })}</Heading>
      <View role="list" aria-label={t('table.problems', { count: problems.length })}>
        {problems.slice(0, 20).map(({ row, fault, cell }, at) => (
          <View key={at} role="listitem">
            <Words size="small">{t(`table.problem.${fault}`, { row, cell: cell.slice(0, 60) })}</Words>
          </View>
        ))}
      </View>
      {problems.length > 20 ? (
        <Words size="small">{t('table.moreProblems', { count: problems.length - 20 })}</Words>
      ) : null}
    </Stack>
  );
}

type ReadTable = Extract<TableAnswer, { table: Table }>;

/** A table as it is understood, with the ways to correct it and to take it in. */
function Understood({
  child,
  record,
  wanted,
  answer: { table, cut, samples, shape },
  order,
  onRead,
}: {
  child: Child;
  record: OwnRecord;
  wanted: string | null;
  answer: ReadTable;
  order: Order | null;
  onRead: (how: { means?: readonly Means[]; order?: Order }) => void;
}) {
  const { t } = useTranslation();
  const dispatch = useAppDispatch();
  const { groups, others } = groupsOf(table.rows, child);
  const asks = table.undecided && order === null;
  const correct = (means: readonly Means[]) => {
    dispatch(tableMeant({ shape, means }));
    onRead({ means });
  };
  return (
    <Stack space={2}>
      {table.undecided || order !== null ? (
        <DateOrder order={order} onOrder={(next) => onRead({ order: next })} />
      ) : null}
      {groups.map((group) => (
        <TableTake
          key={`${group.course}:${group.rows.length}`}
          {...{ child, record, group, wanted, ready: !asks }}
        />
      ))}
      {groups.length === 0 ? <Words>{t('table.nobody', { name: child.givenName })}</Words> : null}
      {others > 0 && groups.length > 0 ? (
        <Words size="small">{t('table.others', { count: others, name: child.givenName })}</Words>
      ) : null}
      {cut ? <Words size="small">{t('table.cut')}</Words> : null}
      <Problems table={table} />
      <TableColumns columns={table.columns} samples={samples} onMeans={correct} />
    </Stack>
  );
}

function Reading({ child, record, wanted }: { child: Child; record: OwnRecord; wanted: string | null }) {
  const { t } = useTranslation();
  const { answer, busy, read } = useTable();
  const [text, setText] = useState('');
  const [how, setHow] = useState<{ means?: readonly Means[]; order?: Order }>({});
  const begin = (given: { text?: string; file?: Blob }) => {
    setHow({});
    read(given);
  };
  usePasted((markup) => {
    setText('');
    begin({ text: markup });
  });
  const again = (change: typeof how) => {
    const next = { ...how, ...change };
    setHow(next);
    read(next);
  };
  return (
    <Stack space={2}>
      <Field label={t('table.paste')} hint={t('table.pasteHint')} value={text} lines={5} onChange={setText} />
      <Row wrap>
        <Action
          main={!(answer && 'table' in answer)}
          label={t('table.read')}
          busy={busy}
          disabled={text.trim() === ''}
          onPress={() => begin({ text })}
        />
        <PickFile
          label={t('table.file')}
          accept=".csv,.tsv,.txt,.xlsx,.html"
          busy={busy}
          onFile={(file) => begin({ file })}
        />
      </Row>
      {answer && 'fault' in answer ? (
        <Words colour="plum" live>
          {t(`table.fault.${answer.fault}`)}
        </Words>
      ) : null}
      {answer && 'table' in answer ? (
        <Understood {...{ child, record, wanted, answer }} order={how.order ?? null} onRead={again} />
      ) : null}
    </Stack>
  );
}

/** A table of a child's work, pasted or out of a file. */
export function TableScreen({ studentId, courseId }: { studentId: string; courseId?: string }) {
  const { t } = useTranslation();
  const { all } = useChildren();
  const child = all.find(({ id }) => id === studentId);
  const query = useOwnRecordQuery(studentId);
  if (!child) return <Quiet>{t('state.notFound')}</Quiet>;
  return (
    <Loaded query={query}>
      {(record) => {
        const course = record.courses.find(({ id }) => id === courseId);
        return (
          <Page>
            <BackLink
              href={course ? `/courses/${studentId}/${course.id}/write` : '/courses'}
              label={course?.title ?? t('courses.title')}
            />
            <Heading level={1}>{t('table.title')}</Heading>
            <Words colour="soft">{t('table.lead')}</Words>
            <Reading {...{ child, record }} wanted={courseId ?? null} />
          </Page>
        );
      }}
    </Loaded>
  );
}
