import type { Archive } from './archive';
import { text, type Fields, type Joined } from './columns';
import { readRowsOf } from './rows';

/** The rows of a table that can be read; a broken one of them says nothing. */
async function* rowsOf(archive: Archive, name: string): AsyncGenerator<Fields> {
  const open = archive.tables.get(`${name}.csv`.toLowerCase());
  if (!open) return;
  for await (const read of readRowsOf(open)) if (read.fault === undefined) yield read.fields;
}

const isGone = (fields: Fields): boolean => text(fields, 'status')?.toLowerCase() === 'tobedeleted';

async function listBy<T>(
  rows: AsyncIterable<Fields>,
  key: string,
  make: (fields: Fields) => T | null,
): Promise<Map<string, T[]>> {
  const lists = new Map<string, T[]>();
  for await (const fields of rows) {
    const id = text(fields, key);
    const made = id === undefined || isGone(fields) ? null : make(fields);
    if (id === undefined || made === null) continue;
    const list = lists.get(id);
    if (list) list.push(made);
    else lists.set(id, [made]);
  }
  return lists;
}

/** What is known of a person's roles beside what the bundle says. */
export interface RolesOfPerson {
  readonly id: string;
  readonly roles: readonly object[];
}

const roleOf = (fields: Fields) => {
  const role = text(fields, 'role')?.toLowerCase();
  const org = text(fields, 'orgSourcedId');
  return role === undefined
    ? null
    : { role, roleType: text(fields, 'roleType') ?? 'primary', ...(org ? { org: { sourcedId: org } } : {}) };
};

const levelOf = (fields: Fields) => {
  const learningObjectiveId = text(fields, 'learningObjectiveId');
  const score = text(fields, 'score');
  return learningObjectiveId === undefined ? null : { learningObjectiveId, ...(score ? { score } : {}) };
};

const number = (value: string | undefined): number | null =>
  value !== undefined && /^\d+([.]\d+)?$/.test(value.trim()) ? Number(value) : null;

/** `{A:95},{B:85}`, either side first: what each word is worth. */
function worths(value: string): Map<string, number> {
  const pairs = [...value.matchAll(/\{\s*([^:{}]+?)\s*:\s*([^{}]+?)\s*\}/g)];
  return new Map(
    pairs.flatMap(([, left = '', right = '']): [string, number][] => {
      const [worth, word] = [number(right) ?? number(left), number(right) === null ? right : left];
      return worth === null ? [] : [[word.toLowerCase(), worth]];
    }),
  );
}

/** The scale each result or assignment is on, by whichever table says it. */
async function scalesOf(archive: Archive) {
  const scales = new Map<string, Map<string, number>>();
  for await (const fields of rowsOf(archive, 'scoreScales')) {
    const id = text(fields, 'sourcedId');
    if (id !== undefined && !isGone(fields)) scales.set(id, worths(text(fields, 'scoreScaleValue') ?? ''));
  }
  const scaleIn = (fields: Fields) => scales.get(text(fields, 'scoreScaleSourcedId') ?? '') ?? null;
  const none = scales.size === 0;
  return {
    scaleIn,
    ofItem: none ? null : await listBy(rowsOf(archive, 'lineItemScoreScales'), 'lineItemSourcedId', scaleIn),
    ofResult: none ? null : await listBy(rowsOf(archive, 'resultScoreScales'), 'resultSourcedId', scaleIn),
  };
}

/**
 * What stands in tables beside those that are read: people's roles, results' levels, and what a word is worth. They are
 * held in memory, some hundred bytes a row.
 */
export async function readJoined(archive: Archive): Promise<Joined> {
  const roles = await listBy(rowsOf(archive, 'roles'), 'userSourcedId', roleOf);
  const levels = await listBy(rowsOf(archive, 'resultLearningObjectiveIds'), 'resultSourcedId', levelOf);
  const { scaleIn, ofItem, ofResult } = await scalesOf(archive);
  const none: readonly object[] = [];
  return {
    rolesOf: (userId) => roles.get(userId) ?? none,
    levelsOf: (resultId) => levels.get(resultId) ?? none,
    worthOf: (result) => {
      const word = text(result, 'textScore')?.toLowerCase();
      if (word === undefined) return null;
      const scale =
        scaleIn(result) ??
        ofResult?.get(text(result, 'sourcedId') ?? '')?.[0] ??
        ofItem?.get(text(result, 'lineItemSourcedId') ?? '')?.[0];
      return scale?.get(word) ?? null;
    },
  };
}
