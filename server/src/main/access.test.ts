import { presetRules } from '@cadro/core';
import {
  alertRoutes,
  allRoutes,
  elsewhereRoutes,
  entryRoutes,
  followUpRoutes,
  gradebookRoutes,
  householdRoutes,
  messageRoutes,
  outlookRoutes,
  tryRoutes,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { belongingsOfOthers, rowsOfMany } from '../testing/untouched';
import { World } from '../testing/world';

/*
 * Who may do what. Every route of the contract stands in the table; a new one that does not fails the test.
 * `apart` is a guardian of the same child in another household: the record is theirs too, the first household's
 * follow-ups and letters are not.
 */
const callers = ['nobody', 'stranger', 'ended', 'looker', 'student', 'apart', 'guardian'] as const;
type Caller = (typeof callers)[number];
type Statuses = Record<Caller, number>;

/** A list: everyone who is signed in gets one; strangers find nothing of this child in it. */
const list: Statuses = {
  nobody: 401,
  stranger: 200,
  ended: 200,
  looker: 200,
  student: 200,
  apart: 200,
  guardian: 200,
};
/** Of a public route: the same for all. */
const anybody = (status: number): Statuses => ({ ...own(status), nobody: status });
/** What concerns nothing but the own account. */
const own = (status: number): Statuses => ({
  ...{ nobody: 401, stranger: status, ended: status, looker: status, student: status, apart: status },
  guardian: status,
});
const passkey = {
  id: 'x',
  rawId: 'x',
  type: 'public-key',
  response: { clientDataJSON: 'x' },
  clientExtensionResults: {},
};
const arriving = (name: string) => ({
  ...{ name: 'Rosamund Tern', email: `${name}@test.example`, language: 'en' },
  password: 'lantern wicks for thirty herons',
});
const record: Statuses = { ...list, stranger: 404, ended: 404 };
const talk: Statuses = { ...record, student: 404, apart: 404 };
const writing = (done: number): Statuses => ({
  nobody: 401,
  stranger: 404,
  ended: 404,
  looker: 403,
  student: 403,
  apart: done,
  guardian: done,
});

/** What belongs to one guardian alone. */
const owners = (done: number): Statuses => ({
  ...{ nobody: 401, stranger: 404, ended: 404, looker: 404, student: 404, apart: 404 },
  guardian: done,
});
const calendarFile = {
  name: 'Harbour club',
  text: 'BEGIN:VCALENDAR\nBEGIN:VEVENT\nUID:a\nDTSTART;VALUE=DATE:20261028\nEND:VEVENT\nEND:VCALENDAR',
};
const entry = () => ({
  ...{ kind: 'reminder', title: 'Library books', studentIds: [ids.studentId] },
  ...{ shared: true, on: '2026-10-28' },
});
const feed = () => ({ name: 'Kitchen', layers: ['due'], studentIds: [ids.studentId] });

let world: World;
let ids: {
  studentId: string;
  courseId: string;
  itemId: string;
  followUpId: string;
  threadId: string;
  teacherId: string;
  commentId: string;
  tryId: string;
  on: string;
  entryId: string;
  feedId: string;
  importId: string;
  alertId: string;
  silenceId: string;
  token: string;
  sessionId: string;
  passkeyId: string;
  personId: string;
  invitationId: string;
};

const table: Record<string, { statuses: Statuses; body?: () => object }> = {
  'post /api/session': {
    statuses: {
      nobody: 401,
      stranger: 401,
      ended: 401,
      looker: 401,
      student: 401,
      apart: 401,
      guardian: 401,
    },
    body: () => ({ email: 'nobody@test.example', password: 'x' }),
  },
  'get /api/me': { statuses: list },
  'patch /api/me': { statuses: list, body: () => ({ language: 'es' }) },
  'post /api/links/preview': {
    statuses: { ...list, stranger: 404, ended: 404, looker: 404, student: 404, apart: 404, guardian: 404 },
    body: () => ({ code: 'NO-SUCH-CODE' }),
  },
  'post /api/links': {
    statuses: { ...list, stranger: 404, ended: 404, looker: 404, student: 404, apart: 404, guardian: 404 },
    body: () => ({ code: 'NO-SUCH-CODE' }),
  },
  // Whoever is outside may ask these, and learns nothing of anybody.
  'post /api/door/code': { statuses: anybody(404), body: () => ({ code: 'NO-SUCH-CODE' }) },
  'post /api/door/come': {
    statuses: anybody(404),
    body: () => ({ ...arriving('come'), code: 'NO-SUCH-CODE', keep: false }),
  },
  'post /api/door/later': { statuses: anybody(202), body: () => arriving('later') },
  'post /api/door/confirm': { statuses: anybody(410), body: () => ({ token: 'a'.repeat(43) }) },
  'post /api/door/forgotten': {
    statuses: anybody(202),
    body: () => ({ email: 'nobody@test.example' }),
  },
  'post /api/door/password': {
    statuses: anybody(410),
    body: () => ({ token: 'a'.repeat(43), password: 'lantern wicks for thirty herons' }),
  },
  'get /api/session/second': { statuses: anybody(401) },
  'post /api/session/second': { statuses: anybody(401), body: () => ({ code: '123456' }) },
  'post /api/session/passkey/options': { statuses: anybody(200), body: () => ({ keep: false }) },
  'post /api/session/passkey': { statuses: anybody(401), body: () => ({ answer: passkey }) },
  // Everybody's own account, and nobody else's.
  'get /api/me/safety': { statuses: list },
  'post /api/me/confirmation': { statuses: own(202) },
  'post /api/me/password': {
    statuses: own(401),
    body: () => ({ password: 'wrong', next: 'lantern wicks for thirty herons' }),
  },
  'post /api/me/address': {
    statuses: own(401),
    body: () => ({ password: 'wrong', email: 'x@test.example' }),
  },
  'delete /api/me/address': { statuses: own(204) },
  'delete /api/me/sessions/:sessionId': { statuses: own(404) },
  'delete /api/me/sessions': { statuses: own(204) },
  'post /api/me/passkeys/options': { statuses: own(401), body: () => ({ password: 'wrong' }) },
  'post /api/me/passkeys': { statuses: own(401), body: () => ({ answer: passkey, name: 'Phone' }) },
  'post /api/me/passkeys/:passkeyId/drop': { statuses: own(401), body: () => ({ password: 'wrong' }) },
  'post /api/me/one-time': { statuses: own(401), body: () => ({ password: 'wrong' }) },
  'post /api/me/one-time/works': { statuses: own(401), body: () => ({ code: '000000' }) },
  'post /api/me/one-time/drop': { statuses: own(401), body: () => ({ password: 'wrong' }) },
  'get /api/students/:studentId/trail': { statuses: { ...record, looker: 403, student: 403 } },
  'get /api/me/export.zip': { statuses: list },
  'post /api/me/leaving': { statuses: own(401), body: () => ({ password: 'wrong' }) },
  'delete /api/me/leaving': { statuses: own(200) },
  'get /api/people': { statuses: list },
  'patch /api/people': { statuses: own(204), body: () => ({ showsItself: false }) },
  // A child may let a guardian in to its own record; who may only look lets nobody in.
  'post /api/people/invitations': {
    statuses: { ...writing(201), student: 201 },
    body: () => ({ studentIds: [ids.studentId], role: 'guardian', email: null, together: true }),
  },
  'delete /api/people/invitations/:invitationId': { statuses: owners(204) },
  'post /api/people/notices/read': { statuses: own(204) },
  // Over a guardian whom the school let in long ago nobody has any power; over whom else is tried elsewhere.
  'patch /api/students/:studentId/people/:personId': {
    statuses: writing(403),
    body: () => ({ role: 'look-only' }),
  },
  'post /api/students/:studentId/people/:personId/objection': { statuses: writing(403) },
  'delete /api/students/:studentId/people/:personId': { statuses: writing(403) },
  'get /api/brief': { statuses: list },
  'get /api/students/:studentId/report-cards.pdf': { statuses: record },
  // The comment named has none.
  'get /api/students/:studentId/comments/:commentId/recording': {
    statuses: { ...owners(404), nobody: 401 },
  },
  'get /api/drafts': { statuses: list },
  'post /api/drafts': {
    statuses: writing(204),
    body: () => ({
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
  'get /api/students/:studentId/courses/:courseId': { statuses: record },
  'get /api/students/:studentId/courses/:courseId/record': { statuses: record },
  'get /api/students/:studentId/courses/:courseId/policy': { statuses: record },
  'post /api/students/:studentId/courses/:courseId/policy/preview': {
    statuses: record,
    body: () => ({ correction: { floor: 0.5 } }),
  },
  'post /api/students/:studentId/courses/:courseId/policy': {
    statuses: writing(200),
    body: () => ({ correction: { floor: 0.5 } }),
  },
  'get /api/students/:studentId/terms': { statuses: record },
  'get /api/students/:studentId/report.pdf': { statuses: record },
  'get /api/students/:studentId/items/:itemId': { statuses: record },
  'get /api/days': { statuses: list },
  'post /api/students/:studentId/attendance/codes': {
    statuses: writing(204),
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
  'get /api/calendar?from=2026-10-01&to=2026-10-31': { statuses: list },
  'post /api/students/:studentId/items/:itemId/own-date': {
    statuses: writing(400),
    body: () => ({ on: '2026-10-28' }),
  },
  'get /api/supplies': { statuses: list },
  'post /api/students/:studentId/items/:itemId/supplies': {
    statuses: writing(204),
    body: () => ({ supply: 'wood glue', got: true }),
  },
  'post /api/entries': { statuses: writing(201), body: () => entry() },
  'get /api/entries/:entryId': { statuses: talk },
  'patch /api/entries/:entryId': {
    statuses: { ...writing(200), student: 404, apart: 404 },
    body: () => ({ ...entry(), version: 1 }),
  },
  'post /api/entries/:entryId/days': {
    statuses: { ...writing(200), student: 404, apart: 404 },
    body: () => ({ on: '2026-10-28', as: 'done' }),
  },
  'delete /api/entries/:entryId': { statuses: { ...writing(204), student: 404, apart: 404 } },
  // Taken out by the guardian alone, the last to call.
  'post /api/entries/:entryId/return': { statuses: owners(200) },
  'get /api/calendar/feeds': { statuses: list },
  'post /api/calendar/feeds': {
    statuses: { ...record, looker: 201, student: 201, apart: 201, guardian: 201 },
    body: () => feed(),
  },
  'patch /api/calendar/feeds/:feedId': { statuses: owners(200), body: () => feed() },
  'post /api/calendar/feeds/:feedId/renew': { statuses: owners(200) },
  'get /calendar/:token/cadro.ics': { statuses: { ...owners(404), nobody: 404 } },
  'delete /api/calendar/feeds/:feedId': { statuses: owners(204) },
  'get /api/calendar.ics?from=2026-10-01&to=2026-10-31': { statuses: list },
  'post /api/calendar/imports': {
    statuses: writing(200),
    body: () => ({ ...calendarFile, studentId: ids.studentId, preview: true }),
  },
  'delete /api/calendar/imports/:importId': { statuses: { ...writing(204), student: 404, apart: 404 } },
  'get /api/followups': { statuses: list },
  'post /api/followups': {
    statuses: writing(201),
    body: () => ({ studentId: ids.studentId, title: 'A talk' }),
  },
  'get /api/followups/:followUpId': { statuses: talk },
  'patch /api/followups/:followUpId': {
    statuses: { ...writing(200), student: 404, apart: 404 },
    body: () => ({ version: 1, note: 'A note' }),
  },
  // Something has come of it by then: it stays.
  'delete /api/followups/:followUpId': { statuses: { ...writing(409), student: 404, apart: 404 } },
  'get /api/threads': { statuses: list },
  'get /api/threads/:threadId': { statuses: talk },
  'get /api/students/:studentId/teachers': { statuses: record },
  'post /api/work/joint': {
    statuses: record,
    body: () => ({ picks: [{ studentId: ids.studentId, itemId: ids.itemId }] }),
  },
  'post /api/students/:studentId/comments/:commentId/offers': {
    statuses: writing(200),
    body: () => ({ place: 0, answer: 'confirmed' }),
  },
  'post /api/students/:studentId/items/:itemId/asked': {
    statuses: writing(204),
    body: () => ({ answer: 'at-home' }),
  },
  'post /api/students/:studentId/items/:itemId/effort': {
    statuses: writing(204),
    body: () => ({ minutes: 40 }),
  },
  'get /api/students/:studentId/courses/:courseId/tries': { statuses: { ...record, student: 403 } },
  'post /api/students/:studentId/courses/:courseId/tries': {
    statuses: writing(200),
    body: () => ({ name: 'All at 80 %', scores: [{ itemId: ids.itemId, earned: 16 }] }),
  },
  'post /api/students/:studentId/courses/:courseId/target': {
    statuses: writing(200),
    body: () => ({ target: 3 }),
  },
  'delete /api/students/:studentId/courses/:courseId/tries/:tryId': {
    statuses: { ...writing(200), apart: 404 },
  },
  'get /api/students/:studentId/plan': { statuses: { ...talk, student: 403, apart: 200 } },
  'post /api/students/:studentId/plan/evenings': {
    statuses: writing(200),
    body: () => ({ exceptions: [{ date: '2026-10-22', minutes: 60 }] }),
  },
  'post /api/students/:studentId/plan/tasks': {
    statuses: writing(200),
    body: () => ({ tasks: [{ itemId: ids.itemId, minutes: 30 }] }),
  },
  'post /api/students/:studentId/plan/propose': { statuses: writing(200) },
  'patch /api/students/:studentId/plan/tasks/:itemId': {
    statuses: writing(200),
    body: () => ({ evening: '2026-10-22' }),
  },
  'delete /api/students/:studentId/plan/tasks/:itemId': { statuses: writing(200) },
  'post /api/messages': {
    statuses: writing(202),
    body: () => ({ studentId: ids.studentId, teacherId: ids.teacherId, subject: 'S', text: 'T' }),
  },
  'get /api/alerts': { statuses: list },
  'get /api/alerts/count': { statuses: list },
  'get /api/alerts/live': { statuses: list },
  'get /api/alerts/file.csv': { statuses: list },
  'get /api/alerts/:alertId': { statuses: owners(200) },
  'post /api/alerts/state': {
    statuses: owners(204),
    body: () => ({ ids: [ids.alertId], state: 'read' }),
  },
  'get /api/alerts/settings': { statuses: list },
  'patch /api/alerts/settings': {
    statuses: { ...record, student: 404 },
    body: () => ({
      rules: {
        ...presetRules('usual'),
        exceptions: [{ studentId: ids.studentId, courseId: ids.courseId, rules: { fallen: { points: 8 } } }],
      },
    }),
  },
  'post /api/alerts/rehearsal': { statuses: list, body: () => presetRules('usual') },
  'post /api/alerts/silences': {
    statuses: { ...record, student: 404, looker: 201, apart: 201, guardian: 201 },
    body: () => ({
      ...{ alertKey: null, kind: null, until: '2026-10-28' },
      ...{ studentId: ids.studentId, courseId: null },
    }),
  },
  'delete /api/alerts/silences/:silenceId': { statuses: owners(204) },
  'post /api/alerts/phone': { statuses: own(202), body: () => ({ phone: '+15550100277' }) },
  'post /api/alerts/phone/works': { statuses: own(401), body: () => ({ code: '000000' }) },
  'post /api/alerts/test': {
    statuses: { ...list, stranger: 202, looker: 202, apart: 202, guardian: 202, student: 422, ended: 422 },
    body: () => ({ channel: 'mail' }),
  },
  'get /api/alerts/digest': { statuses: list },
  'get /api/alerts/digest.pdf': { statuses: list },
  'post /api/mail-stop/:token': { statuses: { ...owners(404), nobody: 404 } },
  'delete /api/mail-stop/:token': { statuses: { ...owners(404), nobody: 404 } },
  'get /api/sources': { statuses: list },
  'post /api/demo/next-day': { statuses: { ...list, nobody: 401 } },
  'delete /api/session': {
    statuses: {
      nobody: 401,
      stranger: 204,
      ended: 204,
      looker: 204,
      student: 204,
      apart: 204,
      guardian: 204,
    },
  },
};

const withoutQuery = (key: string) => key.split('?')[0];
const keyOf = ({ method, path }: { method: string; path: string }) => `${method} ${path}`;

beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'guardian', children: ['caspian'] },
    { name: 'looker', role: 'look-only', children: ['caspian'] },
    { name: 'student', role: 'student', children: ['caspian'] },
    { name: 'ended', children: ['caspian'], ended: true },
    { name: 'second', children: ['caspian'] },
  ]);
  await world.household('elsewhere', [{ name: 'stranger', children: ['neighbour-b'] }]);
  await world.household('apart', [{ name: 'apart', children: ['caspian'] }]);
  const second = await world
    .db('guardians')
    .where({ email: 'second@test.example' })
    .first<{ id: string }>('id');
  await world
    .db('guardian_links')
    .where({ guardian_id: second.id })
    .update({ linked_at: '2026-01-08T12:00:00Z' });
  const guardian = await world.signedIn('guardian');
  const studentId = world.student('caspian');
  const itemId = await world.itemId('boats-keel-model', 'millrace');
  const courseId = await world.courseId('boats', 'millrace');
  const followUp = await guardian
    .post(followUpRoutes.create.path)
    .send({ studentId, itemId, title: 'Keel model' })
    .expect(201);
  const teacherId = followUp.body.teacher.id as string;
  const thread = await guardian
    .post(messageRoutes.send.path)
    .send({ studentId, teacherId, subject: 'S', text: 'T' })
    .expect(202);
  const comment = await world
    .db('comments')
    .where({ item_id: itemId, student_id: studentId })
    .first<{ id: string } | undefined>('id');
  const kept = await guardian
    .post(tryRoutes.keep.path.replace(':studentId', studentId).replace(':courseId', courseId))
    .send({ name: 'The first', scores: [{ itemId, earned: 20 }] })
    .expect(200);
  ids = {
    ...{ on: '2026-10-19', token: 'an-address-that-nobody-has', sessionId: 'a'.repeat(64) },
    ...{ passkeyId: '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6', personId: second.id, invitationId: '' },
    ...{ entryId: '', feedId: '', importId: '', alertId: '', silenceId: '' },
    studentId,
    courseId,
    itemId,
    followUpId: followUp.body.id as string,
    threadId: thread.body.id as string,
    teacherId,
    commentId: comment?.id ?? '',
    tryId: kept.body.tries[0].id as string,
  };
  const made = async (path: string, body: object): Promise<string> =>
    (await guardian.post(path).send(body).expect(201)).body.id as string;
  ids.invitationId = await made('/api/people/invitations', {
    ...{ studentIds: [studentId], role: 'look-only', email: null, together: true },
  });
  ids.entryId = await made(entryRoutes.create.path, entry());
  ids.feedId = await made(elsewhereRoutes.create.path, feed());
  await guardian
    .post(elsewhereRoutes.import.path)
    .send({ ...calendarFile, studentId, preview: false })
    .expect(200);
  const own = await world
    .db('guardians')
    .where({ email: 'guardian@test.example' })
    .first<{ id: string }>('id');
  const [alert] = await world
    .db('alerts')
    .insert({
      ...{ guardian_id: own.id, key: 'look:x', episode: 1, kind: 'upkeep', student_id: studentId },
      ...{
        raised_at: '2026-10-20T18:00:00Z',
        told_at: '2026-10-20T18:00:00Z',
        news_at: '2026-10-20T18:00:00Z',
      },
      ...{ reasons: '[]', known: '[]', told: '[]' },
    })
    .returning<{ id: string }[]>('id');
  ids.alertId = alert?.id ?? '';
  ids.silenceId = await made(alertRoutes.silence.path, {
    ...{ alertKey: null, studentId, courseId: null, kind: 'figure', until: '2026-10-28' },
  });
  ids.importId = (await guardian.get(elsewhereRoutes.list.path)).body.imports[0].id as string;
});
afterAll(() => world.stop());

