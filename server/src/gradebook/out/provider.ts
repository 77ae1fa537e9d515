import {
  demographicsScope,
  isOneRosterName,
  oneRosterCollections,
  oneRosterScopes,
  type OneRosterName,
} from '@cadro/contract';
import { oneRosterOf, type OutRow } from '@cadro/core/out';
import express, { type Request, type Response, type Router } from 'express';
import { callerOf, HttpProblem, newRouter, personalDb, takeTry, type ServerDeps } from '../../kit';
import { ownerOfToken, providerUrl, tokenFor, tokenSeconds } from './clients';
import { householdOut } from './householdOut';
import { selected } from './select';

/** Programs ask for a token once an hour; who asks much oftener is guessing. */
const tokenPatience = { free: 60, firstWaitSeconds: 5, longestWaitSeconds: 3600, forgetSeconds: 3600 };

const basic = /^Basic\s+([A-Za-z0-9+/=]+)$/i;

/** As the standard has it in the header, where it is that. */
function plain(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text; // not encoded, though it looks so: whatever it is, it is no secret of ours
  }
}

/** The id and secret a program shows, in the header or in the body. */
function shownBy(request: Request): { id: string; secret: string } {
  const [, packed] = basic.exec(request.get('authorization') ?? '') ?? [];
  if (packed) {
    const [id = '', ...rest] = Buffer.from(packed, 'base64').toString('utf8').split(':');
    return { id: plain(id), secret: plain(rest.join(':')) };
  }
  const body = (request.body ?? {}) as Record<string, unknown>;
  const text = (name: string) => (typeof body[name] === 'string' ? body[name] : '');
  return { id: text('client_id'), secret: text('client_secret') };
}

const members: Readonly<Record<string, string>> = {
  ...{ class: 'class', course: 'course', school: 'org', org: 'org', user: 'user', student: 'user' },
  ...{ lineItem: 'lineItem', category: 'category', parent: 'academicSession' },
};
const pathOf: Readonly<Record<string, OneRosterName>> = {
  ...{ class: 'classes', course: 'courses', org: 'orgs', user: 'users', lineItem: 'lineItems' },
  ...{ category: 'categories', academicSession: 'academicSessions' },
};

/** A row as the interface gives it: what it names has its address and kind. */
function shown(base: string, row: OutRow): Record<string, unknown> {
  const named = (type: string, value: unknown) => {
    const { sourcedId } = value as { sourcedId: string }; // `oneRosterOf` names nothing otherwise
    const name = pathOf[type] ?? 'orgs';
    return {
      href: `${base}/ims/oneroster/${oneRosterCollections[name].service}/v1p2/${name}/${sourcedId}`,
      sourcedId,
      type,
    };
  };
  return Object.fromEntries(
    Object.entries(row).map(([name, value]) => {
      const type = members[name];
      if (type) return [name, named(type, value)];
      if (name === 'terms') return [name, (value as unknown[]).map((each) => named('academicSession', each))];
      if (name === 'roles')
        return [
          name,
          (value as { org: unknown }[]).map((each) => ({ ...each, org: named('org', each.org) })),
        ];
      return [name, value];
    }),
  );
}

async function rowsFor(given: ServerDeps, request: Request, name: OneRosterName): Promise<readonly OutRow[]> {
  const [, token = ''] = /^Bearer\s+(\S+)$/i.exec(request.get('authorization') ?? '') ?? [];
  const guardianId = await ownerOfToken(given, token);
  if (guardianId === null) throw new HttpProblem('not-signed-in');
  const deps = { ...given, db: personalDb(given.db, guardianId) };
  const asOf = (await given.clock.now()).toISOString();
  return oneRosterOf(await householdOut(deps, guardianId), asOf)[name];
}

function nameIn(request: Request): OneRosterName {
  const { service, collection = '' } = request.params as { service: string; collection?: string };
  if (!isOneRosterName(collection) || oneRosterCollections[collection].service !== service)
    throw new HttpProblem('not-found');
  return collection;
}

const one: Readonly<Partial<Record<OneRosterName, string>>> = { classes: 'class', categories: 'category' };
/** What a single row of a collection is called in its answer. */
const singular = (name: OneRosterName): string => one[name] ?? name.replace(/s$/, '');

function list(given: ServerDeps, base: string) {
  return async (request: Request, response: Response) => {
    const name = nameIn(request);
    const rows = await rowsFor(given, request, name);
    const { page, total, next } = selected(rows, request.query);
    response.set('x-total-count', String(total));
    if (next) {
      const query = new URLSearchParams({ ...(request.query as Record<string, string>), ...next });
      const { service } = oneRosterCollections[name];
      response.set('link', `<${base}/ims/oneroster/${service}/v1p2/${name}?${query.toString()}>; rel="next"`);
    }
    response.json({ [name]: page.map((row) => shown(base, row)) });
  };
}

/**
 * A read-only OneRoster 1.2 interface to what its owner sees: rostering and gradebook, by client credentials, with limit,
 * offset, sort, filter and Link. Not a part of Cadro's own interface: the standard describes it.
 */
export function providerRouter(given: ServerDeps): Router {
  const router = newRouter(given);
  const base = providerUrl(given.config.publicUrl);
  router.post(
    '/api/out/oneroster/token',
    express.urlencoded({ extended: false, limit: '4kb' }),
    async (request, response) => {
      response.locals['route'] = '/api/out/oneroster/token';
      await takeTry(given.db, [{ kind: 'out-token', of: callerOf(request), patience: tokenPatience }]);
      const grant = ((request.body ?? {}) as Record<string, unknown>)['grant_type'];
      if (grant !== 'client_credentials')
        return void response.status(400).json({ error: 'unsupported_grant_type' });
      const token = await tokenFor(given, shownBy(request));
      if (token === null) return void response.status(401).json({ error: 'invalid_client' });
      response.set('cache-control', 'no-store').json({
        ...{ access_token: token, token_type: 'Bearer', expires_in: tokenSeconds },
        scope: [...oneRosterScopes('1.2'), demographicsScope('1.2')].join(' '),
      });
    },
  );
  const path = '/api/out/oneroster/ims/oneroster/:service/v1p2/:collection';
  router.get(path, async (request, response) => {
    response.locals['route'] = path;
    await list(given, base)(request, response);
  });
  router.get(`${path}/:sourcedId`, async (request, response) => {
    response.locals['route'] = `${path}/:sourcedId`;
    const name = nameIn(request);
    const { sourcedId } = request.params as { sourcedId: string };
    const row = (await rowsFor(given, request, name)).find((each) => each.sourcedId === sourcedId);
    if (!row) throw new HttpProblem('not-found');
    response.json({ [singular(name)]: shown(base, row) });
  });
  return router;
}
