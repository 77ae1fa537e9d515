import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Child, Means, OwnRecord } from '@cadro/contract';
import type { Order, Table } from '@cadro/core/tables';
import { useChildren } from '../../household';
import { tableMeant, useAppDispatch } from '../../store';
import { BackLink, Heading, List, Loaded, Page, Quiet, Stack, Words } from '../../ui';
import type { TableAnswer } from '../../workers';
import { useOwnRecordQuery } from '../api';
import { GiveTable } from './GiveTable';
import { groupsOf } from './groups';
import { FoundCourses, FoundMarks, NotSo } from './OtherTables';
import { DateOrder, TableColumns } from './TableColumns';
import { TableTake } from './TableTake';
import { useTable } from './useTable';

function Problems({ table }: { table: Table }) {
  const { t } = useTranslation();
  const { problems } = table;
  if (problems.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('table.problems', { count: problems.length })}</Heading>
      <List label={t('table.problems', { count: problems.length })}>
        {problems.slice(0, 20).map(({ row, fault, cell }, at) => (
          <Words key={at} size="small">
            {t(`table.problem.${fault}`, { row, cell: cell.slice(0, 60) })}
          </Words>
        ))}
      </List>
      {problems.length > 20 ? (
        <Words size="small">{t('table.moreProblems', { count: problems.length - 20 })}</Words>
      ) : null}
    </Stack>
  );
}

type ReadTable = Extract<TableAnswer, { table: Table }>;

/** A list of assignments as it is understood, with the ways to correct it and to take it in. */
function FoundWork({
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

/** What a table is: work, attendance or courses; whoever knows better says so. */
function Understood(props: Parameters<typeof FoundWork>[0]) {
  const { child, record, answer, order, onRead } = props;
  const [isWork, setWork] = useState(false);
  const notSo = <NotSo onWork={() => setWork(true)} />;
  if (answer.marks && !isWork)
    return (
      <Stack space={2}>
        <FoundMarks {...{ child, order }} table={answer.marks} onOrder={(next) => onRead({ order: next })} />
        {notSo}
      </Stack>
    );
  if (answer.courses && !isWork)
    return (
      <Stack space={2}>
        <FoundCourses {...{ child, record }} courses={answer.courses} />
        {notSo}
      </Stack>
    );
  return <FoundWork {...props} />;
}

function Reading({ child, record, wanted }: { child: Child; record: OwnRecord; wanted: string | null }) {
  const { t } = useTranslation();
  const { answer, busy, read } = useTable();
  const [given, setGiven] = useState(0);
  const [how, setHow] = useState<{ means?: readonly Means[]; order?: Order }>({});
  const begin = (table: { text?: string; file?: Blob }) => {
    setHow({});
    setGiven(given + 1);
    read(table);
  };
  const again = (change: typeof how) => {
    const next = { ...how, ...change };
    setHow(next);
    read(next);
  };
  return (
    <Stack space={2}>
      <GiveTable busy={busy} main={!(answer && 'table' in answer)} onGive={begin} />
      {answer && 'fault' in answer ? (
        <Words colour="plum" live>
          {t(`table.fault.${answer.fault}`)}
        </Words>
      ) : null}
      {answer && 'table' in answer ? (
        <Understood
          key={given}
          {...{ child, record, wanted, answer }}
          order={how.order ?? null}
          onRead={again}
        />
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