it('names every route of the contract', () => {
  expect(Object.keys(table).map(withoutQuery).sort()).toEqual(allRoutes.map(keyOf).sort());
});

let ofOthers: (email: string) => Promise<unknown>;
/** Rows that the routes below do not name: a second work's, a second course's, a second follow-up's and so on. */
let twins: readonly string[] = [];
beforeAll(async () => {
  ofOthers = await belongingsOfOthers(world.db);
  const named = new Set(await rowsOfMany(world.db));
  const guardian = await world.signedIn('guardian');
  const first = ids;
  const courseId = await world.courseId('tides', 'millrace');
  const item = await world.db('items').where({ course_id: courseId }).first<{ id: string }>('id');
  ids = { ...first, courseId, itemId: item.id };
  const inPlace =
    /:(followUpId|threadId|entryId|feedId|importId|alertId|silenceId|tryId|token)|session|absences|\/me(\/|$)|\/door\/|phone|\/demo\/|\/alerts\/(state|test|rehearsal|settings)/;
  for (const [key, { body }] of Object.entries(table)) {
    if (body && !inPlace.test(key)) await asked(guardian, key).send(body());
  }
  ids = first;
  const apart = [
    'studentId',
    'teacherId',
    'on',
    'token',
    'sessionId',
    'passkeyId',
    'personId',
    'invitationId',
  ];
  const own = Object.entries(first).flatMap(([name, id]) => (id && !apart.includes(name) ? [id] : []));
  const concernsNamed = (row: string) => own.some((id) => row.includes(id));
  twins = (await rowsOfMany(world.db)).filter((row) => !named.has(row) && !concernsNamed(row));
  expect([...new Set(twins.map((row) => row.split(' ')[0]))].sort()).toEqual([
    ...['alert_silences', 'asked_answers', 'calendar_entries', 'calendar_feeds', 'efforts', 'followups'],
    ...['policy_corrections', 'targets', 'tries'],
  ]);
});

