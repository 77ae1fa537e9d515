import { mostChecks, type FollowUpChange } from '@cadro/contract';
import { nextLook } from '@cadro/core';
import { HttpProblem, type Trx } from '../kit';
import { nothing, refused, type Changed } from './changed';
import * as store from './store';

interface Doing {
  readonly author: string;
  readonly now: Date;
  /** Today where the child goes to school. */
  readonly today: string;
}

/** When it comes back beside a day: by a fact, or every week. */
function comesBack(
  row: store.FollowUpRow,
  { lookAgainWhen, repeats, looked }: FollowUpChange,
  { author, today }: Doing,
): Changed {
  if (lookAgainWhen && row.item_id === null) throw refused('lookAgainWhen');
  if (repeats && repeats.untilAtLeast !== null && row.course_id === null) throw refused('repeats');
  const rhythm = repeats === undefined ? row.repeats : repeats;
  if (looked && !rhythm) throw refused('looked');
  const next = rhythm && (repeats || looked) ? nextLook(rhythm, today) : null;
  return {
    columns: {
      ...(lookAgainWhen === undefined ? {} : { look_again_when: lookAgainWhen }),
      ...(repeats === undefined ? {} : { repeats }),
      ...(next ? { look_again_on: next, child_done_at: null } : {}),
    },
    entries: [
      ...(lookAgainWhen ? [{ kind: 'look-again', author } as const] : []),
      ...(repeats ? [{ kind: 'repeats', author, lookAgainOn: next } as const] : []),
      ...(looked ? [{ kind: 'looked', author, lookAgainOn: next } as const] : []),
    ],
  };
}

/** It was begun by mistake, or was not, after all. */
function forgets(row: store.FollowUpRow, { forgotten }: FollowUpChange, { now }: Doing): Changed {
  if (forgotten === undefined || forgotten === (row.forgotten_at !== null)) return nothing;
  const columns = forgotten
    ? { step: 'settled' as const, step_before: row.step, forgotten_at: now, look_again_on: null }
    : { step: row.step_before ?? 'noticed', step_before: null, forgotten_at: null };
  return { columns, entries: [] };
}

/** What of a change is about how it goes on. @throws HttpProblem 400 for what cannot be. */
export function goesOn(row: store.FollowUpRow, change: FollowUpChange, doing: Doing): Changed {
  const [back, forgotten] = [comesBack(row, change, doing), forgets(row, change, doing)];
  return {
    columns: { ...back.columns, ...forgotten.columns },
    entries: [...back.entries, ...forgotten.entries],
  };
}

/**
 * Makes a follow-up one with another, whose list goes on with what was on its own; or parts them again.
 * @param others those it can be one with.
 * @throws HttpProblem 400 for one that it cannot be one with.
 */
export async function merges(
  trx: Trx,
  row: store.FollowUpRow,
  { mergeInto }: FollowUpChange,
  { others, author, now }: Doing & { readonly others: readonly store.FollowUpRow[] },
): Promise<Changed> {
  if (mergeInto === undefined || mergeInto === row.merged_into) return nothing;
  if (mergeInto === null)
    return {
      columns: { step: row.step_before ?? 'noticed', step_before: null, merged_into: null },
      entries: [{ kind: 'parted', author }],
    };
  const other = others.find(({ id }) => id === mergeInto);
  if (!other || row.step === 'settled') throw refused('mergeInto');
  const key = { studentId: other.student_id, followUpId: other.id, version: other.version };
  const known = new Set(other.checklist.map(({ id }) => id));
  const added = row.checklist.map((check) =>
    known.has(check.id) ? { ...check, id: `${row.id.slice(0, 8)}-${check.id}`.slice(0, 40) } : check,
  );
  const checklist = [...other.checklist, ...added];
  // Nothing of either list is lost.
  if (checklist.length > mostChecks) throw refused('mergeInto');
  if (!(await store.changeIfVersion(trx, key, { checklist }, now))) throw new HttpProblem('edited-meanwhile');
  await store.addEntries(trx, key, now, [{ kind: 'merged', author, text: row.title }]);
  return {
    columns: { step: 'settled', step_before: row.step, merged_into: mergeInto, look_again_on: null },
    entries: [],
  };
}
