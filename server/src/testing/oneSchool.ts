import { once } from 'node:events';
import { createServer, type IncomingMessage, type ServerResponse } from 'node:http';

/* A school of one child, class and result over HTTP, to be made as odd as a test likes. */

export type Rows = Readonly<Record<string, unknown>>;
export type School = Readonly<Record<string, readonly Rows[]>>;

const changed = '2026-10-20T08:00:00Z';
export const ref = (sourcedId: string) => ({ sourcedId });
export const base = (sourcedId: string) => ({ sourcedId, status: 'active', dateLastModified: changed });
export const feedBase = (id: string) => ({ id, changedAt: changed });
export const anItem = (id: string, more: Rows): Rows => ({
  ...base(id),
  title: 'T',
  class: ref('k'),
  resultValueMax: 20,
  ...more,
});

/** A small school of one child, class and result, with whatever is put over it. */
export const oneSchool = (over: School): School => ({
  orgs: [{ ...base('school'), name: 'Wrack School', type: 'school' }],
  academicSessions: [
    { ...base('t'), title: 'Fall', type: 'term', startDate: '2026-09-07', endDate: '2026-12-18' },
  ],
  users: [
    {
      ...base('child'),
      ...{ givenName: 'Odo', familyName: 'Wrack', grades: ['5'] },
      roles: [{ roleType: 'primary', role: 'student', org: ref('school') }],
    },
  ],
  classes: [{ ...base('k'), title: 'Knots', school: ref('school'), terms: [ref('t')] }],
  enrollments: [{ ...base('e'), role: 'student', user: ref('child'), class: ref('k') }],
  lineItems: [{ ...base('i'), title: 'Reef knot', class: ref('k'), resultValueMax: 20 }],
  results: [
    { ...base('r'), lineItem: ref('i'), student: ref('child'), scoreStatus: 'fully graded', score: 17 },
  ],
  ...over,
});

/** How a school answers: what it has for a request, and in which way it fails at it. */
export interface Answering {
  readonly rows: readonly Rows[];
  /** A status of a failure instead; the request comes again. */
  readonly status?: number;
  /** So many at once, however many are asked for. */
  readonly atOnce?: number;
}

/**
 * Serves a school.
 * @param schoolNow what it has at this moment. @param answering what becomes of one request for a collection.
 */
export async function serveSchool(
  schoolNow: () => School,
  answering: (
    name: string,
    rows: readonly Rows[],
    asked: URLSearchParams,
  ) => Answering | Promise<Answering> = (_name, rows) => ({
    rows,
  }),
): Promise<{ url: string; close: () => void }> {
  const server = createServer(async (request: IncomingMessage, response: ServerResponse) => {
    const { pathname, searchParams } = new URL(request.url ?? '', 'http://x');
    response.setHeader('content-type', 'application/json');
    if (pathname === '/token') return void response.end(JSON.stringify({ access_token: 't' }));
    const name = pathname.split('/').pop() ?? '';
    const { rows, status, atOnce = Infinity } = await answering(name, schoolNow()[name] ?? [], searchParams);
    if (status !== undefined) return void response.writeHead(status, { 'retry-after': '0' }).end();
    const from = Number(searchParams.get('offset'));
    const page = rows.slice(from, from + Math.min(atOnce, Number(searchParams.get('limit'))));
    response.setHeader('x-total-count', String(rows.length));
    response.end(JSON.stringify({ [pathname.startsWith('/feed') ? 'records' : name]: page }));
  });
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const address = server.address();
  return {
    url: `http://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`,
    close: () => {
      server.closeAllConnections();
      server.close();
    },
  };
}
