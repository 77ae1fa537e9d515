import { addJobs, type Db, type Trx } from '../kit';

/** Whoever is invited to some meetings is to hear how they stand now. */
export const invitationsJob = (trx: Db | Trx, meetingIds: readonly string[]): Promise<void> =>
  addJobs(
    trx,
    meetingIds.map((meetingId) => ({
      ...{ task: 'invitations', payload: { meetingId }, key: `invitations:${meetingId}` },
    })),
  );

/** A time goes back to the school. */
export const slotBackJob = (
  trx: Db | Trx,
  { slotId, studentId }: { readonly slotId: string; readonly studentId: string },
): Promise<void> =>
  addJobs(trx, [
    { task: 'slotBack', payload: { slotId, studentId }, key: `slot-back:${slotId}:${studentId}` },
  ]);
