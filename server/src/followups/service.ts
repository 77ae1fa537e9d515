import type {
  AskedAnswer,
  FollowUp,
  FollowUpChange,
  FollowUpEntry,
  FollowUpSummary,
  NewFollowUp,
} from '@cadro/contract';
import { looseEndsOf } from '../gradebook';
import { childrenFor, guardianById, requireChild, writersBeside } from '../household';
import { workedBefore } from '@cadro/core';
import { HttpProblem, isUniqueViolation, type Db, type ServerDeps, type Trx } from '../kit';
import { courseOfItem, enrolled, schoolDates } from '../records';
import { registerNow } from './absence';
import { askedOf, handedOver, isAskedOf, ownerOf, tickedOff } from './handing';
import { goesOn, merges } from './goingOn';
import { mergedInto, pastOf } from './pastStore';
import * as store from './store';

interface OfHousehold {
  readonly householdId: string;
  readonly studentId: string;
}

/** What a follow-up shows of other rooms, asked of those that keep it. */
export interface Elsewhere {
  /** The thread a household has with a teacher about a child. */
  readonly threadWith: (
    db: Db,
    about: OfHousehold & { readonly teacherId: string },
  ) => Promise<string | null>;
  /** What the child has said of some of its work, the first first. */
  readonly answersAbout: (
    db: Db,
    about: OfHousehold & { readonly itemIds: readonly string[] },
  ) => Promise<readonly { id: string; answer: AskedAnswer; at: Date; author: string }[]>;
}

export interface Deps extends ServerDeps, Elsewhere {}

const summaryOf = (row: store.FollowUpRow): FollowUpSummary => ({
  id: row.id,
  studentId: row.student_id,
  courseId: row.course_id,
  courseTitle: row.course_title,
  itemId: row.item_id,
  itemIds: row.works.map(({ itemId }) => itemId),
  topic: row.topic,
  absence: row.absence,
  title: row.title,
  looseEndKind: row.loose_end_kind,
  step: row.step,
  lookAgainOn: row.look_again_on,
  outcome: row.outcome,
  ...{ owner: ownerOf(row), asked: askedOf(row), checklist: [...row.checklist] },
  ...{ lookAgainWhen: row.look_again_when, repeats: row.repeats, mergedInto: row.merged_into },
  childDoneAt: row.child_done_at?.toISOString() ?? null,
  forgotten: row.forgotten_at !== null,
  version: row.version,
  updatedAt: row.updated_at.toISOString(),
});

/** Whether nothing has come of a follow-up since it was taken in hand: no step, no note, no letter. */
const isUntouched = ({ version, written, step }: store.FollowUpRow): boolean =>
  version === 1 && !written && step !== 'settled';

/** What has happened, and what the child said of the assignments meanwhile: in the order of time. */
async function entriesOf({ db, answersAbout }: Deps, row: store.FollowUpRow): Promise<FollowUpEntry[]> {
  const itemIds = [...(row.item_id ? [row.item_id] : []), ...row.works.map(({ itemId }) => itemId)];
  const about = { householdId: row.household_id, studentId: row.student_id, itemIds };
  const [entries, answers] = await Promise.all([
    store.entriesOf(db, row),
    itemIds.length > 0 ? answersAbout(db, about) : [],
  ]);
  const said = answers.map(({ id, answer, at, author }): FollowUpEntry => {
    const nothing = { step: null, lookAgainOn: null, text: null, to: null };
    return { id: `asked-${id}`, kind: 'asked', at: at.toISOString(), author, ...nothing, answer };
  });
  const happened = entries.map(
    ({ id, kind, at, author, step, look_again_on, text, told_to }): FollowUpEntry => ({
      ...{ id: String(id), kind, at: at.toISOString(), author, step, lookAgainOn: look_again_on, text },
      ...{ to: told_to, answer: null },
    }),
  );
  return said.length === 0 ? happened : [...happened, ...said].sort((a, b) => a.at.localeCompare(b.at));
}

