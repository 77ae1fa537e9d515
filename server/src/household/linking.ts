import { roles, type Child, type LinkPreview } from '@cadro/contract';
import { hashCode, HttpProblem, type Deps, type Trx } from '../kit';
import { codeByHash, useCode, type LinkCode } from '../records';
import * as store from './store';

/** What is to happen when a child has been linked, in the transaction that links it. */
export type LinkHook = (trx: Trx, studentId: string) => Promise<void>;

async function usableCode(trx: Trx, code: string, guardianId: string, now: Date): Promise<LinkCode> {
  const row = await codeByHash(trx, hashCode(code));
  if (!row) throw new HttpProblem('code-unknown');
  if (row.used_at) throw new HttpProblem('code-used');
  if (row.expires_at < now) throw new HttpProblem('code-expired');
  const linked = await store.linkedChildren(trx, guardianId, roles);
  if (linked.some(({ id }) => id === row.student_id)) throw new HttpProblem('already-linked');
  return row;
}

/** Whose record a code opens. Nothing is written. */
export async function previewLink(
  { db, clock }: Deps,
  guardianId: string,
  code: string,
): Promise<LinkPreview> {
  const now = await clock.now();
  const row = await db.transaction((trx) => usableCode(trx, code, guardianId, now));
  return {
    givenName: row.given_name,
    familyName: row.family_name,
    year: row.year,
    schoolName: row.school_name,
  };
}

/** Uses a code up and links its child, both or neither. */
export async function linkChild(
  { db, clock }: Deps,
  guardianId: string,
  code: string,
  onLinked: LinkHook,
): Promise<Child> {
  const now = await clock.now();
  return db.transaction(async (trx) => {
    const row = await usableCode(trx, code, guardianId, now);
    await store.putLink(trx, { studentId: row.student_id, guardianId, role: 'guardian', now });
    await useCode(trx, row.code_hash, guardianId, now);
    const child = (await store.linkedChildren(trx, guardianId, roles)).find(
      ({ id }) => id === row.student_id,
    );
    await onLinked(trx, row.student_id);
    if (!child) throw new Error('the link just written cannot be read');
    return child;
  });
}
