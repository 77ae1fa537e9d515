import { misfits } from '@cadro/contract';
import type { TObject } from '@sinclair/typebox';
import { SourceError } from '../errors';
import type { BrokenRecord, NeutralCollection, NeutralRecord, Page } from '../neutral';

/** One record of the source becomes one or more neutral ones. */
export type Translation<Row> = (
  row: Row,
) => Partial<Record<NeutralCollection, NeutralRecord | NeutralRecord[]>>;

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The list inside an answer such as `{"results": [...]}`. */
export function listIn(body: unknown, member: string): unknown[] {
  const list = isObject(body) ? body[member] : undefined;
  if (!Array.isArray(list)) {
    throw new SourceError('source-nonsense', `the answer has no list named ${member}`, true);
  }
  return list;
}

function nameOf(raw: unknown, idMember: string, index: number): string {
  const id = isObject(raw) ? raw[idMember] : undefined;
  return typeof id === 'string' && id !== '' ? id : `row ${index + 1}`;
}

/**
 * Checks each record by itself: one that does not fit is set aside with its reason, the others go on.
 * `translate` must be the schema's own: it is given what the schema has let through.
 */
export function readPage(
  rows: readonly unknown[],
  schema: TObject,
  members: { id: string; changed: string },
  translate: Translation<never>,
): Page {
  const broken: BrokenRecord[] = [];
  const records: { collection: NeutralCollection; record: NeutralRecord }[] = [];
  let changedUpTo: string | null = null;
  rows.forEach((raw, index) => {
    const found = misfits(schema, raw);
    if (found.length > 0) {
      const reason = found.map(({ path, message }) => `${path} ${message}`).join('; ');
      broken.push({ externalId: nameOf(raw, members.id, index), reason, raw });
      return;
    }
    const row = raw as Record<string, unknown>; // checked above
    const changed = new Date(String(row[members.changed])).toISOString();
    if (changedUpTo === null || changed > changedUpTo) changedUpTo = changed;
    for (const [collection, translated] of Object.entries(translate(row as never))) {
      for (const record of [translated].flat()) {
        records.push({ collection: collection as NeutralCollection, record });
      }
    }
  });
  return { records, broken, changedUpTo };
}

/** Walks a collection by limit and offset until its total is reached or a page comes back short. */
export async function* walk(
  read: (limit: number, offset: number) => Promise<{ rows: unknown[]; total: number | null }>,
  limit = 200,
): AsyncGenerator<unknown[]> {
  for (let offset = 0; ; offset += limit) {
    const { rows, total } = await read(limit, offset);
    if (rows.length > 0) yield rows;
    if (rows.length < limit || (total !== null && offset + limit >= total)) return;
  }
}
