import { createHash } from 'node:crypto';
import { misfits } from '@cadro/contract/parse';
import type { TObject } from '@sinclair/typebox';
import type { NeutralCollection, NeutralRecord } from '../records';
import type { BrokenRecord, Page } from './connector';
import { instantOf } from './oneRoster/moments';
import type { Told, Translation } from './translation';

export const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Without members that are null: many sources write what they do not have so. */
export function withoutNulls(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(withoutNulls);
  if (!isObject(value)) return value;
  return Object.fromEntries(
    Object.entries(value).flatMap(([name, each]) => (each === null ? [] : [[name, withoutNulls(each)]])),
  );
}

/** Looked for first, because most texts have none of them: it takes a fraction of the time. */
const odd = /[\0\ud800-\udfff]/;

/** Texts that no database keeps: with the character of number 0, or with half a character. */
function unkeepable(value: unknown): boolean {
  if (typeof value === 'string') return odd.test(value) && /\0|\p{Surrogate}/u.test(value);
  if (Array.isArray(value)) return value.some(unkeepable);
  if (!isObject(value)) return false;
  for (const name in value) if (unkeepable(name) || unkeepable(value[name])) return true;
  return false;
}

const mostKept = 20_000;

/** A record as it came, for who mends it: its texts as they can be kept, its beginning where it is long. */
export function keepable(raw: unknown): unknown {
  const text = JSON.stringify(raw) ?? 'null';
  const whole = text.length > mostKept ? JSON.stringify({ beginsWith: text.slice(0, mostKept) }) : text;
  return JSON.parse(whole.replace(/\\u0000/g, '\\ufffd').replace(/\\ud[89a-f][0-9a-f]{2}/gi, '\\ufffd'));
}

/** How a record is named where people look for it: by its id, or by its place where it has none. */
export function nameOf(raw: unknown, idMember: string, place: number): string {
  const id = isObject(raw) ? raw[idMember] : undefined;
  return typeof id === 'string' && id !== '' && id.length <= 300 && !unkeepable(id) ? id : `row ${place}`;
}

/** Tells whether the same records came again. */
export const digestOf = (rows: readonly unknown[]): string =>
  createHash('sha1').update(JSON.stringify(rows)).digest('base64');

/**
 * What is wrong with a row, by the place in it; null where nothing is. Never what stands there: it may be another child's.
 */
export function misfitOf(schema: TObject, row: unknown): string | null {
  if (unkeepable(row)) return '/ holds a character that cannot be kept';
  const found = misfits(schema, row);
  // Of what can be written in several ways each has its complaint.
  const [first, ...others] = found;
  if (first && others.some(({ path }) => path === first.path))
    return `${first.path} is none of what it can be`;
  return found.length === 0 ? null : found.map(({ path, message }) => `${path} ${message}`).join('; ');
}

/** A row's neutral records in a list, with what was not understood. */
export function neutralsOf<Row>(translate: Translation<Row>, row: Row, told: Told) {
  const { doubts = [], ...neutrals } = translate(row, told);
  const records: { collection: NeutralCollection; record: NeutralRecord }[] = [];
  for (const [name, translated] of Object.entries(neutrals)) {
    const collection = name as NeutralCollection; // the type of what is translated says so
    if (Array.isArray(translated))
      for (const record of translated as NeutralRecord[]) records.push({ collection, record });
    else records.push({ collection, record: translated as NeutralRecord });
  }
  return { doubts, records };
}

/** How a kind of rows is read. */
export interface RowKind {
  readonly schema: TObject;
  /** Where a row has its id and its change instant. */
  readonly members: { readonly id: string; readonly changed: string };
  /** Must be the schema's own: it is given what the schema has let through. */
  readonly translate: Translation<never>;
}

/** Checks each record by itself: one that does not fit is set aside with its reason, the others go on. */
export function readRows(
  rows: readonly unknown[],
  { schema, members, translate }: RowKind,
  told: Told,
): Omit<Page, 'digest'> {
  const broken: BrokenRecord[] = [];
  const sound: string[] = [];
  const records: Page['records'][number][] = [];
  let changedUpTo: string | null = null;
  rows.forEach((raw, index) => {
    const externalId = nameOf(raw, members.id, index + 1);
    const reason = misfitOf(schema, raw);
    if (reason !== null) return void broken.push({ externalId, fault: 'misfit', reason, raw });
    const row = raw as Record<string, unknown>; // checked above
    const written = row[members.changed];
    const changed = typeof written === 'string' ? instantOf(written, told.zone, 'start') : null;
    // One that lies ahead would hide all that changes before it.
    if (changed !== null && changed <= told.now && (changedUpTo === null || changed > changedUpTo))
      changedUpTo = changed;
    const { doubts, records: translated } = neutralsOf(translate, row as never, told);
    for (const each of translated) records.push({ ...each, changed });
    if (doubts.length === 0) sound.push(externalId);
    for (const { fault, detail } of doubts) broken.push({ externalId, fault, reason: detail, raw });
  });
  return { records, broken, sound, changedUpTo };
}
