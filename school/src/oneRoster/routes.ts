import {
  oneRosterNames,
  oneRosterPath,
  oneRosterVersions,
  scopeOf,
  type OneRosterName,
  type OneRosterVersion,
} from '@cadro/contract';
import { Router, type Request, type RequestHandler, type Response } from 'express';
import { requireScope } from '../access';
import type { Faults } from '../faults';
import type { Manners } from '../manners';
import type { Simulation } from '../simulation';
import type { Records } from '../story';
import { oneRosterError } from './errors';
import { answerQuery, pageLinks, QueryError, readQuery } from './query';

const singular: Readonly<Record<OneRosterName, string>> = {
  orgs: 'org',
  academicSessions: 'academicSession',
  courses: 'course',
  users: 'user',
  demographics: 'demographics',
  classes: 'class',
  enrollments: 'enrollment',
  categories: 'category',
  lineItems: 'lineItem',
  results: 'result',
};

const rowsOf = (records: Records, name: OneRosterName, now: string) =>
  records.current(name, now).map(({ id, changedAt, row }) => ({
    sourcedId: id,
    status: 'active',
    dateLastModified: changedAt,
    ...row,
  }));

const addressOf = (request: Request): string =>
  `${request.protocol}://${request.get('host') ?? ''}${request.baseUrl}${request.path}`;

interface Served {
  readonly school: string;
  readonly simulation: Simulation;
  readonly faults: Faults;
  readonly manners: Manners;
}

/** A list as this school gives it: whole and in order, or as its manners are. */
function answerList(
  name: OneRosterName,
  { school, simulation, faults, manners }: Served,
  request: Request,
  response: Response,
) {
  const records = simulation.records.get(school) ?? raise(`no school ${school}`);
  const manner = manners.of(school);
  const { filter, sort, ...asked } = request.query;
  if (manner.filters === 'refused' && (filter ?? sort))
    throw new QueryError('invaliddata', 'cannot filter or sort');
  const query = readQuery({
    ...asked,
    ...(manner.filters === 'ignored' ? {} : { filter }),
    ...(manner.sorts === 'ignored' ? {} : { sort }),
    ...(manner.pageSize === undefined ? {} : { limit: String(manner.pageSize) }),
  });
  const { page, total } = answerQuery(rowsOf(records, name, simulation.now), query);
  const params = new URLSearchParams(request.url.split('?')[1]);
  if (manner.counts !== false) response.set('X-Total-Count', String(total));
  if (manner.links !== false) response.set('Link', pageLinks(addressOf(request), params, query, total));
  faults.answer(school, name, response, { [name]: page.map((row) => manners.dress(school, name, row)) });
}

/** OneRoster of one school, from the provider's side: rostering and gradebook, read only, in the version it speaks. */
export function oneRosterRouter(served: Served): Router {
  const router = Router();
  const { school, simulation, manners } = served;
  const records = simulation.records.get(school) ?? raise(`no school ${school}`);
  const names = [...oneRosterNames({ apart: false }), ...oneRosterNames({ apart: true })];
  const add = (name: OneRosterName, version: OneRosterVersion) => {
    const path = oneRosterPath(name, version);
    const speaks: RequestHandler = (_request, _response, next) =>
      next((manners.of(school).version ?? '1.2') === version ? undefined : 'route');
    const may = requireScope(school, scopeOf(name, version), manners);
    router.get(path, speaks, may, (request, response) => {
      try {
        answerList(name, served, request, response);
      } catch (error) {
        if (!(error instanceof QueryError)) throw error;
        response.status(400).json(oneRosterError(error.code, error.message));
      }
    });
    router.get(`${path}/:sourcedId`, speaks, may, (request, response) => {
      const row = rowsOf(records, name, simulation.now).find(
        ({ sourcedId }) => sourcedId === request.params['sourcedId'],
      );
      if (!row)
        return void response.status(404).json(oneRosterError('unknownobject', `no such ${singular[name]}`));
      response.json({ [singular[name]]: manners.dress(school, name, row) });
    });
  };
  for (const version of oneRosterVersions) for (const name of names) add(name, version);
  return router;
}

function raise(message: string): never {
  throw new Error(message);
}
