import type { AnswerOf, BodyOf, PageChange, Sitdown, SitdownPage, sitdownRoutes } from '@cadro/contract';
import { childrenFor, householdOf } from '../household';
import { readEntry } from '../calendar';
import { HttpProblem, type Deps, type ServerDeps } from '../kit';
import * as store from './store';

const pageView = (row: store.PageRow): SitdownPage => ({
  ...{ studentId: row.student_id, hidden: [...row.hidden], own: [...row.own] },
  order: [...row.line_order],
  ...{ question: row.question, answer: row.answer, agreed: [...row.agreed] },
  ...{ kept: row.kept && [...row.kept], version: row.version },
});

const view = (row: store.SitdownRow, pages: readonly store.PageRow[]): Sitdown => ({
  ...{ id: row.id, on: row.on_date, state: row.state },
  ...{ startedAt: row.started_at?.toISOString() ?? null, endedAt: row.ended_at?.toISOString() ?? null },
  pages: pages.filter(({ sitdown_id }) => sitdown_id === row.id).map(pageView),
});

/** The children whose talk a guardian reads, and those about whom they write. */
async function children({ db }: Deps, guardianId: string) {
  const [reads, writes] = await Promise.all([
    childrenFor(db, guardianId, 'read-talk'),
    childrenFor(db, guardianId, 'write-talk'),
  ]);
  const ids = (all: typeof reads) => all.map(({ id }) => id);
  return { reads: ids(reads), writes: ids(writes) };
}

export async function listSitdowns(
  deps: Deps,
  guardianId: string,
): Promise<AnswerOf<typeof sitdownRoutes.list>> {
  const { db } = deps;
  const [{ id: householdId }, { reads }] = await Promise.all([
    householdOf(db, guardianId),
    children(deps, guardianId),
  ]);
  if (reads.length === 0) return { sitdowns: [], rhythmEntryId: null };
  const [rows, rhythmEntryId] = await Promise.all([
    store.sitdownsOf(db, householdId),
    store.rhythmOf(db, householdId),
  ]);
  const pages = await store.pagesOf(
    db,
    rows.map(({ id }) => id),
    reads,
  );
  return { sitdowns: rows.map((row) => view(row, pages)), rhythmEntryId };
}

/** One sit-down of the household. @throws HttpProblem 404 for any other. */
async function sitdown(deps: Deps, guardianId: string, id: string): Promise<Sitdown> {
  const { db } = deps;
  const [{ id: householdId }, { reads }] = await Promise.all([
    householdOf(db, guardianId),
    children(deps, guardianId),
  ]);
  const row = reads.length > 0 ? await store.sitdownOf(db, householdId, id) : undefined;
  if (!row) throw new HttpProblem('not-found');
  return view(row, await store.pagesOf(db, [id], reads));
}

/** Who sits down writes about some child at least. @throws HttpProblem 403, and 404 for who reads nothing either. */
async function requireSitting(deps: Deps, guardianId: string) {
  const both = await children(deps, guardianId);
  if (both.writes.length === 0) throw new HttpProblem(both.reads.length > 0 ? 'forbidden' : 'not-found');
  return both;
}

/** Opens the page of the next sit-down, or the one that is open; children who have come since get theirs. */
export async function openSitdown(deps: Deps, guardianId: string, on: string): Promise<Sitdown> {
  const { db } = deps;
  const { writes } = await requireSitting(deps, guardianId);
  const { id: householdId } = await householdOf(db, guardianId);
  const id = await db.transaction(async (trx) => {
    await store.addSitdown(trx, { household_id: householdId, on_date: on });
    const row = await store.openSitdown(trx, householdId);
    if (!row) throw new HttpProblem('not-found');
    await store.addPages(trx, row.id, writes);
    return row.id;
  });
  return sitdown(deps, guardianId, id);
}

/** @throws HttpProblem 409 with the page as it is where somebody was faster; 409 `too-late` where it is over. */
export async function changePage(
  deps: Deps,
  guardianId: string,
  { sitdownId, studentId }: { readonly sitdownId: string; readonly studentId: string },
  change: PageChange,
): Promise<Sitdown> {
  const before = await sitdown(deps, guardianId, sitdownId);
  const { writes } = await requireSitting(deps, guardianId);
  if (!before.pages.some((page) => page.studentId === studentId)) throw new HttpProblem('not-found');
  if (!writes.includes(studentId)) throw new HttpProblem('forbidden');
  // Whether it held is said afterwards; the rest stands as it was kept.
  const { version: _, agreed: __, ...more } = change;
  if (before.state === 'held' && Object.keys(more).length > 0) throw new HttpProblem('too-late');
  const done = await deps.db.transaction((trx) => store.changePage(trx, { sitdownId, studentId }, change));
  const after = await sitdown(deps, guardianId, sitdownId);
  const current = after.pages.find((page) => page.studentId === studentId);
  if (!done) throw new HttpProblem('edited-meanwhile', { current, yours: change });
  return after;
}

export async function startSitdown(deps: Deps, guardianId: string, id: string): Promise<Sitdown> {
  const { db, clock } = deps;
  await sitdown(deps, guardianId, id);
  await requireSitting(deps, guardianId);
  const now = await clock.now();
  // Whoever is second sits down at the same table.
  await db.transaction((trx) =>
    store.moveOn(trx, { id, from: ['open'] }, { state: 'under-way', started_at: now }),
  );
  return sitdown(deps, guardianId, id);
}

/** @throws HttpProblem 409 `too-late` where it is over. */
export async function endSitdown(
  deps: Deps,
  guardianId: string,
  id: string,
  { pages }: BodyOf<typeof sitdownRoutes.end>,
): Promise<Sitdown> {
  const { db, clock } = deps;
  const before = await sitdown(deps, guardianId, id);
  const { writes } = await requireSitting(deps, guardianId);
  const now = await clock.now();
  const own = pages.filter(
    ({ studentId }) =>
      writes.includes(studentId) && before.pages.some((page) => page.studentId === studentId),
  );
  const done = await db.transaction(async (trx) => {
    const held = await store.moveOn(
      trx,
      { id, from: ['open', 'under-way'] },
      { state: 'held', ended_at: now },
    );
    if (!held) return false;
    for (const { studentId, sections } of own)
      await store.keepPage(trx, { sitdownId: id, studentId }, sections);
    return true;
  });
  if (!done) throw new HttpProblem('too-late');
  return sitdown(deps, guardianId, id);
}

/** @throws HttpProblem 409 `too-late` where one has sat down with it. */
export async function dropSitdown(deps: Deps, guardianId: string, id: string): Promise<void> {
  await sitdown(deps, guardianId, id);
  await requireSitting(deps, guardianId);
  const { id: householdId } = await householdOf(deps.db, guardianId);
  if (!(await store.dropOpen(deps.db, householdId, id))) throw new HttpProblem('too-late');
}

/** Which entry of the calendar is the weekly one. @throws HttpProblem 404 for none that the guardian sees. */
export async function setRhythm(deps: ServerDeps, guardianId: string, entryId: string | null): Promise<void> {
  await requireSitting(deps, guardianId);
  if (entryId !== null) await readEntry(deps, guardianId, entryId);
  const { id: householdId } = await householdOf(deps.db, guardianId);
  await deps.db.transaction((trx) => store.setRhythm(trx, householdId, entryId));
}
