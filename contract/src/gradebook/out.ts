import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Instant, Nullable, Uuid } from '../shared/scalars';

const room = { room: 'gradebook', access: 'signed-in' } as const;
const of = { ...room, method: 'get', status: 200, heavy: true } as const;
const strict = { additionalProperties: false };

/** A program that may read the household's records, and nothing else. */
export const OutClient = Type.Object({
  id: Uuid,
  name: Type.String(),
  madeAt: Instant,
  /** When it last asked; null where it never has. */
  usedAt: Nullable(Instant),
});
export type OutClient = Static<typeof OutClient>;

/** The linked children's records of this year, to be taken elsewhere. */
export const outRoutes = {
  bundle: route({
    ...{ ...of, path: '/api/out/oneroster.zip', produces: 'application/zip' },
    summary: 'The household’s records as a OneRoster 1.2 bundle',
  }),
  lists: route({
    ...{ ...of, path: '/api/out/lists.zip', produces: 'application/zip' },
    summary: 'The household’s records as CSV, a file for each list',
  }),
  sheets: route({
    ...{ ...of, path: '/api/out/courses.xlsx' },
    produces: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    summary: 'The household’s records as a spreadsheet, a sheet for each course',
  }),
  clients: route({
    ...{ ...room, method: 'get', path: '/api/out/clients', status: 200 },
    answer: Type.Object({
      clients: Type.Array(OutClient),
      /** Where they ask, as OneRoster 1.2. */
      baseUrl: Type.String(),
    }),
    summary: 'The programs that may read what one sees, over a OneRoster 1.2 interface',
  }),
  addClient: route({
    ...{ ...room, method: 'post', path: '/api/out/clients', status: 201 },
    body: Type.Object({ name: Type.String({ minLength: 1, maxLength: 80, pattern: '\\S' }) }, strict),
    answer: Type.Object({
      ...{ id: Uuid, baseUrl: Type.String(), clientId: Type.String() },
      /** Told this once. */
      clientSecret: Type.String(),
    }),
    summary: 'Let a program read what one sees; its secret is told once',
  }),
  dropClient: route({
    ...{ ...room, method: 'delete', path: '/api/out/clients/:clientId', status: 204 },
    params: Type.Object({ clientId: Uuid }),
    summary: 'Let a program read no more, from now on',
  }),
};