async function wholeOf(deps: Deps, row: store.FollowUpRow, guardianId: string): Promise<FollowUp> {
  const { db, threadWith } = deps;
  const { student_id, item_id } = row;
  const [entries, ends, register, threadId, others, past, open, merged] = await Promise.all([
    entriesOf(deps, row),
    item_id ? looseEndsOf(db, row.household_id, [student_id]) : null,
    row.absence ? registerNow(db, student_id, row.absence) : [],
    row.teacher_id
      ? threadWith(db, { householdId: row.household_id, studentId: student_id, teacherId: row.teacher_id })
      : null,
    writersBeside(db, guardianId, [student_id]),
    pastOf(db, row),
    store.openFollowUps(db, guardianId, [student_id]),
    mergedInto(db, row),
  ]);
  return {
    ...summaryOf(row),
    teacher:
      row.teacher_id && row.teacher_name
        ? { id: row.teacher_id, name: row.teacher_name, contactable: row.teacher_email !== null }
        : null,
    threadId,
    written: row.written,
    stillKind: ends?.get(`${student_id}:${item_id}`)?.kind ?? null,
    dueAt: row.due_at?.toISOString() ?? null,
    possible: row.possible,
    register,
    undoable: isUntouched(row),
    ...{ others, askedOfMe: isAskedOf(row, guardianId), merged },
    before: row.step === 'settled' ? null : workedBefore(past, { courseId: row.course_id }),
    beside: open.filter(({ id }) => id !== row.id).map(({ id, title }) => ({ id, title })),
    entries,
  };
}

async function visibleRow(db: Db, guardianId: string, id: string): Promise<store.FollowUpRow> {
  const children = await childrenFor(db, guardianId, 'read-talk');
  const row = await store.followUpById(
    db,
    guardianId,
    children.map((child) => child.id),
    id,
  );
  if (!row) throw new HttpProblem('not-found');
  return row;
}

export const readFollowUp = async (deps: Deps, guardianId: string, id: string): Promise<FollowUp> =>
  wholeOf(deps, await visibleRow(deps.db, guardianId, id), guardianId);

export async function listFollowUps({ db }: Deps, guardianId: string): Promise<FollowUpSummary[]> {
  const children = await childrenFor(db, guardianId, 'read-talk');
  const rows = await store.allFollowUps(
    db,
    guardianId,
    children.map(({ id }) => id),
  );
  return rows.map(summaryOf);
}

/** What a new follow-up is about; what it names must be the child's own. */
async function subjectOf(
  db: Db,
  input: NewFollowUp,
): Promise<store.Subject & { readonly itemIds: readonly string[] }> {
  const { studentId, itemIds = [], topic = 'other' } = input;
  const itemId = itemIds.length === 1 ? (itemIds[0] ?? null) : (input.itemId ?? null);
  const several = itemId ? [] : itemIds;
  const courseId = itemId ? await courseOfItem(db, itemId) : (input.courseId ?? null);
  const places = await Promise.all(several.map((each) => courseOfItem(db, each)));
  if (places.some((place) => place === null || place !== courseId)) throw new HttpProblem('not-found');
  if (itemId && !courseId) throw new HttpProblem('not-found');
  if (courseId && !(await enrolled(db, studentId, courseId))) throw new HttpProblem('not-found');
  const about = itemId || several.length > 0 ? 'work' : courseId ? 'course' : topic;
  return { studentId, itemId, courseId, itemIds: several, topic: about };
}

const changeEntries = (author: string, change: Omit<FollowUpChange, 'version'>): store.NewEntry[] => [
  ...(change.step ? [{ kind: 'step', author, step: change.step } as const] : []),
  ...(change.note ? [{ kind: 'note', author, text: change.note } as const] : []),
  ...(change.lookAgainOn ? [{ kind: 'look-again', author, lookAgainOn: change.lookAgainOn } as const] : []),
];

/**
 * Takes a matter in hand. One that is in hand already answers 409 with the open follow-up.
 * @throws HttpProblem 404 for another household's child or a work of another course.
 */
