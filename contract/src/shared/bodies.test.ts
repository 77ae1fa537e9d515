import fc from 'fast-check';
import type { TObject, TSchema } from '@sinclair/typebox';
import {
  alertRoutes,
  allRoutes,
  attendanceRoutes,
  calendarRoutes,
  CourseRecord,
  dayRoutes,
  elsewhereRoutes,
  entryRoutes,
  feedCollections,
  followUpRoutes,
  householdRoutes,
  messageRoutes,
  oneRosterCollections,
} from '..';
import { misfits } from './parse';

const uuid = '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6';
const entry = {
  kind: 'reminder',
  title: 'Library books',
  text: null,
  studentIds: [uuid],
  shared: true,
  on: '2026-10-22',
  lastOn: null,
  startsAt: '08:00',
  endsAt: null,
  rule: 'FREQ=WEEKLY;BYDAY=TH',
  itemId: null,
  daysBefore: null,
};
const ownNames = {
  ...{ givenName: 'Wren', familyName: '', year: '6', schoolName: 'Skerry Cove School' },
  timeZone: 'America/Halifax',
};
const ownRow = {
  ...{ itemId: null, title: 'Quiz 1', dueOn: null, category: null, earned: null, possible: null },
  ...{ percent: null, letter: null, status: 'open', comment: null },
};
const threshold = { on: true, percent: 70, level: 2.5, letter: null };
const on = { on: true };
const alertRules = {
  capPerDay: 5,
  exceptions: [{ studentId: uuid, courseId: null, rules: { below: { percent: 90 } } }],
  rules: {
    ...{ below: threshold, 'if-left': threshold, 'letter-step': on, slipping: { on: true, perWeek: 2 } },
    ...{ fallen: { on: true, points: 5, days: 14 }, improved: { on: true, points: 5, days: 14 } },
    ...{ 'loose-end': { on: true, kinds: ['missing'], atOnce: 1, effect: 0 }, 'sent-back': on },
    ...{ deadline: { on: true, days: 3 }, unmarked: { on: true, days: 3 }, settled: on, pattern: on },
    ...{ 'big-work': { on: true, days: 3, effect: 8 }, comment: { on: true, subjects: ['work'] } },
    ...{ unexplained: on, late: { on: true, times: 3, days: 14 }, 'days-missed': { on: true, percent: 8 } },
    ...{ 'term-final': on, 'report-card': on, scored: { on: true, below: 70 } },
    ...{ 'source-silent': { on: true, days: 3 }, 'not-looked': { on: true, days: 3 } },
  },
};
const meetingTime = {
  ...{ startsAt: '2026-10-26T18:00:00Z', endsAt: '2026-10-26T18:20:00Z' },
  ...{ way: 'link', place: null, href: 'https://rooms.example/1' },
};
const feed = { name: 'Kitchen', layers: ['due', 'test'], studentIds: [] };
const person = { name: 'Rosamund Tern', email: 'r@test.example', password: 'x', language: 'en' };
const token = 'a'.repeat(43);
const passkey = {
  ...{ id: 'x', rawId: 'x', type: 'public-key', response: { clientDataJSON: 'x' } },
  clientExtensionResults: {},
};
/** A body of each writing route that fits; a new route that is not here fails below. */
const fitting: Record<string, object> = {
  'post /api/session': { email: 'maren@aldervane.example', password: 'x', keep: false },
  'post /api/door/code': { code: '3QPT-7K9M-XR2D-V6HB' },
  'post /api/door/come': { ...person, code: '3QPT-7K9M-XR2D-V6HB', keep: false },
  'post /api/door/later': person,
  'post /api/door/confirm': { token },
  'post /api/door/forgotten': { email: 'maren@aldervane.example' },
  'post /api/door/password': { token, password: 'x' },
  'post /api/session/second': { code: '123456' },
  'post /api/session/passkey/options': { keep: false },
  'post /api/session/passkey': { answer: passkey },
  'post /api/me/password': { password: 'x', next: 'y' },
  'post /api/me/address': { password: 'x', email: 'maren@aldervane.example' },
  'post /api/me/passkeys/options': { password: 'x' },
  'post /api/me/passkeys': { answer: passkey, name: 'Phone' },
  'post /api/me/passkeys/:passkeyId/drop': { password: 'x' },
  'post /api/me/one-time': { password: 'x' },
  'post /api/me/one-time/works': { code: '123456' },
  'post /api/me/one-time/drop': { password: 'x' },
  'patch /api/people': { showsItself: true },
  'post /api/people/invitations': { studentIds: [uuid], role: 'guardian', email: null, together: true },
  'patch /api/students/:studentId/people/:personId': { role: 'look-only' },
  'post /api/alerts/phone': { phone: '+15550100200' },
  'post /api/alerts/phone/works': { code: '123456' },
  'patch /api/me': { language: 'es', name: 'Maren', givenName: 'Maren', shownAs: 'M. Aldervane' },
  'post /api/me/leaving': { password: 'x' },
  'post /api/me/consent': { version: 'autumn' },
  'post /api/links/preview': { code: '3QPT-7K9M-XR2D-V6HB' },
  'post /api/links': { code: '3QPT-7K9M-XR2D-V6HB' },
  'post /api/drafts': {
    ...{ key: 'letter:1', studentId: uuid, kind: 'letter', title: 'Keel model', place: '/talk/write' },
    fields: { subject: 'S', text: 'T' },
  },
  'post /api/drafts/drop': { key: 'letter:1' },
  'post /api/followups': {
    studentId: uuid,
    itemId: uuid,
    itemIds: [uuid],
    title: 'Keel model',
    step: 'agreed',
    note: 'x',
    lookAgainOn: '2026-10-22',
  },
  'patch /api/followups/:followUpId': {
    ...{ version: 1, step: 'settled', note: 'x', lookAgainOn: null, reply: 'accept' },
    ...{ handTo: { kind: 'everyone' }, checklist: [{ id: '1', text: 'Rope', done: false }] },
    ...{ lookAgainWhen: 'graded', repeats: { weekday: 7, untilAtLeast: 80 }, looked: true },
    ...{ mergeInto: null, forgotten: true },
  },
  'post /api/students/:studentId/courses/:courseId/policy/preview': { correction: { floor: 0.5 } },
  'post /api/students/:studentId/courses/:courseId/policy': { correction: { floor: 0.5 } },
  'post /api/news/looked': { upTo: '2026-10-21T19:40:00.000Z' },
  'post /api/work/joint': { picks: [{ studentId: uuid, itemId: uuid }] },
  'post /api/students/:studentId/comments/:commentId/offers': { place: 0, answer: 'confirmed' },
  'post /api/operator/session': { name: 'Sable', password: 'x', code: '123456' },
  'post /api/own/children': {
    ...ownNames,
    term: { title: 'Fall', startsOn: '2026-09-01', endsOn: '2026-12-18' },
  },
  'patch /api/own/children/:studentId': ownNames,
  'post /api/own/children/:studentId/terms': {
    ...{ id: null, title: 'Fall', startsOn: '2026-09-01', endsOn: '2026-12-18' },
  },
  'post /api/own/children/:studentId/courses': {
    ...{ id: null, title: 'Tides', teacher: null, teacherEmail: null, termId: uuid },
    ...{ adds: 'together', missing: 'zero', scale: 'letters', categories: [] },
  },
  'post /api/out/clients': { name: 'A program' },
  'post /api/own/mails/:mailId': { studentId: uuid, courseId: null, take: [], remark: false },
  'post /api/calendar/addresses': {
    ...{ studentId: uuid, name: 'Club', url: 'https://club.example/a.ics', asWork: false },
  },
  'post /api/own/schools': {
    ...{ schoolName: 'Wrack School', timeZone: 'America/Halifax' },
    children: [{ givenName: 'Odo', familyName: 'Wrack', number: null }],
  },
  'post /api/own/exports/:bundleId': { answer: 'take' },
  'post /api/own/children/:studentId/courses/:courseId/work': { rows: [ownRow] },
  'post /api/own/children/:studentId/beside/pairs': { ownId: uuid, itemId: uuid, same: true },
  'post /api/own/children/:studentId/beside/leads': { courseId: uuid, lead: 'own' },
  'post /api/own/children/:studentId/beside/others/:otherId': {
    courses: [{ otherCourseId: uuid, courseId: null }],
  },
  'post /api/own/children/:studentId/beside/others/:otherId/parting': { keep: true },
  'post /api/operator/sources': {
    ...{ name: 'A school', baseUrl: 'https://s.example', clientId: 'c', clientSecret: 's' },
  },
  'post /api/operator/bundle-sources': { name: 'Skerry', timeZone: 'America/Halifax' },
  'post /api/operator/bundles/:bundleId': { answer: 'take' },
  'post /api/operator/sources/:sourceId/steer': { what: 'pause' },
  'post /api/operator/codes': { studentIds: [uuid], days: 30 },
  'post /api/operator/class-codes': { school: 'Skerry', year: '8', course: 'Boats', days: 30 },
  'post /api/operator/students/:studentId/people/:personId/named': { agent: 'agent-1' },
  'post /api/operator/students/:studentId/restrictions': { what: 'course', courseId: uuid, personId: uuid },
  'post /api/students/:studentId/desk/words': {
    ...{ wish: 'talk', text: 'I am stuck', courseId: uuid, itemId: uuid, commentId: uuid },
  },
  'post /api/students/:studentId/desk/pieces': {
    ...{ itemId: uuid, title: 'A raft', why: 'It floats', shown: true },
  },
  'patch /api/students/:studentId/desk/pieces/:pieceId': { why: 'It floats', shown: true },
  'post /api/students/:studentId/desk/shares': { what: 'aims', shown: true },
  'post /api/students/:studentId/items/:itemId/asked': { answer: 'handed-in' },
  'post /api/students/:studentId/items/:itemId/effort': { minutes: 30 },
  'post /api/students/:studentId/courses/:courseId/tries': {
    name: 'x',
    scores: [{ itemId: uuid, earned: 8 }],
  },
  'post /api/students/:studentId/courses/:courseId/target': { target: 90 },
  'post /api/students/:studentId/plan/evenings': {
    pattern: [0, 30, 30, 30, 30, 0, 0],
    exceptions: [{ date: '2026-10-22', minutes: null }],
  },
  'post /api/students/:studentId/plan/tasks': { tasks: [{ itemId: uuid, minutes: 20 }] },
  'patch /api/students/:studentId/plan/tasks/:itemId': { evening: '2026-10-22', minutes: 20, done: true },
  'post /api/students/:studentId/attendance/codes': { code: 'Q7', kind: 'tardy', excused: false },
  'post /api/students/:studentId/attendance/marks': { text: 'date,period,code', codes: [], preview: true },
  'post /api/students/:studentId/absences': {
    purpose: 'explain',
    lessons: [{ on: '2026-10-19', period: '5' }],
    subject: 'S',
    text: 'T',
    files: [{ name: 'a.txt', content: 'YQ==' }],
  },
  'post /api/students/:studentId/days/:on/catch-up': { title: 'Catch up' },
  'post /api/students/:studentId/items/:itemId/own-date': { on: '2026-10-22' },
  'post /api/students/:studentId/items/:itemId/supplies': { supply: 'graph paper', got: true },
  'post /api/entries': entry,
  'patch /api/entries/:entryId': { ...entry, version: 1 },
  'post /api/entries/:entryId/days': { on: '2026-10-22', as: 'done' },
  'post /api/calendar/feeds': feed,
  'patch /api/calendar/feeds/:feedId': feed,
  'post /api/calendar/imports': { studentId: null, name: 'x', text: 'BEGIN:VCALENDAR', preview: true },
  'post /api/alerts/state': { ids: [uuid], state: 'done' },
  'patch /api/alerts/settings': { rules: alertRules, mailStopped: true },
  'post /api/alerts/rehearsal': alertRules,
  'post /api/alerts/silences': {
    ...{ alertKey: 'figure:a:b', studentId: uuid, courseId: uuid, kind: 'figure', until: '2026-10-28' },
  },
  'post /api/alerts/devices': {
    endpoint: 'https://push.test.example/x',
    keys: { p256dh: 'A'.repeat(87), auth: 'A'.repeat(22) },
  },
  'post /api/alerts/test': { channel: 'mail' },
  'patch /api/announcements/:announcementId': { read: true, kept: true, archived: false },
  'post /api/announcements/:announcementId/answers/:studentId': {
    ...{ version: 0, answer: { kind: 'count', count: 3 }, note: 'N' },
  },
  'post /api/threads/:threadId/letters/:messageId/sender': { known: true },
  'patch /api/students/:studentId/desk/agreed/:followUpId': { checkId: '1', done: true },
  'post /api/meetings/slots/:slotId/booking': { studentId: uuid },
  'post /api/meetings': { studentId: uuid, teacherId: uuid, ...meetingTime },
  'patch /api/meetings/:meetingId': { version: 1, hidden: [], questions: [], notes: null, agreed: [] },
  'post /api/meetings/:meetingId/move': { version: 1, to: meetingTime },
  'post /api/meetings/:meetingId/give-back': { version: 1 },
  'post /api/meetings/:meetingId/guests': { name: 'Tobiah', address: 'tobiah@aldervane.example' },
  'post /api/calendar/times-in-file': { studentId: uuid, text: 'BEGIN:VCALENDAR' },
  'post /api/sitdowns': { on: '2026-10-25' },
  'patch /api/sitdowns/:sitdownId/pages/:studentId': {
    ...{
      version: 1,
      hidden: ['thing:a'],
      own: [{ id: 'own-1', section: 'good', text: 'T' }],
      order: ['own-1'],
    },
    ...{ question: 'Q', answer: 'A' },
    agreed: [{ id: 'a-1', text: 'T', followUpId: uuid, entryId: null, by: '2026-10-25', held: null }],
  },
  'post /api/sitdowns/:sitdownId/end': {
    pages: [{ studentId: uuid, sections: [{ section: 'good', lines: ['T'] }] }],
  },
  'post /api/sitdowns/rhythm': { entryId: uuid },
  'post /api/sitdowns/paper': {
    title: 'T',
    pages: [{ name: 'N', sections: [{ title: 'T', ticks: true, lines: ['L'] }] }],
  },
  'post /api/notes': { studentId: uuid, courseId: null, on: '2026-10-20', text: 'T', shared: true },
  'patch /api/notes/:noteId': { version: 1, on: '2026-10-20', text: 'T', shared: true },
  'patch /api/students/:studentId/teachers/:teacherId/wants': { aspect: 'lives', text: 'T', version: 0 },
  'post /api/messages/paper': { studentId: uuid, teacherId: uuid, subject: 'S', text: 'T' },
  'post /api/messages/several': {
    ...{ studentId: uuid, followUpId: null, subject: 'S', letters: [{ teacherId: uuid, text: 'T' }] },
    files: [{ name: 'a.txt', content: 'YQ==' }],
  },
  'post /api/messages': {
    ...{ studentId: uuid, teacherId: uuid, followUpId: null, subject: 'S', text: 'T' },
    files: [{ name: 'a.txt', content: 'YQ==' }],
  },
};
const keyOf = ({ method, path }: { method: string; path: string }) => `${method} ${path}`;
const writing = allRoutes.filter(({ body }) => body);
const bodyOf = (route: (typeof writing)[number]): TObject => route.body as TObject; // every body is an object