/** A request to a route of the table, with the ids of now. */
function asked(agent: Agent, key: string) {
  const [method = '', path = ''] = key.split(' ');
  const url = path.replace(/:(\w+)/g, (_all, name: string) => ids[name as keyof typeof ids]);
  return agent[method as 'get'](url);
}

/** Who asks, signed in once; and again after what ends a session. */
const agents = new Map<string, Promise<Agent>>();
function agentOf(caller: string): Agent | Promise<Agent> {
  if (caller === 'nobody') return world.nobody;
  const agent = agents.get(caller) ?? world.signedIn(caller);
  agents.set(caller, agent);
  return agent;
}

const ordered = Object.keys(table);
describe.each(callers)('%s', (caller) => {
  it.each(ordered)('%s', async (key) => {
    const agent = await agentOf(caller);
    if (key === keyOf(householdRoutes.signOut)) agents.delete(caller);
    const row = table[key];
    if (!row) throw new Error(`${key} is not in the table`);
    // The demo's clock would move the world under the other rows; who may is settled before it moves.
    if (key === 'post /api/demo/next-day' && caller !== 'nobody') return;
    // A stream has no end to wait for; what comes in it is tried with the alerts.
    if (key === 'get /api/alerts/live' && caller !== 'nobody') return;
    const body =
      key === 'patch /api/followups/:followUpId'
        ? { note: 'A note', version: await version() }
        : row.body?.();
    // Each of these is the first that somebody tries: how many may be is tried elsewhere.
    await world.db('login_tries').delete();
    const before = await ofOthers(`${caller}@test.example`);
    const answer = await asked(agent, key).send(body);
    // Whatever was asked, and by whom: nothing moves that belongs to somebody else, nor what was not named.
    expect(await ofOthers(`${caller}@test.example`)).toEqual(before);
    const now = new Set(await rowsOfMany(world.db));
    expect(twins.filter((twin) => !now.has(twin))).toEqual([]);
    expect({ key, status: answer.status }).toEqual({ key, status: row.statuses[caller] });
    if (answer.status >= 400) {
      expect(answer.headers['content-type']).toMatch('application/problem+json');
      expect(answer.body).toMatchObject({
        type: `urn:cadro:problem:${answer.body.code as string}`,
        status: answer.status,
      });
    }
    if (caller === 'stranger' || caller === 'ended') {
      expect(answer.text ?? String(answer.body)).not.toContain(ids.studentId);
    }
  });
});

