import {
  calendarLayers,
  calendarRoutes,
  elsewhereRoutes,
  entryRoutes,
  timeRoutes,
  type CalendarLayer,
} from '@cadro/contract';
import type { Router } from 'express';
import { itemOf } from '../gradebook';
import { householdOf, requireChild } from '../household';
import type { ServerDeps } from '../kit';
import { HttpProblem, mount, newRouter, Produced } from '../kit';
import { calendarOf, refuseLongRange } from './calendar';
import * as feeds from './elsewhere/feeds';
import { followCalendar } from './elsewhere/followed';
import { forgetImport, importCalendar } from './elsewhere/imports';
import type { OwnDeps } from '../sources';
import { downloadOf, subscriptionOf } from './elsewhere/publish';
import * as entries from './entries';
import { suppliesOf } from './supplies';
import { busyAtHome, timesInFile } from './times';
import { saveGot, saveOwnDate } from './workStore';

const isLayer = (text: string): text is CalendarLayer => (calendarLayers as readonly string[]).includes(text);

/** The layers a query names, all where it names none. */
function layersOf(text: string | undefined): readonly CalendarLayer[] {
  if (text === undefined) return calendarLayers;
  const named = text.split(',');
  const layers = named.filter(isLayer);
  if (layers.length < named.length)
    throw new HttpProblem('bad-request', {
      errors: [{ path: '/layers', message: 'must name known layers' }],
    });
  return layers;
}

export function calendarPages(given: ServerDeps): Router {
  const router = newRouter(given);
  /** A work of a child that the caller's household may write about. */
  const ofItem = async (
    { db }: ServerDeps,
    guardianId: string,
    { studentId, itemId }: { studentId: string; itemId: string },
  ) => {
    const child = await requireChild(db, guardianId, studentId, 'write-talk');
    const item = await itemOf(db, child.id, itemId);
    if (!item) throw new HttpProblem('not-found');
    const { id: householdId } = await householdOf(db, guardianId);
    return { item, key: { studentId: child.id, householdId, itemId } };
  };

  mount(router, calendarRoutes.calendar, ({ deps, guardianId, query }) =>
    calendarOf(deps, guardianId, query, calendarLayers),
  );
  mount(router, calendarRoutes.ownDate, async ({ deps, guardianId, params, body: { on } }) => {
    const { item, key } = await ofItem(deps, guardianId, params);
    if (item.due_at !== null)
      throw new HttpProblem('bad-request', {
        errors: [{ path: '/itemId', message: 'has a date of its own' }],
      });
    await saveOwnDate(deps.db, key, on);
  });
  mount(router, calendarRoutes.supplies, ({ deps, guardianId }) => suppliesOf(deps, guardianId));
  mount(router, calendarRoutes.gotSupply, async ({ deps, guardianId, params, body: { supply, got } }) => {
    const { item, key } = await ofItem(deps, guardianId, params);
    if (!item.supplies.includes(supply)) throw new HttpProblem('not-found');
    await saveGot(deps.db, key, supply, got);
  });
  mount(router, timeRoutes.busy, ({ deps, guardianId, query }) => busyAtHome(deps, guardianId, query));
  mount(router, timeRoutes.inFile, ({ deps, guardianId, body }) => timesInFile(deps, guardianId, body));
  mount(router, entryRoutes.create, ({ deps, guardianId, body }) =>
    entries.createEntry(deps, guardianId, body),
  );
  mount(router, entryRoutes.read, ({ deps, guardianId, params }) =>
    entries.readEntry(deps, guardianId, params.entryId),
  );
  mount(router, entryRoutes.change, ({ deps, guardianId, params, body }) =>
    entries.changeEntry(deps, guardianId, params.entryId, body),
  );
  mount(router, entryRoutes.tick, ({ deps, guardianId, params, body }) =>
    entries.tickEntry(deps, guardianId, params.entryId, body),
  );
  mount(router, entryRoutes.remove, ({ deps, guardianId, params }) =>
    entries.removeEntry(deps, guardianId, params.entryId),
  );
  mount(router, entryRoutes.putBack, ({ deps, guardianId, params }) =>
    entries.putBackEntry(deps, guardianId, params.entryId),
  );
  return router;
}

const fileName = 'cadro.ics';

/** Calendars that go out and come in. */
export function elsewherePages(given: ServerDeps, hooks: Pick<OwnDeps, 'reading' | 'onWritten'>): Router {
  const router = newRouter(given);
  mount(router, elsewhereRoutes.list, ({ deps, guardianId }) => feeds.elsewhereOf(deps, guardianId));
  mount(router, elsewhereRoutes.create, ({ deps, guardianId, body }) =>
    feeds.createFeed(deps, guardianId, body),
  );
  mount(router, elsewhereRoutes.change, ({ deps, guardianId, params: { feedId }, body }) =>
    feeds.changeFeed(deps, { guardianId, feedId }, body),
  );
  mount(router, elsewhereRoutes.renew, ({ deps, guardianId, params: { feedId } }) =>
    feeds.renewFeed(deps, { guardianId, feedId }),
  );
  mount(router, elsewhereRoutes.revoke, ({ deps, guardianId, params: { feedId } }) =>
    feeds.revokeFeed(deps, { guardianId, feedId }),
  );
  mount(router, elsewhereRoutes.subscription, async ({ deps, params }) => {
    return new Produced(Buffer.from(await subscriptionOf(deps, params.token)), fileName);
  });
  mount(router, elsewhereRoutes.download, async ({ deps, guardianId, query: { layers, ...range } }) => {
    refuseLongRange(range);
    return new Produced(Buffer.from(await downloadOf(deps, guardianId, range, layersOf(layers))), fileName);
  });
  mount(router, elsewhereRoutes.import, ({ deps, guardianId, body }) =>
    importCalendar(deps, guardianId, body),
  );
  mount(router, elsewhereRoutes.follow, ({ deps, guardianId, body }) =>
    followCalendar({ ...deps, ...hooks }, guardianId, body),
  );
  mount(router, elsewhereRoutes.forget, ({ deps, guardianId, params: { importId } }) =>
    forgetImport(deps, guardianId, importId),
  );
  return router;
}
