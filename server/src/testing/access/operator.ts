import { anybody, type Table } from './callers';

/** The operators' place: nobody is an operator by being anybody else. */
const none = anybody(401);
export const operatorTable: Table = {
  'post /api/operator/session': {
    statuses: none,
    body: () => ({ name: 'nobody', password: 'x', code: '000000' }),
  },
  'delete /api/operator/session': { statuses: none },
  'get /api/operator': { statuses: none },
  'post /api/operator/sources': {
    statuses: none,
    body: () => ({
      ...{ name: 'A school', baseUrl: 'http://127.0.0.1:9/school', clientId: 'c', clientSecret: 's' },
    }),
  },
  'post /api/operator/sources/:sourceId/read': { statuses: none },
  'post /api/operator/sources/:sourceId/steer': { statuses: none, body: () => ({ what: 'pause' }) },
  'post /api/operator/bundle-sources': {
    statuses: none,
    body: () => ({ name: 'A school', timeZone: 'America/Halifax' }),
  },
  'get /api/operator/sources/:sourceId/problems': { statuses: none },
  'post /api/operator/sources/:sourceId/bundles?name=a.zip': { statuses: none },
  'post /api/operator/bundles/:bundleId': { statuses: none, body: () => ({ answer: 'take' }) },
  'get /api/operator/students?name=Cas': { statuses: none },
  'get /api/operator/students/:studentId': { statuses: none },
  'post /api/operator/codes': {
    statuses: none,
    body: (ids) => ({ studentIds: [ids.studentId], days: 30 }),
  },
  'get /api/operator/classes': { statuses: none },
  'post /api/operator/class-codes': { statuses: none, body: () => ({ school: 'A school', days: 30 }) },
  'post /api/operator/students/:studentId/people/:personId/named': {
    statuses: none,
    body: () => ({ agent: null }),
  },
  'post /api/operator/students/:studentId/restrictions': {
    statuses: none,
    body: () => ({ what: 'comments' }),
  },
  'delete /api/operator/restrictions/:restrictionId': { statuses: none },
  'delete /api/operator/students/:studentId/people/:personId': { statuses: none },
  'post /api/operator/students/:studentId/people/:personId/restore': { statuses: none },
};