describe('the bodies of requests', () => {
  it('are all in the table', () => expect(writing.map(keyOf).sort()).toEqual(Object.keys(fitting).sort()));

  describe.each(writing.map((route) => [keyOf(route), route] as const))('%s', (key, route) => {
    const whole = fitting[key] ?? {};
    const schema = bodyOf(route);
    it('fits as it is', () => expect(misfits(schema, whole)).toEqual([]));

    it('is refused without what it must have', () => {
      for (const name of schema.required ?? []) {
        const rest = Object.fromEntries(Object.entries(whole).filter(([member]) => member !== name));
        expect(misfits(schema, rest)).toEqual([
          { path: '/', message: `must have required property '${name}'` },
        ]);
      }
    });

    it('is refused with any member of another type, at its place', () => {
      for (const name of Object.keys(schema.properties)) {
        const own = (whole as Record<string, unknown>)[name];
        // An empty list is of the type of a list.
        for (const wrong of [{}, [], true, { $gt: '' }].filter((each) =>
          typeof each !== 'object' || typeof own !== 'object'
            ? typeof each !== typeof own
            : !(Array.isArray(each) && Array.isArray(own)),
        )) {
          const [misfit] = misfits(schema, { ...whole, [name]: wrong });
          expect({ name, path: misfit?.path }).toEqual({ name, path: `/${name}` });
        }
      }
    });

    it('is refused when it is no object at all', () => {
      for (const none of [null, [], 'x', 7, undefined]) expect(misfits(schema, none)).not.toEqual([]);
    });
  });
});

