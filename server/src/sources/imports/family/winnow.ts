import type { WantedChild } from '@cadro/contract';
import { plainTitle } from '@cadro/core/own';
import { stringify } from 'csv-stringify/sync';
import { zipOf, type PackedFile } from '../../../kit';
import { openArchive, type Archive, type ArchiveLimits } from '../../bundle/archive';
import { text, type Fields } from '../../bundle/columns';
import { readRowsOf } from '../../bundle/rows';

/** What a family's file may be; a school's whole year is about as large. */
const familyArchiveLimits: ArchiveLimits = { files: 200, bytes: 1e9, ratio: 200 };

export interface WinnowAsk {
  readonly path: string;
  readonly wanted: readonly WantedChild[];
  /** Children that are known of this source already, by the school's ids. */
  readonly known: readonly string[];
  /** What the packed files bear for their time. */
  readonly at: Date;
}

export type Winnowed =
  | { readonly found: readonly string[]; readonly zip: Uint8Array }
  | { readonly fault: 'child-not-in-file' | 'several-in-file'; readonly name: string };

async function* rowsOf(archive: Archive, name: string): AsyncGenerator<Fields> {
  const open = archive.tables.get(`${name}.csv`.toLowerCase());
  if (!open) return;
  for await (const read of readRowsOf(open)) if (read.fault === undefined) yield read.fields;
}

/** The rows of a table that are kept, as they are. */
async function kept(archive: Archive, name: string, is: (fields: Fields) => boolean): Promise<Fields[]> {
  const rows: Fields[] = [];
  for await (const fields of rowsOf(archive, name)) if (is(fields)) rows.push(fields);
  return rows;
}

const idOf = (fields: Fields): string => text(fields, 'sourcedId') ?? '';
const valueOf = (fields: Fields, name: string): string => text(fields, name) ?? '';
const ids = (rows: readonly Fields[], name = 'sourcedId'): Set<string> =>
  new Set(rows.map((fields) => valueOf(fields, name)));

const isCalled = (fields: Fields, { givenName, familyName }: WantedChild): boolean =>
  plainTitle(valueOf(fields, 'familyName')) === plainTitle(familyName) &&
  [
    valueOf(fields, 'givenName'),
    valueOf(fields, 'preferredGivenName'),
    valueOf(fields, 'preferredFirstName'),
  ].some((name) => name !== '' && plainTitle(name) === plainTitle(givenName));

const isNumbered = (fields: Fields, number: string): boolean =>
  [idOf(fields), valueOf(fields, 'identifier'), valueOf(fields, 'username')].some(
    (each) => each !== '' && each.toLowerCase() === number.trim().toLowerCase(),
  );

/** Which people of a bundle are the children somebody names. */
async function childrenOf(
  archive: Archive,
  { wanted, known }: WinnowAsk,
): Promise<{ readonly found: Set<string> } | Extract<Winnowed, { fault: string }>> {
  const students = new Set<string>();
  for await (const fields of rowsOf(archive, 'roles'))
    if (valueOf(fields, 'role').toLowerCase() === 'student') students.add(valueOf(fields, 'userSourcedId'));
  const found = new Map<WantedChild, string[]>(wanted.map((child) => [child, []]));
  for await (const fields of rowsOf(archive, 'users')) {
    const role = valueOf(fields, 'role').toLowerCase();
    if (role === '' ? !students.has(idOf(fields)) : role !== 'student') continue;
    for (const child of wanted) {
      if (!isCalled(fields, child)) continue;
      if (child.number !== null && !isNumbered(fields, child.number)) continue;
      found.get(child)?.push(idOf(fields));
    }
  }
  // An addition need not tell anew who is who.
  const isAddition = !archive.tables.has('users.csv');
  for (const [{ givenName }, matches] of found) {
    if (matches.length === 0 && !isAddition && known.length === 0)
      return { fault: 'child-not-in-file', name: givenName };
    if (new Set(matches).size > 1) return { fault: 'several-in-file', name: givenName };
  }
  const own = [...found.values()].flat();
  const all = new Set([...own, ...known]);
  return all.size === 0 ? { fault: 'child-not-in-file', name: wanted[0]?.givenName ?? '' } : { found: all };
}

