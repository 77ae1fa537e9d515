import { roles, trailKinds, trailRoutes, type TrailEntry } from '@cadro/contract';
import { dateIn } from '@cadro/core';
import type { RequestHandler, Router } from 'express';
import { mount, newRouter, type Db, type ServerDeps } from '../../kit';
import { requireChild } from '../access';
import { requireGuardian } from '../me';
import { linkedChildren } from '../store';
import { addToTrail, recordsOpened, trailOf, type TrailRow } from './trailStore';

const isShown = (kind: string): kind is TrailEntry['kind'] => trailKinds.some((each) => each === kind);

/** Names of the own household, and of those that show themselves. */
function entryOf(row: TrailRow, household: string): TrailEntry[] {
  if (!isShown(row.kind)) return [];
  const known = row.by_household === household || row.by_shows === true;
  const aboutKnown = row.about_household === household || row.about_shows === true;
  return [
    {
      ...{ at: row.at.toISOString(), kind: row.kind, role: row.params.role ?? null },
      by: known ? row.by_name : null,
      unnamed: row.person_id !== null && !known,
      everyone: row.about_id === null,
      about: aboutKnown ? row.about_name : null,
    },
  ];
}

/** The trail of a child, for its guardians. */
export function trailRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(router, trailRoutes.trail, async ({ deps, guardianId, params }) => {
    await requireChild(deps.db, guardianId, params.studentId, 'manage-people');
    const { household_id } = await requireGuardian(deps, guardianId);
    const rows = await trailOf(deps.db, params.studentId);
    return { entries: rows.flatMap((row) => entryOf(row, household_id)) };
  });
  return router;
}

/** Puts down that somebody has taken away all there is of some children. */
export const putExported = (
  db: Db,
  personId: string,
  studentIds: readonly string[],
  at: Date,
): Promise<void> =>
  addToTrail(db, ...studentIds.map((studentId) => ({ at, kind: 'exported' as const, personId, studentId })));

/** Rooms whose answers hold a child's record. */
const recordRooms = /^\/api\/(brief|news|work|courses|days|calendar|supplies|students)\b/;
const hourMs = 3_600_000;
/** So many are remembered by one process; then it begins anew, and only asks the table once more. */
const mostRemembered = 50_000;

/**
 * Puts down who opened whose record on which day, once an answer has gone out. What this process has put down within
 * the hour it does not put down again.
 */
export function notesLooks({ db, clock, wall, log }: ServerDeps): RequestHandler {
  const noted = new Set<string>();
  const note = async (guardianId: string, studentId: string | undefined): Promise<void> => {
    const hour = Math.floor((await wall.now()).getTime() / hourMs);
    const key = `${hour}:${guardianId}:${studentId ?? 'all'}`;
    if (noted.has(key)) return;
    if (noted.size >= mostRemembered) noted.clear();
    noted.add(key);
    const children = await linkedChildren(db, guardianId, roles);
    const at = await clock.now();
    await recordsOpened(
      db,
      guardianId,
      children
        .filter(({ id }) => studentId === undefined || id === studentId)
        // A day is one of the child's school: late in the evening it is still the same.
        .map(({ id, timeZone }) => ({ studentId: id, on: dateIn(timeZone, at) })),
      at,
    );
  };
  return (request, response, next) => {
    response.once('finish', () => {
      const route = String(response.locals['route'] ?? '');
      const guardianId = request.session?.guardianId;
      if (!guardianId || response.statusCode >= 400 || !recordRooms.test(route)) return;
      const studentId = /^\/api\/students\/([0-9a-f-]{36})/.exec(request.originalUrl)?.[1];
      note(guardianId, studentId).catch((error: unknown) =>
        log.error({ err: error }, 'a look was not put down'),
      );
    });
    next();
  };
}