describe('limits of what people write', () => {
  const lesson = { on: '2026-10-19', period: '5' };
  const long = (length: number) => 'x'.repeat(length);
  it.each<[string, TSchema | undefined, object, string | null]>([
    ['a note of 20,000 characters', followUpRoutes.create.body, { note: long(20_000) }, null],
    ['a note of one more', followUpRoutes.create.body, { note: long(20_001) }, '/note'],
    ['an empty note', followUpRoutes.create.body, { note: '' }, '/note'],
    ['a title of 201 characters', followUpRoutes.create.body, { title: long(201) }, '/title'],
    [
      'a day that is not on the calendar',
      followUpRoutes.create.body,
      { lookAgainOn: '2026-02-30' },
      '/lookAgainOn',
    ],
    [
      'an instant for a day',
      followUpRoutes.create.body,
      { lookAgainOn: '2026-10-22T00:00:00Z' },
      '/lookAgainOn',
    ],
    ['a step nobody knows', followUpRoutes.create.body, { step: 'forgotten' }, '/step'],
    ['a version before the first', followUpRoutes.change.body, { version: 0 }, '/version'],
    ['half a version', followUpRoutes.change.body, { version: 1.5 }, '/version'],
    ['an id that is none', messageRoutes.send.body, { teacherId: '7' }, '/teacherId'],
    ['an empty letter', messageRoutes.send.body, { text: '' }, '/text'],
    ['a subject of 201 characters', messageRoutes.send.body, { subject: long(201) }, '/subject'],
    ['an entry without a title', entryRoutes.create.body, { title: '' }, '/title'],
    ['an entry of a kind of its own', entryRoutes.create.body, { kind: 'party' }, '/kind'],
    ['an hour beyond the day', entryRoutes.create.body, { startsAt: '24:00' }, '/startsAt'],
    ['an hour without its zero', entryRoutes.create.body, { startsAt: '8:00' }, '/startsAt'],
    ['a reminder 61 days before', entryRoutes.create.body, { daysBefore: 61 }, '/daysBefore'],
    ['a child twice', entryRoutes.create.body, { studentIds: [uuid, uuid] }, '/studentIds'],
    ['a rule of 301 characters', entryRoutes.create.body, { rule: long(301) }, '/rule'],
    ['a subscription of nothing', elsewhereRoutes.create.body, { layers: [] }, '/layers'],
    ['a layer nobody has', elsewhereRoutes.create.body, { layers: ['dreams'] }, '/layers/0'],
    ['a file of nothing', elsewhereRoutes.import.body, { text: '' }, '/text'],
    ['a letter about no lesson', dayRoutes.letter.body, { lessons: [] }, '/lessons'],
    ['a letter for no purpose', dayRoutes.letter.body, { purpose: 'catch-up' }, '/purpose'],
    ['a lesson twice', dayRoutes.letter.body, { lessons: [lesson, lesson] }, '/lessons'],
    ['a meaning of its own', attendanceRoutes.meaning.body, { kind: 'asleep' }, '/kind'],
    ['a supply of 501 characters', calendarRoutes.gotSupply.body, { supply: long(501) }, '/supply'],
    ['alerts for nobody', alertRoutes.change.body, { ids: [] }, '/ids'],
    ['a state of its own', alertRoutes.change.body, { state: 'gone' }, '/state'],
    ['a cap of none', alertRoutes.rehearse.body, { capPerDay: 0 }, '/capPerDay'],
    ['no rules', alertRoutes.rehearse.body, { rules: {} }, '/rules'],
    [
      'a rule without its switch',
      alertRoutes.rehearse.body,
      { rules: { ...alertRules.rules, below: { percent: 80 } } },
      '/rules/below',
    ],
    ['a silence without a day', alertRoutes.silence.body, { until: 'soon' }, '/until'],
    [
      'an address of no web',
      alertRoutes.addDevice.body,
      { endpoint: 'ftp://push.test.example/x' },
      '/endpoint',
    ],
    [
      'a key of no point',
      alertRoutes.addDevice.body,
      { keys: { p256dh: 'A', auth: 'A'.repeat(22) } },
      '/keys/p256dh',
    ],
    ['a channel nobody has', alertRoutes.test.body, { channel: 'pigeon' }, '/channel'],
    ['a language nobody has translated', householdRoutes.changeMe.body, { language: 'xx' }, '/language'],
  ])('%s', (_name, schema, more, path) => {
    const route = writing.find(({ body }) => body === schema);
    if (!route || !schema) throw new Error('no such route');
    const found = misfits(schema, { ...fitting[keyOf(route)], ...more });
    expect(found[0]?.path ?? null).toBe(path);
  });
});