/** A table of a bundle; the columns are those of its rows. */
const tableOf = (name: string, rows: readonly Fields[]): PackedFile => ({
  path: `${name}.csv`,
  content: stringify(rows as Fields[], { header: true, columns: Object.keys(rows[0] ?? { sourcedid: '' }) }),
});

/** The rows that are about some children or that theirs name; people beside them are teachers alone. */
async function ownRows(archive: Archive, children: ReadonlySet<string>): Promise<Map<string, Fields[]>> {
  const isTheirs = (name: string) => (fields: Fields) => children.has(valueOf(fields, name));
  const classes = ids(await kept(archive, 'enrollments', isTheirs('userSourcedId')), 'classSourcedId');
  const enrollments = await kept(
    archive,
    'enrollments',
    (fields) =>
      isTheirs('userSourcedId')(fields) ||
      (classes.has(valueOf(fields, 'classSourcedId')) && valueOf(fields, 'role').toLowerCase() === 'teacher'),
  );
  const people = ids(enrollments, 'userSourcedId');
  const isPerson = (id: string) => people.has(id) || children.has(id);
  const lineItems = await kept(archive, 'lineItems', (fields) =>
    classes.has(valueOf(fields, 'classSourcedId')),
  );
  const items = ids(lineItems);
  const results = await kept(archive, 'results', isTheirs('studentSourcedId'));
  const resultIds = ids(results);
  const categories = ids(lineItems, 'categorySourcedId');
  const all = () => true;
  const of = (name: string, is: (fields: Fields) => boolean) => kept(archive, name, is);
  return new Map([
    ['orgs', await of('orgs', all)],
    ['academicSessions', await of('academicSessions', all)],
    ['users', (await of('users', (fields) => isPerson(idOf(fields)))).map(withoutOthers)],
    ['roles', await of('roles', (fields) => isPerson(valueOf(fields, 'userSourcedId')))],
    ['demographics', await of('demographics', (fields) => children.has(idOf(fields)))],
    ['classes', await of('classes', (fields) => classes.has(idOf(fields)))],
    ['enrollments', enrollments],
    ['categories', await of('categories', (fields) => categories.has(idOf(fields)))],
    ['lineItems', lineItems],
    ['results', results],
    ['scoreScales', await of('scoreScales', all)],
    [
      'lineItemScoreScales',
      await of('lineItemScoreScales', (f) => items.has(valueOf(f, 'lineItemSourcedId'))),
    ],
    ['resultScoreScales', await of('resultScoreScales', (f) => resultIds.has(valueOf(f, 'resultSourcedId')))],
    [
      'resultLearningObjectiveIds',
      await of('resultLearningObjectiveIds', (f) => resultIds.has(valueOf(f, 'resultSourcedId'))),
    ],
  ]);
}

/** Whom the school names for a child are people of whom nothing is kept. */
const withoutOthers = (fields: Fields): Fields => ({
  ...fields,
  ...('agentsourcedids' in fields ? { agentsourcedids: '' } : {}),
});

/**
 * Leaves of a bundle what is about the children somebody names, and nothing of any other child: another bundle, to be
 * read like any.
 * @throws BundleError where nothing of it can be read.
 */
export async function winnow(ask: WinnowAsk): Promise<Winnowed> {
  const archive = await openArchive(ask.path, familyArchiveLimits);
  try {
    const children = await childrenOf(archive, ask);
    if ('fault' in children) return children;
    const rows = await ownRows(archive, children.found);
    const files = [...rows].flatMap(([name, own]) =>
      archive.tables.has(`${name}.csv`.toLowerCase()) ? [tableOf(name, own)] : [],
    );
    const manifest = await kept(archive, 'manifest', () => true);
    const packed = manifest.length > 0 ? [tableOf('manifest', manifest), ...files] : files;
    return { found: [...children.found], zip: await zipOf(packed, ask.at) };
  } finally {
    archive.close();
  }
}