const version = async (): Promise<number> =>
  (await world.db('followups').where({ id: ids.followUpId }).first<{ version: number }>('version')).version;

it('keeps what one household talks about out of the other’s lists', async () => {
  const apart = await world.signedIn('apart');
  for (const path of [followUpRoutes.list.path, messageRoutes.threads.path, outlookRoutes.brief.path]) {
    const { text } = await apart.get(path).expect(200);
    expect(text).not.toContain(ids.followUpId);
    expect(text).not.toContain(ids.threadId);
  }
});

it('finds nothing of another child under the own one', async () => {
  const stranger = await world.signedIn('stranger');
  const own = world.student('neighbour-b');
  await stranger
    .get(
      gradebookRoutes.item.path
        .replace(':studentId', own)
        .replace(':itemId', await world.itemId('kelp-titration', 'gannet-head')),
    )
    .expect(404);
  await stranger
    .post(followUpRoutes.create.path)
    .send({ studentId: own, title: 'x', courseId: await world.courseId('kelp', 'gannet-head') })
    .expect(404);
});

it('shuts out a session whose guardian’s link has ended meanwhile', async () => {
  const guardian = await world.signedIn('guardian');
  const link = { student_id: ids.studentId };
  const course = gradebookRoutes.course.path
    .replace(':studentId', ids.studentId)
    .replace(':courseId', ids.courseId);
  await guardian.get(course).expect(200);
  await world
    .db('guardian_links')
    .where(link)
    .update({ ended_at: await world.clock.now() });
  await guardian.get(course).expect(404);
  expect((await guardian.get(householdRoutes.me.path)).body.children).toEqual([]);
});