describe('records of a source', () => {
  const schemas = [
    ...Object.entries(oneRosterCollections).map(([name, { row }]) => [name, row] as const),
    ...Object.entries(feedCollections),
  ];
  it.each(schemas)('%s are checked, whatever comes', (_name, schema) => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const found = misfits(schema, value);
        expect(found.every(({ path, message }) => path.startsWith('/') && message.length > 0)).toBe(true);
        if (typeof value !== 'object' || value === null) expect(found).not.toEqual([]);
      }),
    );
  });

  it.each([
    ['an instant without a zone', { asOf: '2026-10-21T18:00:00' }, '/asOf'],
    ['an instant not on the calendar', { asOf: '2026-02-30T18:00:00Z' }, '/asOf'],
    [
      'a method nobody knows',
      { policy: { method: 'dice', termEnd: '2026-11-06T23:59:00Z' } },
      '/policy/method',
    ],
    [
      'a floor above 1',
      { policy: { method: 'points', termEnd: '2026-11-06T23:59:00Z', floor: 1.1 } },
      '/policy/floor',
    ],
    ['half a drop', { categories: [{ id: 'c', dropLowest: 0.5 }] }, '/categories/0/dropLowest'],
    ['fewer than no points', { items: [{ id: 'i', categoryId: 'c', possible: -1 }] }, '/items/0/possible'],
  ])('a course record refuses %s', (_name, more, path) => {
    const whole = {
      id: 'k',
      asOf: '2026-10-21T18:00:00Z',
      policy: { method: 'points', termEnd: '2026-11-06T23:59:00Z' },
    };
    expect(misfits(CourseRecord, whole)).toEqual([]);
    expect(misfits(CourseRecord, { ...whole, ...more })[0]?.path).toBe(path);
  });
});