export async function takeInHand(deps: Deps, guardianId: string, input: NewFollowUp): Promise<FollowUp> {
  const { db, clock } = deps;
  await requireChild(db, guardianId, input.studentId, 'write-talk');
  const guardian = await guardianById(db, guardianId);
  if (!guardian) throw new HttpProblem('not-signed-in');
  const subject = await subjectOf(db, input);
  const { courseId, itemId, topic } = subject;
  const ends = await looseEndsOf(db, guardian.household_id, [input.studentId]);
  const kindOf = (each: string) => ends.get(`${input.studentId}:${each}`)?.kind ?? null;
  const kind = itemId ? kindOf(itemId) : null;
  const works = subject.itemIds.map((each) => ({ itemId: each, kind: kindOf(each) }));
  const now = await clock.now();
  const step = input.step ?? 'noticed';
  const create = async (trx: Trx): Promise<string> => {
    const id = await store.insertFollowUp(trx, {
      student_id: input.studentId,
      household_id: guardian.household_id,
      course_id: courseId,
      item_id: itemId,
      topic,
      title: input.title,
      loose_end_kind: kind,
      works,
      step,
      look_again_on: input.lookAgainOn ?? null,
      updated_at: now,
      owner_id: guardianId,
    });
    const { note, lookAgainOn } = input;
    const change = {
      ...(step === 'noticed' ? {} : { step }),
      ...(note ? { note } : {}),
      ...(lookAgainOn ? { lookAgainOn } : {}),
    };
    await store.addEntries(trx, { studentId: input.studentId, followUpId: id }, now, [
      { kind: 'noticed', author: guardian.name },
      ...changeEntries(guardian.name, change),
    ]);
    return id;
  };
  try {
    return await readFollowUp(deps, guardianId, await db.transaction(create));
  } catch (error) {
    if (!isUniqueViolation(error)) throw error;
    const open = await store.openFollowUpAbout(db, guardianId, subject);
    throw new HttpProblem('edited-meanwhile', {
      current: open && (await readFollowUp(deps, guardianId, open)),
      yours: input,
      cause: error,
    });
  }
}

/** Where it stands from now on, and when one looks again. */
const stepColumns = ({ step, lookAgainOn }: FollowUpChange): store.Change => ({
  ...(step ? { step, outcome: step === 'settled' ? { by: 'guardian' } : null } : {}),
  ...(step === 'settled'
    ? { look_again_on: null, look_again_when: null }
    : lookAgainOn === undefined
      ? {}
      : { look_again_on: lookAgainOn }),
});

/**
 * Moves a follow-up on.
 * @throws HttpProblem 409 `edited-meanwhile` with both versions when someone else was faster; nothing is lost.
 */
export async function changeFollowUp(
  deps: Deps,
  guardianId: string,
  id: string,
  change: FollowUpChange,
): Promise<FollowUp> {
  const { db, clock } = deps;
  const row = await visibleRow(db, guardianId, id);
  await requireChild(db, guardianId, row.student_id, 'write-talk');
  const [guardian, others] = await Promise.all([
    guardianById(db, guardianId),
    writersBeside(db, guardianId, [row.student_id]),
  ]);
  const author = guardian?.name ?? '';
  const now = await clock.now();
  const today = (await schoolDates(db, [row.student_id], now)).get(row.student_id) ?? '';
  const doing = { author, now, today };
  const parts = [
    handedOver(row, change, { id: guardianId, name: author, others }),
    tickedOff(row, change, author),
    goesOn(row, change, doing),
  ];
  const open = change.mergeInto ? await store.openFollowUps(db, guardianId, [row.student_id]) : [];
  const written = db.transaction(async (trx) => {
    const key = { studentId: row.student_id, followUpId: id, version: change.version };
    const merged = await merges(trx, row, change, {
      ...doing,
      others: open.filter((each) => each.id !== id && each.household_id === row.household_id),
    });
    const all = [...parts, merged];
    const columns = Object.assign(stepColumns(change), ...all.map((part) => part.columns)) as store.Change;
    if (!(await store.changeIfVersion(trx, key, columns, now))) return false;
    await store.addEntries(trx, key, now, [
      ...all.flatMap(({ entries }) => entries),
      ...changeEntries(author, change),
    ]);
    return true;
  });
  // What comes back may have another about the same in its place by now.
  const done = await written.catch((error: unknown) => {
    if (isUniqueViolation(error)) return false;
    throw error;
  });
  const current = await readFollowUp(deps, guardianId, id);
  if (!done) throw new HttpProblem('edited-meanwhile', { current, yours: change });
  return current;
}

/**
 * Takes back what was taken in hand by mistake: it is gone, and what it was about comes back to the Brief.
 * @throws HttpProblem 409 `edited-meanwhile` where something has come of it already.
 */
export async function undoFollowUp(deps: Deps, guardianId: string, id: string): Promise<void> {
  const { db } = deps;
  const row = await visibleRow(db, guardianId, id);
  await requireChild(db, guardianId, row.student_id, 'write-talk');
  const gone = isUntouched(row) && (await store.deleteUntouched(db, { studentId: row.student_id, id }));
  if (!gone) throw new HttpProblem('edited-meanwhile', { current: await readFollowUp(deps, guardianId, id) });
}
