import type { OperatorState } from '@cadro/contract';
import { bouncedAddresses } from '../alerts';
import { openObjections, refusedMails, restrictions, unmetRestrictions } from '../household';
import { queueState, tableSizes, type Db } from '../kit';
import { sourceStates } from './sourcePages';

const shownSizes = 12;
const iso = (at: Date | null): string | null => at?.toISOString() ?? null;

/** How this Cadro is doing. */
export async function stateOf(db: Db, name: string): Promise<OperatorState> {
  const [sources, objections, held, unmet, bounced, refused, queue, sizes] = await Promise.all([
    sourceStates(db),
    openObjections(db),
    restrictions(db),
    unmetRestrictions(db),
    bouncedAddresses(db),
    refusedMails(db),
    queueState(db),
    tableSizes(db),
  ]);
  return {
    name,
    sources,
    objections: objections.map((row) => ({ ...row, at: row.at.toISOString() })),
    restrictions: held.map((row) => ({
      ...{ id: row.id, child: row.given_name, what: row.what, course: row.course_title },
      ...{ person: row.name, at: row.made_at.toISOString() },
    })),
    unmet: unmet.map((row) => ({
      ...{ studentId: row.student_id, child: row.given_name, what: row.what },
      ...{ course: row.course_title, person: row.name },
    })),
    bounced: [
      ...bounced.map(({ email, at }) => ({ address: email, at: at.toISOString() })),
      ...refused.map(({ address, at }) => ({ address, at: at.toISOString() })),
    ],
    queue: queue.map(({ task, waiting, oldest, failed }) => ({
      ...{ task, waiting: Number(waiting), oldest: iso(oldest), failed: Number(failed) },
    })),
    sizes: sizes
      .slice(0, shownSizes)
      .map(({ name: table, rows, bytes }) => ({ table, rows: Number(rows), bytes: Number(bytes) })),
  };
}
