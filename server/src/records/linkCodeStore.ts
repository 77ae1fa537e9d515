import type { Trx } from '../kit';

export interface LinkCode {
  readonly code_hash: string;
  readonly student_id: string;
  readonly expires_at: Date;
  readonly used_at: Date | null;
  readonly given_name: string;
  readonly family_name: string;
  readonly year: string;
  readonly school_name: string;
}

/**
 * A code with the child it opens; locked for the transaction, so that two cannot use it at once. One that two schools have
 * given opens nothing.
 */
export async function codeByHash(trx: Trx, hash: string): Promise<LinkCode | undefined> {
  const [code, ...others] = await trx('link_codes as k')
    .join('student_profiles as s', 's.student_id', 'k.student_id')
    .where({ 'k.code_hash': hash })
    .forUpdate('k')
    .select<LinkCode[]>(
      'k.code_hash',
      'k.student_id',
      'k.expires_at',
      'k.used_at',
      's.given_name',
      's.family_name',
      's.year',
      's.school_name',
    );
  return others.length === 0 ? code : undefined;
}

/** Which of a source's codes another source has given, too. */
export const takenCodes = (trx: Trx, sourceId: string, ids: readonly string[]): Promise<string[]> =>
  trx('link_codes as k')
    .where({ 'k.source_id': sourceId })
    .whereIn('k.external_id', [...ids])
    .whereExists(
      trx('link_codes as o')
        .whereRaw('o.code_hash = k.code_hash')
        .whereNot({ 'o.source_id': sourceId })
        .select(),
    )
    .pluck('k.external_id');

/** A code opens one child for one guardian, once. */
export async function useCode(trx: Trx, hash: string, guardianId: string, now: Date): Promise<void> {
  await trx('link_codes').where({ code_hash: hash }).update({ used_at: now, used_by: guardianId });
}
