import {
  anybody,
  list,
  owners,
  record,
  writing,
  own as ownAccount,
  type Statuses,
  type Table,
} from './callers';

/** Of what a family writes itself: this child's record is its school's. */
const keptBySchool: Statuses = { ...writing(403), restricted: 403 };
const ownRow = {
  ...{ itemId: null, title: 'Quiz 1', dueOn: null, category: null, earned: null, possible: null },
  ...{ percent: null, letter: null, status: 'open', comment: null },
};
const ownNames = {
  ...{ givenName: 'Wren', familyName: '', year: '6', schoolName: 'Skerry Cove School' },
  timeZone: 'America/Halifax',
};
const ownTerm = { title: 'Fall', startsOn: '2026-09-01', endsOn: '2026-12-18' };

/** The record. */
export const recordTable: Table = {
  'get /api/brief': { statuses: list },
  'get /api/students/:studentId/report-cards.pdf': { statuses: record },
  // The comment named has none.
  'get /api/students/:studentId/comments/:commentId/recording': {
    statuses: { ...owners(404), nobody: 401 },
  },
  'post /api/own/children': {
    // Who may is tried with what is written; here nobody gets another child by the way.
    statuses: ownAccount(400),
    body: () => ({ ...ownNames, term: ownTerm, timeZone: 'Atlantis/Deep' }),
  },
  'post /api/sources/:sourceId/read': {
    // A stranger's child goes to the same school.
    statuses: { ...owners(202), stranger: 202, apart: 202, restricted: 202, sibling: 404 },
  },
  'get /api/out/oneroster.zip': { statuses: list },
  'get /api/out/lists.zip': { statuses: list },
  'get /api/out/courses.xlsx': { statuses: list },
  'get /api/out/clients': { statuses: list },
  'post /api/out/clients': { statuses: ownAccount(201), body: () => ({ name: 'A program of ours' }) },
  // Nobody has this one.
  'delete /api/out/clients/:clientId': { statuses: ownAccount(404) },
  'get /api/feed/v1/schema.json': { statuses: anybody(200) },
  'get /api/own/mails': { statuses: { ...list, looker: 403, student: 403, sibling: 403 } },
  'post /api/own/mails/:mailId': {
    statuses: { ...ownAccount(404), looker: 403, student: 403, sibling: 403 },
    body: (ids) => ({ studentId: ids.studentId, courseId: null, take: [], remark: false }),
  },
  'delete /api/own/mails/:mailId': {
    statuses: { ...ownAccount(404), looker: 403, student: 403, sibling: 403 },
  },
  'post /api/calendar/addresses': {
    statuses: writing(503),
    body: (ids) => ({
      studentId: ids.studentId,
      name: 'Club',
      url: 'http://127.0.0.1:9/club.ics',
      asWork: false,
    }),
  },
  'get /api/own/schools': { statuses: list },
  'post /api/own/schools': {
    statuses: ownAccount(400),
    body: () => ({
      ...{ schoolName: 'Wrack School', timeZone: 'Atlantis/Deep' },
      children: [{ givenName: 'Odo', familyName: 'Wrack', number: null }],
    }),
  },
  // The school itself is no family's.
  'post /api/own/schools/:sourceId/exports?name=a.zip': { statuses: ownAccount(404) },
  'delete /api/own/schools/:sourceId': { statuses: ownAccount(404) },
  'post /api/own/exports/:bundleId': { statuses: ownAccount(404), body: () => ({ answer: 'take' }) },
  'get /api/own/children/:studentId': { statuses: writing(200) },
  'patch /api/own/children/:studentId': { statuses: keptBySchool, body: () => ownNames },
  'delete /api/own/children/:studentId': { statuses: keptBySchool },
  'post /api/own/children/:studentId/terms': {
    statuses: keptBySchool,
    body: () => ({ id: null, ...ownTerm }),
  },
  'post /api/own/children/:studentId/courses': {
    // There is no such term.
    statuses: { ...writing(404), restricted: 404 },
    body: (ids) => ({
      ...{ id: null, title: 'Tides', teacher: null, teacherEmail: null, termId: ids.studentId },
      ...{ adds: 'together', missing: 'zero', scale: 'letters', categories: [] },
    }),
  },
  'delete /api/own/children/:studentId/courses/:courseId': { statuses: { ...writing(403), restricted: 404 } },
  'post /api/own/children/:studentId/courses/:courseId/work': {
    statuses: { ...writing(200), restricted: 404 },
    body: () => ({ rows: [ownRow] }),
  },
  // The work is the school's.
  'delete /api/own/children/:studentId/courses/:courseId/work/:itemId': { statuses: writing(404) },
  'get /api/own/children/:studentId/beside': { statuses: writing(200) },
  'post /api/own/children/:studentId/beside/pairs': {
    statuses: writing(404),
    body: (ids) => ({ ownId: ids.itemId, itemId: ids.itemId, same: true }),
  },
  'post /api/own/children/:studentId/beside/leads': {
    statuses: { ...writing(204), restricted: 404 },
    body: (ids) => ({ courseId: ids.courseId, lead: 'own' }),
  },
  // No record is another one of itself.
  'get /api/own/children/:studentId/beside/others/:otherId': { statuses: writing(400) },
  'post /api/own/children/:studentId/beside/others/:otherId': {
    statuses: writing(400),
    body: () => ({ courses: [] }),
  },
  'post /api/own/children/:studentId/beside/others/:otherId/parting': {
    statuses: writing(404),
    body: () => ({ keep: true }),
  },
  'get /api/drafts': { statuses: list },
  'post /api/drafts': {
    statuses: writing(204),
    body: (ids) => ({
      ...{ key: 'letter:1', studentId: ids.studentId, kind: 'letter', title: 'Keel model' },
      ...{ place: '/talk/write', fields: { subject: 'S', text: 'T' } },
    }),
  },
  'post /api/drafts/drop': {
    statuses: { ...list, stranger: 204, ended: 204, looker: 204, student: 204, apart: 204, guardian: 204 },
    body: () => ({ key: 'letter:1' }),
  },
  'get /api/news': { statuses: list },
  'post /api/news/looked': {
    statuses: { ...list, stranger: 204, ended: 204, looker: 204, student: 204, apart: 204, guardian: 204 },
    body: () => ({ upTo: '2026-10-21T19:40:00.000Z' }),
  },
  'get /api/work': { statuses: list },
  'get /api/courses': { statuses: list },
  'get /api/students/:studentId/courses/:courseId': { statuses: { ...record, restricted: 404 } },
  'get /api/students/:studentId/courses/:courseId/record': { statuses: { ...record, restricted: 404 } },
  'get /api/students/:studentId/courses/:courseId/policy': { statuses: { ...record, restricted: 404 } },
  'post /api/students/:studentId/courses/:courseId/policy/preview': {
    statuses: { ...record, restricted: 404 },
    body: () => ({ correction: { floor: 0.5 } }),
  },
  'post /api/students/:studentId/courses/:courseId/policy': {
    statuses: { ...writing(200), restricted: 404 },
    body: () => ({ correction: { floor: 0.5 } }),
  },
  'get /api/students/:studentId/terms': { statuses: record },
  'get /api/students/:studentId/report.pdf': { statuses: record },
  'get /api/students/:studentId/items/:itemId': { statuses: { ...record, restricted: 404 } },
  'get /api/days': { statuses: list },
  'post /api/students/:studentId/attendance/codes': {
    statuses: { ...writing(204), restricted: 403 },
    body: () => ({ code: 'Q7', kind: 'tardy', excused: false }),
  },
  'post /api/students/:studentId/attendance/marks': {
    statuses: writing(200),
    body: () => ({ text: 'date,period,code\n2026-10-19,1,Z', codes: [], preview: true }),
  },
  'get /api/students/:studentId/attendance.csv': { statuses: record },
  'get /api/students/:studentId/days/:on': { statuses: record },
  'post /api/students/:studentId/absences': {
    statuses: writing(201),
    body: () => ({
      purpose: 'ahead',
      lessons: [{ on: '2026-10-28', period: null }],
      subject: 'S',
      text: 'T',
    }),
  },
  'post /api/students/:studentId/days/:on/catch-up': {
    statuses: writing(422),
    body: () => ({ title: 'Catch up' }),
  },
};
