import { oneRosterCollections, oneRosterPath, scopeOf, type OneRosterName } from '@cadro/contract';
import { Router, type Request } from 'express';
import { requireScope } from '../access';
import type { Faults } from '../faults';
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

/** OneRoster 1.2 of one school, from the provider's side: rostering and gradebook, read only. */
export function oneRosterRouter(school: string, simulation: Simulation, faults: Faults): Router {
  const router = Router();
  const records = simulation.records.get(school) ?? raise(`no school ${school}`);
  for (const name of Object.keys(oneRosterCollections) as OneRosterName[]) {
    const scope = scopeOf(name);
    const path = oneRosterPath(name);
    router.get(path, requireScope(school, scope), (request, response) => {
      try {
        const query = readQuery(request.query);
        const { page, total } = answerQuery(rowsOf(records, name, simulation.now), query);
        const params = new URLSearchParams(request.url.split('?')[1]);
        response.set('X-Total-Count', String(total));
        response.set('Link', pageLinks(addressOf(request), params, query, total));
        faults.answer(school, name, response, { [name]: page });
      } catch (error) {
        if (!(error instanceof QueryError)) throw error;
        response.status(400).json(oneRosterError(error.code, error.message));
      }
    });
    router.get(`${path}/:sourcedId`, requireScope(school, scope), (request, response) => {
      const row = rowsOf(records, name, simulation.now).find(
        ({ sourcedId }) => sourcedId === request.params['sourcedId'],
      );
      if (!row)
        return void response.status(404).json(oneRosterError('unknownobject', `no such ${singular[name]}`));
      response.json({ [singular[name]]: row });
    });
  }
  return router;
}

function raise(message: string): never {
  throw new Error(message);
}
