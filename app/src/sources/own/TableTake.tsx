import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Child, OwnRecord, OwnTaken } from '@cadro/contract';
import { Trouble } from '../../household';
import { Action, Choice, Heading, Stack, WayOn, Words } from '../../ui';
import { usePutOwnCourseMutation, usePutOwnWorkMutation } from '../api';
import { likelyCourse, type Group } from './groups';
import { RowLine } from './RowLine';
import { rowOfTable } from './rows';
import { TakenWords } from './TakenWords';

const fresh = 'new';
/** So many rows are shown before they are taken. */
const shown = 6;
/** So many rows are sent at once. */
const atOnce = 100;

const summed = (parts: readonly OwnTaken[]): OwnTaken | null =>
  parts.length === 0
    ? null
    : parts.reduce((sum, part) => ({
        ...{ added: sum.added + part.added, changed: sum.changed + part.changed, same: sum.same + part.same },
        ...{ guessed: sum.guessed + part.guessed, lettered: sum.lettered + part.lettered },
        shareless: [...new Set([...sum.shareless, ...part.shareless])],
        itemIds: [...sum.itemIds, ...part.itemIds],
      }));

interface TakeProps {
  readonly child: Child;
  readonly record: OwnRecord;
  readonly group: Group;
  /** The course somebody came from. */
  readonly wanted: string | null;
  /** Whether nothing of the table is undecided any more. */
  readonly ready: boolean;
}

interface Taken {
  readonly courseId: string;
  readonly told: OwnTaken;
  /** Whether the course was made for it. */
  readonly made: boolean;
}

/** Takes a group's rows into a course, which is made first where it is a new one. */
function useTaking({ child, record, group: { course: name, rows } }: TakeProps) {
  const { t } = useTranslation();
  const [taken, setTaken] = useState<Taken | null>(null);
  const [putCourse, making] = usePutOwnCourseMutation();
  const [putWork, writing] = usePutOwnWorkMutation();
  const of = { studentId: child.id };
  const newCourse = async (): Promise<string | null> => {
    const rules = { adds: 'together', missing: 'zero', scale: 'letters' } as const;
    const named = { id: null, title: name ?? t('table.unnamed'), teacher: null, teacherEmail: null };
    const body = { ...named, ...rules, termId: record.terms.at(-1)?.id ?? '', categories: [] };
    return (await putCourse({ ...of, body })).data?.courseId ?? null;
  };
  const take = async (target: string) => {
    const made = target === fresh;
    const courseId = made ? await newCourse() : target;
    if (courseId === null) return;
    const parts: OwnTaken[] = [];
    for (let from = 0; from < rows.length; from += atOnce) {
      const body = { rows: rows.slice(from, from + atOnce).map(rowOfTable) };
      const answer = await putWork({ ...of, courseId, body });
      if (!answer.data) return;
      parts.push(answer.data);
    }
    const told = summed(parts);
    if (told) setTaken({ courseId, told, made });
  };
  return { taken, take, busy: making.isLoading || writing.isLoading, error: making.error ?? writing.error };
}

/** What became of the rows of a course, and where to go from there. */
function Done({
  child,
  group,
  taken: { courseId, told, made },
}: Pick<TakeProps, 'child' | 'group'> & { taken: Taken }) {
  const { t } = useTranslation();
  const rules = `/courses/${child.id}/${courseId}/own` as const;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{group.course ?? t('table.taken')}</Heading>
      <Words live>{t('table.done', { added: told.added, changed: told.changed, same: told.same })}</Words>
      <TakenWords taken={told} way={rules} />
      <WayOn label={t('table.seeCourse')} href={`/courses/${child.id}/${courseId}`} />
      {made ? <WayOn label={t('table.howGraded')} href={rules} /> : null}
    </Stack>
  );
}

/** The rows of one course, as they are understood, and the way to take them in. */
export function TableTake(props: TakeProps) {
  const { child, record, group, wanted, ready } = props;
  const { t } = useTranslation();
  const { course: name, rows } = group;
  const likely = likelyCourse(name, record.courses) ?? (name === null ? wanted : null);
  const [target, setTarget] = useState(likely ?? (record.courses.length === 0 || name !== null ? fresh : ''));
  const { taken, take, busy, error } = useTaking(props);
  if (taken) return <Done {...{ child, group, taken }} />;
  const understood = t('table.understood', { count: rows.length });
  return (
    <Stack>
      <Heading level={2}>{name ?? understood}</Heading>
      {name === null ? null : <Words colour="soft">{understood}</Words>}
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
      <Trouble error={error} />
      <Action
        main
        label={t('table.take', { count: rows.length })}
        {...(name === null ? {} : { hint: name })}
        busy={busy}
        disabled={target === '' || !ready}
        onPress={() => void take(target)}
      />
      {ready ? null : <Words colour="plum">{t('table.decide')}</Words>}
    </Stack>
  );
}
