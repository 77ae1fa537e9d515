import type { Desk } from '@cadro/contract';
import { checked } from '@cadro/core';
import { HttpProblem, type Db, type Deps } from '../kit';
import { schoolDates } from '../records';
import { agreedRows, type Whose } from './childStore';
import * as store from './store';

export const agreedBy = async (db: Db, whose: Whose): Promise<Desk['agreed']> =>
  (await agreedRows(db, whose)).map(
    ({ id, title, course_title, look_again_on, checklist, child_done_at }) => ({
      ...{ id, title, courseTitle: course_title, by: look_again_on, checklist: [...checklist] },
      doneAt: child_done_at?.toISOString() ?? null,
    }),
  );

/**
 * The child ticks off a thing of the list, or all of it; where all is done the follow-up comes back to its family today.
 * @throws HttpProblem 404 for what it does not have, 409 where somebody was faster.
 */
export async function tickAgreed(
  { db, clock }: Deps,
  whose: Whose & { readonly author: string },
  followUpId: string,
  { checkId, done }: { readonly checkId?: string | undefined; readonly done: boolean },
): Promise<void> {
  const row = (await agreedRows(db, whose)).find(({ id }) => id === followUpId);
  if (!row || (checkId !== undefined && !row.checklist.some(({ id }) => id === checkId)))
    throw new HttpProblem('not-found');
  const now = await clock.now();
  const today = (await schoolDates(db, [whose.studentId], now)).get(whose.studentId) ?? null;
  const wanted = row.checklist.map((each) =>
    checkId === undefined
      ? { ...each, done: done || each.done }
      : each.id === checkId
        ? { ...each, done }
        : each,
  );
  const { list, ticked } = checked(row.checklist, wanted, whose.author);
  const all = checkId === undefined ? done : row.child_done_at !== null;
  const finished = all && row.child_done_at === null;
  const key = { studentId: whose.studentId, followUpId, version: row.version };
  const kept = await db.transaction(async (trx) => {
    const change = {
      ...{ checklist: list, child_done_at: all ? (row.child_done_at ?? now) : null },
      ...(finished ? { look_again_on: today } : {}),
    };
    if (!(await store.changeIfVersion(trx, key, change, now))) return false;
    const entries = [...ticked, ...(finished ? [row.title] : [])];
    await store.addEntries(
      trx,
      key,
      now,
      entries.map((text) => ({ kind: 'ticked', author: whose.author, text }) as const),
    );
    return true;
  });
  if (!kept) throw new HttpProblem('edited-meanwhile');
}
