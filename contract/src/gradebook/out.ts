import { route } from '../shared/route';

const of = { room: 'gradebook', access: 'signed-in', method: 'get', status: 200, heavy: true } as const;

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
};
