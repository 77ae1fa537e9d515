import type { ResultRecord } from '@cadro/contract';
import type { CourseHistory, ItemVersion, Known } from '@cadro/core';
import { groupBy, together, type Db } from '../../kit';
import {
  classroomSeen,
  itemChanges,
  loadCourses,
  studentsIn,
  type ItemChange,
  type KeptItem,
  type KeptResult,
  type LoadedCourse,
  type PartOfRecord,
  type SeenInClassroom,
} from '../../records';
import { sourceStates, type SourceState } from '../../sources';
import { asHouseholdHas } from './accounts';
import { householdViews, type KnownView } from './householdStore';
import { knownAtMs } from './known';
import { itemRecord, resultRecord, termPart } from './termRecords';

const instantColumns = ['assigned_at', 'due_at', 'accepted_until'] as const;

/** A work's row as it was before a change. */
function rowBefore(row: KeptItem, before: ItemChange['before']): KeptItem {
  const instants = Object.fromEntries(
    instantColumns.flatMap((name) => {
      const value = before[name];
      return name in before ? [[name, typeof value === 'string' ? new Date(value) : null]] : [];
    }),
  );
  const was = { ...row, ...before, ...instants };
  const due_raw = 'due_at' in before ? was.due_at : row.due_raw;
  return { ...was, due_raw, due_at: was.undated ? null : due_raw };
}

/** All that a source has told of a work, oldest first. */
function versionsOf(row: KeptItem, changes: readonly ItemChange[]): ItemVersion[] {
  const first = knownAtMs(row.known_at, row.assigned_at);
  let later = row;
  const versions = changes.map(({ at, before }) => {
    const version = { value: itemRecord(later), removed: later.removed, knownAtMs: at.getTime() };
    later = rowBefore(later, before);
    return version;
  });
  return [{ value: itemRecord(later), removed: later.removed, knownAtMs: first }, ...versions.reverse()];
}

/**
 * Results with what a first reading leaves out. A source tells of a past mark, and not of the days between: work that
 * was marked after it was due, and neither late nor flagged, counts as handed in when it was due. Otherwise all of a
 * term's work would seem to have been overdue until it was marked.
 */
function resultsOf(items: readonly KeptItem[], results: readonly KeptResult[]): Known<ResultRecord>[] {
  const dueAt = new Map(items.map(({ id, due_at }) => [id, due_at]));
  const seen = new Set<string>();
  return results.flatMap((row): Known<ResultRecord>[] => {
    const due = dueAt.get(row.item_id);
    const first = !seen.has(row.item_id);
    seen.add(row.item_id);
    const told = { value: resultRecord(row), knownAtMs: knownAtMs(row.known_at, row.at) };
    const between =
      first && row.known_at === null && row.status === 'scored' && !row.late && due && due < row.at;
    if (!between) return [told];
    const handedIn: ResultRecord = { itemId: row.item_id, at: due.toISOString(), status: 'handed-in' };
    return [{ value: handedIn, knownAtMs: due.getTime() }, told];
  });
}

/** What the classroom saw is known from its own time on. */
const classroomKnown = ({
  itemId,
  status,
  earned,
  at,
}: SeenInClassroom): CourseHistory['classroom'][number] => ({
  value: { itemId, status, earned, at: at.toISOString() },
  knownAtMs: at.getTime(),
});

/**
 * A course's history as a household reads it.
 * @param changesOf the changes of each work, the latest first.
 */
function historyOf(
  loaded: LoadedCourse,
  { name: sourceName, readAt }: SourceState,
  { correction, offers }: KnownView,
  changesOf: ReadonlyMap<string, readonly ItemChange[]>,
  classroom: CourseHistory['classroom'],
): CourseHistory {
  const { course, terms } = loaded;
  const kinds = loaded.items.flatMap(({ id, kind }): [string, string][] => (kind ? [[id, kind]] : []));
  return {
    id: course.id,
    title: course.title,
    sourceName,
    readAt: readAt && readAt.toISOString(),
    itemKinds: Object.fromEntries(kinds),
    correction,
    offers,
    classroom,
    terms: terms.map((term) => {
      const { frame, items, results } = termPart(loaded, term);
      return {
        part: term.externalId,
        startsOn: term.startsOn,
        endsOn: term.endsOn,
        record: frame,
        items: items
          .flatMap((row) => versionsOf(row, changesOf.get(row.id) ?? []))
          .sort((a, b) => a.knownAtMs - b.knownAtMs),
        results: resultsOf(items, results),
      };
    }),
  };
}

/** The histories of the courses that are meant, as each household reads them: ten queries, however many. */
export async function courseHistories(
  db: Db,
  parts: readonly PartOfRecord[],
): Promise<(studentId: string, householdId: string) => CourseHistory[]> {
  const studentIds = studentsIn(parts);
  const [courses, changes, views, seen] = await together(db, [
    () => loadCourses(db, parts, { removed: true }),
    () => itemChanges(db, studentIds),
    () => householdViews(db, studentIds),
    () => classroomSeen(db, studentIds),
  ]);
  const sourceOf = await sourceStates(db, [...new Set(courses.map(({ course }) => course.source_id))]);
  const byStudent = groupBy(courses, ({ course }) => course.student_id);
  const changesOf = groupBy(changes, ({ studentId }) => studentId);
  const seenOf = groupBy(seen, ({ studentId }) => studentId);
  return (studentId, householdId) => {
    const own = seenOf.get(studentId) ?? [];
    const byItem = groupBy(changesOf.get(studentId) ?? [], ({ itemId }) => itemId);
    return (byStudent.get(studentId) ?? []).map((told) => {
      const loaded = asHouseholdHas(told, householdId);
      const { id, source_id } = loaded.course;
      const works = new Set(loaded.items.map((item) => item.id));
      const classroom = own.filter(({ itemId }) => works.has(itemId)).map(classroomKnown);
      const view = views.known(householdId, studentId, id);
      return historyOf(loaded, sourceOf(source_id), view, byItem, classroom);
    });
  };
}
