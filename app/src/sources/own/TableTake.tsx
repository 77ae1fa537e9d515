import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Child, OwnRecord, OwnTaken } from '@cadro/contract';
import { Trouble } from '../../household';
import { Action, Choice, Heading, Stack, WayOn, Words } from '../../ui';
import { usePutOwnCourseMutation, usePutOwnWorkMutation } from '../api';
import { likelyCourse, type Group } from './groups';
import { RowLine } from './RowLine';
import { rowOfTable } from './rows';
import { TakenWords } from './WriteWork';

const fresh = 'new';
/** So many rows are shown before they are taken. */
const shown = 6;
/** So many rows are sent at once. */
const atOnce = 500;

const summed = (parts: readonly OwnTaken[]): OwnTaken | null =>
  parts.length === 0
    ? null
    : parts.reduce((sum, part) => ({
        ...{ added: sum.added + part.added, changed: sum.changed + part.changed, same: sum.same + part.same },
        ...{ guessed: sum.guessed + part.guessed, lettered: sum.lettered + part.lettered },
        shareless: [...new Set([...sum.shareless, ...part.shareless])],
        itemIds: [...sum.itemIds, ...part.itemIds],
      }));

/** The rows of one course, as they are understood, and the way to take them in. */
export function TableTake({
  child,
  record,
  group,
  wanted,
  ready,
}: {
  child: Child;
  record: OwnRecord;
  group: Group;
  /** The course somebody came from. */
  wanted: string | null;
  /** Whether nothing of the table is undecided any more. */
  ready: boolean;
}) {
  const { t } = useTranslation();
  const { course: name, rows } = group;
  const likely = likelyCourse(name, record.courses) ?? (name === null ? wanted : null);
  const [target, setTarget] = useState(likely ?? (record.courses.length === 0 || name !== null ? fresh : ''));
  const [taken, setTaken] = useState<{ readonly courseId: string; readonly told: OwnTaken } | null>(null);
  const [putCourse, making] = usePutOwnCourseMutation();
  const [putWork, writing] = usePutOwnWorkMutation();
  const of = { studentId: child.id };
  const courseFor = async (): Promise<string | null> => {
    if (target !== fresh) return target;
    const answer = await putCourse({
      ...of,
      body: {
        ...{ id: null, title: name ?? t('table.unnamed'), teacher: null, teacherEmail: null },
        ...{ termId: record.terms.at(-1)?.id ?? '', adds: 'together', missing: 'zero', scale: 'letters' },
        categories: [],
      },
    });
    return answer.data?.courseId ?? null;
  };
  const take = async () => {
    const courseId = await courseFor();
    if (courseId === null) return;
    const parts: OwnTaken[] = [];
    for (let from = 0; from < rows.length; from += atOnce) {
      const body = { rows: rows.slice(from, from + atOnce).map(rowOfTable) };
      const answer = await putWork({ ...of, courseId, body });
      if (!answer.data) return;
      parts.push(answer.data);
    }
    const told = summed(parts);
    if (told) setTaken({ courseId, told });
  };
  if (taken) {
    const { courseId, told } = taken;
    return (
      <Stack space={0.5}>
        <Heading level={2}>{name ?? t('table.taken')}</Heading>
        <Words live>{t('table.done', { added: told.added, changed: told.changed, same: told.same })}</Words>
        <TakenWords taken={told} way={`/courses/${child.id}/${courseId}/own`} />
        <WayOn label={t('table.seeCourse')} href={`/courses/${child.id}/${courseId}`} />
        {target === fresh ? (
          <WayOn label={t('table.howGraded')} href={`/courses/${child.id}/${courseId}/own`} />
        ) : null}
      </Stack>
    );
  }
  return (
    <Stack>
      <Heading level={2}>{name ?? t('table.understood', { count: rows.length })}</Heading>
      {name === null ? null : <Words colour="soft">{t('table.understood', { count: rows.length })}</Words>}
      {rows.slice(0, shown).map((row) => (
        <RowLine key={row.row} row={rowOfTable(row)} />
      ))}
      {rows.length > shown ? (
        <Words colour="soft">{t('table.more', { count: rows.length - shown })}</Words>
      ) : null}
      {record.courses.length > 0 ? (
        <Choice
          titled
          label={t('table.target')}
          options={[
            ...record.courses.map(({ id, title }) => ({ value: id, label: title })),
            { value: fresh, label: t('table.newCourse') },
          ]}
          value={target}
          onChange={setTarget}
        />
      ) : null}
      <Trouble error={making.error ?? writing.error} />
      <Action
        main
        label={t('table.take', { count: rows.length })}
        {...(name === null ? {} : { hint: name })}
        busy={making.isLoading || writing.isLoading}
        disabled={target === '' || !ready}
        onPress={() => void take()}
      />
      {ready ? null : <Words colour="plum">{t('table.decide')}</Words>}
    </Stack>
  );
}
