import { outRoutes } from '@cadro/contract';
import { bundleFiles, oneRosterOf } from '@cadro/core/out';
import { stringify } from 'csv-stringify/sync';
import type { Router } from 'express';
import writeSheets from 'write-excel-file/node';
import {
  fileNameOf,
  houseOf,
  HttpProblem,
  mount,
  newRouter,
  Produced,
  zipOf,
  type Deps,
  type ServerDeps,
} from '../../kit';
import { addClient, providerUrl } from './clients';
import { clientsOf, dropClient } from './clientStore';
import { householdOut } from './householdOut';
import { courseList, courseLists, workList, type OutList } from './lists';

const cells = (rows: readonly (readonly unknown[])[], formulas: boolean): string =>
  stringify(rows as unknown[][], { record_delimiter: '\r\n', bom: formulas, escape_formulas: formulas });

/** As a school exports it: the standard knows no guard against formulas, and no mark of its encoding. */
async function bundleOf(deps: Deps, guardianId: string): Promise<Buffer> {
  const now = await deps.clock.now();
  const tables = oneRosterOf(await householdOut(deps, guardianId), now.toISOString());
  const files = bundleFiles(tables).map(({ name, lines }) => ({ path: name, content: cells(lines, false) }));
  return zipOf(files, now);
}

/** For people and their spreadsheets: a cell that would run as a formula is guarded. */
async function listsOf(deps: Deps, guardianId: string): Promise<Buffer> {
  const children = await householdOut(deps, guardianId);
  const lists = [courseList(children), workList(children)];
  return zipOf(
    lists.map(({ name, rows }) => ({ path: `${name}.csv`, content: cells(rows, true) })),
    await deps.clock.now(),
  );
}

/** What no program takes for the name of a sheet, or for too long a one; of two the second gets a number. */
function sheetNames(lists: readonly OutList[]): string[] {
  const taken = new Set<string>();
  return lists.map(({ name }) => {
    const plain = fileNameOf(name)
      .replace(/[[\]']/g, ' ')
      .slice(0, 31)
      .trim();
    let own = plain;
    for (let count = 2; taken.has(own.toLowerCase()); count += 1)
      own = `${plain.slice(0, 28 - String(count).length)} ${count}`;
    taken.add(own.toLowerCase());
    return own;
  });
}

async function sheetsOf(deps: Deps, guardianId: string): Promise<Buffer> {
  const children = await householdOut(deps, guardianId);
  const lists = [courseList(children), ...courseLists(children)];
  const names = sheetNames(lists);
  return writeSheets(
    lists.map(({ rows }, at) => ({
      sheet: names[at] ?? `${at}`,
      // Text is text: nothing of it is ever a formula.
      data: rows.map((row, index) =>
        row.map((value) => {
          if (value === null) return null;
          return typeof value === 'number'
            ? { type: Number, value }
            : { type: String, value, ...(index === 0 ? { fontWeight: 'bold' as const } : {}) };
        }),
      ),
    })),
  ).toBuffer();
}

/** The household's records on their way out. */
export function outRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(
    router,
    outRoutes.bundle,
    async ({ deps, guardianId }) => new Produced(await bundleOf(deps, guardianId), 'cadro-oneroster.zip'),
  );
  mount(
    router,
    outRoutes.lists,
    async ({ deps, guardianId }) => new Produced(await listsOf(deps, guardianId), 'cadro-lists.zip'),
  );
  mount(
    router,
    outRoutes.sheets,
    async ({ deps, guardianId }) => new Produced(await sheetsOf(deps, guardianId), 'cadro-courses.xlsx'),
  );
  mount(router, outRoutes.clients, async ({ deps: { db, config }, guardianId }) => ({
    clients: (await clientsOf(houseOf(db), guardianId)).map(({ id, name, made_at, used_at }) => ({
      ...{ id, name, madeAt: made_at.toISOString(), usedAt: used_at?.toISOString() ?? null },
    })),
    baseUrl: providerUrl(config.publicUrl),
  }));
  mount(router, outRoutes.addClient, ({ deps, guardianId, body: { name } }) =>
    addClient(deps, guardianId, name),
  );
  mount(router, outRoutes.dropClient, async ({ deps: { db }, guardianId, params: { clientId } }) => {
    if (!(await dropClient(houseOf(db), guardianId, clientId))) throw new HttpProblem('not-found');
  });
  return router;
}
