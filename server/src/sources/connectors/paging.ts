import { createHash } from 'node:crypto';
import { misfits } from '@cadro/contract/parse';
import type { TObject } from '@sinclair/typebox';
import { SourceError } from '../errors';
import type { NeutralCollection, NeutralRecord } from '../../records';
import type { BrokenRecord, Page } from '../connector';

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

/** Tells whether the same records came again. */
const digestOf = (rows: readonly unknown[]): string =>
  createHash('sha1').update(JSON.stringify(rows)).digest('base64');

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
  let latest: unknown[] = [];
  rows.forEach((raw, index) => {
    const found = misfits(schema, raw);
    if (found.length > 0) {
      const reason = found.map(({ path, message }) => `${path} ${message}`).join('; ');
      broken.push({ externalId: nameOf(raw, members.id, index), fault: 'misfit', reason, raw });
      return;
    }
    const row = raw as Record<string, unknown>; // checked above
    const changed = new Date(String(row[members.changed])).toISOString();
    if (changedUpTo === null || changed > changedUpTo) {
      changedUpTo = changed;
      latest = [];
    }
    if (changed === changedUpTo) latest.push(raw);
    for (const [collection, translated] of Object.entries(translate(row as never))) {
      for (const record of [translated].flat()) {
        records.push({ collection: collection as NeutralCollection, record });
      }
    }
  });
  return { records, broken, changedUpTo, digest: digestOf(rows), latest: digestOf(latest) };
}

/** A millisecond early, so that a source's `>` gives again what changed in that very instant. */
export const justBefore = (instant: string): string => new Date(Date.parse(instant) - 1).toISOString();

/** A row's change instant in one notation, null where it has none. */
function changeOf(row: unknown, member: string): string | null {
  const value = isObject(row) ? row[member] : undefined;
  const at = typeof value === 'string' ? Date.parse(value) : NaN;
  return Number.isNaN(at) ? null : new Date(at).toISOString();
}

/** The last change of a page that came in order of change; null where the source does not sort. */
function lastInOrder(rows: readonly unknown[], member: string): string | null {
  const changes = rows.map((row) => changeOf(row, member));
  const sorted = changes.every((at, index) => at !== null && at >= (changes[index - 1] ?? ''));
  return sorted ? (changes.at(-1) ?? null) : null;
}

/** Records asked for at once; a source may give fewer. */
export const pageSize = 200;

/**
 * Walks a collection page by page, oldest change first, until its total is reached. A page starts at the last
 * change seen, not at an offset: a record that changes meanwhile moves to the end of the list, and an offset
 * would then skip the one that slips into its place. Where a whole page changed in one instant, or the source
 * does not sort, an offset is all there is, with that weakness.
 * @param read asks for what changed after `since` (everything when null), from `offset` on.
 * @param member where a row has its change instant.
 */
export async function* walk(
  read: (since: string | null, offset: number) => Promise<{ rows: unknown[]; total: number | null }>,
  member: string,
  since: string | null,
): AsyncGenerator<unknown[]> {
  let from = since;
  let offset = 0;
  for (;;) {
    const { rows, total } = await read(from, offset);
    if (rows.length === 0) return;
    yield rows;
    if (total === null ? rows.length < pageSize : offset + rows.length >= total) return;
    const last = lastInOrder(rows, member);
    const next = last && justBefore(last);
    if (next && (from === null || next > from)) {
      from = next;
      offset = 0;
    } else {
      offset += rows.length;
    }
  }
}
