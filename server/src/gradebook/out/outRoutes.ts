import { outRoutes } from '@cadro/contract';
import type { Router } from 'express';
import {
  houseOf,
  HttpProblem,
  mount,
  newRouter,
  Produced,
  paperLimits,
  threadKind,
  type ServerDeps,
} from '../../kit';
import { addClient, providerUrl } from './clients';
import { clientsOf, dropClient } from './clientStore';
import { householdOut } from './householdOut';
import type * as program from './out.worker';

/** Files are made apart. */
const packing = threadKind<typeof program>(__dirname, 'out.worker', paperLimits);

async function madeApart(
  deps: ServerDeps,
  guardianId: string,
  what: 'bundle' | 'lists' | 'sheets',
): Promise<Uint8Array> {
  const ask = { children: await householdOut(deps, guardianId), at: await deps.clock.now() };
  return deps.threads.of(packing).run(what, ask, { whose: guardianId });
}

/** The household's records on their way out. */
export function outRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  mount(
    router,
    outRoutes.bundle,
    async ({ deps, guardianId }) =>
      new Produced(await madeApart(deps, guardianId, 'bundle'), 'cadro-oneroster.zip'),
  );
  mount(
    router,
    outRoutes.lists,
    async ({ deps, guardianId }) =>
      new Produced(await madeApart(deps, guardianId, 'lists'), 'cadro-lists.zip'),
  );
  mount(
    router,
    outRoutes.sheets,
    async ({ deps, guardianId }) =>
      new Produced(await madeApart(deps, guardianId, 'sheets'), 'cadro-courses.xlsx'),
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
