import type { Db } from '../../kit';

/** Of some children those whom somebody sees, or saw since then. */
export const seenSince = (db: Db, studentIds: readonly string[], since: Date): Promise<string[]> =>
  db('guardian_links')
    .whereIn('student_id', [...studentIds])
    .where((is) => is.whereNull('ended_at').orWhere('ended_at', '>=', since))
    .distinct()
    .pluck('student_id');
