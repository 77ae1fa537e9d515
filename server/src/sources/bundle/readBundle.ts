import { oneRosterCollections, oneRosterNames, type OneRosterName, type SyncFault } from '@cadro/contract';
import type { NeutralCollection, NeutralRecord } from '../../records';
import { translateRow } from '../oneRoster/translate';
import { misfitOf, nameOf, neutralsOf } from '../readRows';
import type { Told } from '../translation';
import { openArchive, usualArchiveLimits, type Archive, type ArchiveLimits } from './archive';
import { recordOf, type Joined } from './columns';
import { readJoined } from './joined';
import { readManifest, type Mode } from './manifest';
import { readRowsOf } from './rows';

/** Where in a bundle something stands; the row is null for what concerns a file as a whole. */
export interface Origin {
  readonly file: string;
  /** With the heading as 1. */
  readonly row: number | null;
}

/** A row that cannot be taken, or not wholly, and why. */
export interface RowFault extends Origin {
  readonly sourcedId: string | null;
  readonly fault: SyncFault;
  readonly reason: string;
  readonly raw: unknown;
}

export interface BundleRecord extends Origin {
  readonly collection: NeutralCollection;
  readonly record: NeutralRecord;
}

/** Some rows of one table, in order. */
export interface Batch {
  readonly name: OneRosterName;
  readonly mode: Mode;
  readonly records: readonly BundleRecord[];
  readonly faults: readonly RowFault[];
  /** The last row of them, from which on one can go on. */
  readonly upTo: number;
  /** Whether it is the table's last. */
  readonly last: boolean;
}

const batchSize = 4000;

/** In reading order: what is referred to comes before what refers to it. */
const names: readonly OneRosterName[] = [
  ...oneRosterNames({ apart: false }).slice(0, 4),
  ...oneRosterNames({ apart: true }),
  ...oneRosterNames({ apart: false }).slice(4),
];

interface Table {
  readonly name: OneRosterName;
  readonly mode: Mode;
  readonly joined: Joined;
  readonly told: Told;
}

type Row = { readonly records: readonly BundleRecord[]; readonly faults: readonly RowFault[] };

/** One row, as far as it can be understood. */
function readRow(
  { name, mode, joined, told }: Table,
  row: number,
  fields: Readonly<Record<string, string>>,
): Row {
  const file = `${name}.csv`;
  const raw = recordOf(name, fields, joined);
  const sourcedId = nameOf(raw, 'sourcedId', row);
  const refuse = (fault: SyncFault, reason: string): RowFault => ({
    ...{ file, row, sourcedId, fault, reason },
    raw: fields,
  });
  const misfit = misfitOf(oneRosterCollections[name].row, raw);
  if (misfit !== null) return { records: [], faults: [refuse('misfit', misfit)] };
  const { doubts, records } = neutralsOf(
    (each: never, at: Told) => translateRow(name, each, at),
    raw as never,
    told,
  );
  const isWhole = mode === 'bulk';
  return {
    records: records.map(({ collection, record }) => ({
      collection,
      file,
      row,
      record: collection === 'results' && isWhole ? { ...record, whole: true } : record,
    })),
    faults: doubts.map(({ fault, detail }) => refuse(fault, detail)),
  };
}

async function* batchesOf(archive: Archive, table: Table, after: number): AsyncGenerator<Batch> {
  const { name, mode } = table;
  const open = archive.tables.get(`${name}.csv`.toLowerCase());
  if (!open) return;
  let records: BundleRecord[] = [];
  let faults: RowFault[] = [];
  let upTo = after;
  let count = 0;
  const batch = (last: boolean): Batch => {
    const made = { name, mode, records, faults, upTo, last };
    [records, faults, count] = [[], [], 0];
    return made;
  };
  for await (const read of readRowsOf(open)) {
    if (read.row <= after) continue;
    upTo = read.row;
    count += 1;
    if (read.fault !== undefined) {
      const sourcedId = read.sourcedId === '' ? null : read.sourcedId;
      const place = { file: `${name}.csv`, row: read.row, sourcedId };
      faults.push({ ...place, fault: 'misfit', reason: read.fault, raw: null });
    } else {
      const row = readRow(table, read.row, read.fields);
      records.push(...row.records);
      faults.push(...row.faults);
    }
    if (count >= batchSize) yield batch(false);
  }
  yield batch(true);
}

/** How a reading goes on where it was cut: from a table on, after a row of it. */
export interface From {
  readonly name: OneRosterName;
  readonly row: number;
}

export interface OpenBundle {
  /** What is wrong with files as a whole. */
  readonly faults: readonly RowFault[];
  readonly modes: ReadonlyMap<OneRosterName, Mode>;
  /** Whether it tells of people, whose roles may have been told before. */
  readonly namesPeople: boolean;
  /** People's roles, by this bundle or by those before it. */
  readonly rolesOf: Joined['rolesOf'];
  /** What is known of people whose roles this bundle does not tell anew. */
  knowRoles(before: Joined['rolesOf']): void;
  batches(from?: From): AsyncGenerator<Batch>;
  close(): void;
}

/**
 * Opens a bundle of OneRoster tables, 1.1 or 1.2; its rows are read as a stream, in the order of what refers to what.
 * @throws BundleError where nothing of it can be read.
 */
export async function openBundle(
  path: string,
  told: Told,
  limits: ArchiveLimits = usualArchiveLimits,
): Promise<OpenBundle> {
  const archive = await openArchive(path, limits);
  try {
    const manifest = await readManifest(archive, names);
    const own = await readJoined(archive);
    let before: Joined['rolesOf'] = () => [];
    const rolesOf: Joined['rolesOf'] = (id) => {
      const roles = own.rolesOf(id);
      return roles.length > 0 ? roles : before(id);
    };
    const joined = { ...own, rolesOf };
    const modeOf = (name: OneRosterName): Mode => manifest.modes.get(name) ?? 'absent';
    async function* batches(from?: From): AsyncGenerator<Batch> {
      const start = from ? names.indexOf(from.name) : 0;
      for (const name of names.slice(start)) {
        if (modeOf(name) === 'absent') continue;
        yield* batchesOf(
          archive,
          { name, mode: modeOf(name), joined, told },
          from?.name === name ? from.row : 1,
        );
      }
    }
    return {
      faults: manifest.doubts.map((doubt) => ({
        ...{ ...doubt, row: null, sourcedId: null, raw: null },
        fault: 'misfit',
      })),
      modes: new Map(names.map((name) => [name, modeOf(name)])),
      namesPeople: archive.tables.has('users.csv'),
      rolesOf,
      knowRoles: (known) => (before = known),
      batches,
      close: () => archive.close(),
    };
  } catch (error) {
    archive.close();
    throw error;
  }
}
