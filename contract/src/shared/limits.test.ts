import type { TSchema } from '@sinclair/typebox';
import { allRoutes, doorRoutes, CourseRecord, feedCollections, oneRosterCollections } from '..';

type Limits = Readonly<Record<string, unknown>>;
const span = (from: unknown, to: unknown, of: string): string[] =>
  from === undefined && to === undefined ? [] : [`${String(from ?? 0)} to ${String(to ?? 'any')} ${of}`];

function own(schema: Limits): string[] {
  return [
    ...span(schema['minLength'], schema['maxLength'], 'characters'),
    ...span(schema['minItems'], schema['maxItems'], schema['uniqueItems'] === true ? 'different' : 'items'),
    ...span(schema['minProperties'], schema['maxProperties'], 'members'),
    ...(schema['exclusiveMinimum'] === undefined ? [] : [`above ${String(schema['exclusiveMinimum'])}`]),
    ...span(schema['minimum'], schema['maximum'], 'in size'),
    ...(schema['additionalProperties'] === false ? ['no others'] : []),
  ];
}

/** Every limit of a schema with its place, in the order of its members. */
function limitsOf(schema: TSchema | undefined, at = ''): string[] {
  if (!schema) return [];
  const {
    properties = {},
    items,
    anyOf = [],
  } = schema as {
    properties?: Record<string, TSchema>;
    items?: TSchema;
    anyOf?: TSchema[];
  };
  const mine = own(schema);
  return [
    ...(mine.length > 0 ? [`${at || '/'} ${mine.join(', ')}`] : []),
    ...Object.entries(properties).flatMap(([name, each]) => limitsOf(each, `${at}/${name}`)),
    ...limitsOf(items, `${at}/*`),
    ...anyOf.flatMap((each) => limitsOf(each, at)),
  ];
}

const correction = [
  '/correction 1 to any members, no others',
  '/correction/outOf above 0, 0 to 1000 in size',
  '/correction/letters 0 to 30 items',
  '/correction/letters/*/letter 1 to 12 characters',
  '/correction/letters/*/from 0 to 2 in size',
  '/correction/floor 0 to 1 in size',
  '/correction/categories 0 to 100 items',
  '/correction/categories/* no others',
  '/correction/categories/*/id 0 to 100 characters',
  '/correction/categories/*/weight 0 to 1000 in size',
  '/correction/categories/*/dropLowest 0 to 100 in size',
];
const entry = [
  '/title 1 to 200 characters',
  '/text 0 to 4000 characters',
  '/studentIds 0 to 20 different',
  '/rule 1 to 300 characters',
  '/daysBefore 0 to 60 in size',
];
const feed = ['/name 1 to 100 characters', '/layers 1 to any different', '/studentIds 0 to 20 different'];
const rules = (at: string) => [
  `${at}/rules 1 to any members, no others`,
  `${at}/exceptions 0 to 60 items`,
  `${at}/exceptions/* no others`,
  `${at}/exceptions/*/rules 0 to any members, no others`,
  `${at}/capPerDay 1 to 50 in size`,
];

const passkey = [
  '/answer/id 1 to 20000 characters',
  '/answer/rawId 1 to 20000 characters',
  '/answer/response/clientDataJSON 1 to 20000 characters',
];

/** Of every route: what it answers with when all is well, and each limit of what it takes. */
const ofRoutes: Readonly<Record<string, readonly [number, ...string[]]>> = {
  'post /api/session': [200, '/email 0 to 320 characters', '/password 1 to 200 characters'],
  'delete /api/session': [204],
  'get /api/me': [200],
  'patch /api/me': [
    200,
    '/ 1 to any members',
    ...['name', 'givenName', 'shownAs'].map((name) => `/${name} 1 to 120 characters`),
  ],
  'post /api/links/preview': [200, '/code 4 to 40 characters'],
  'post /api/links': [201, '/code 4 to 40 characters'],
  'post /api/door/code': [200, '/ no others', '/code 4 to 40 characters'],
  'post /api/door/come': [
    201,
    ...['/ no others', '/code 4 to 40 characters', '/name 1 to 120 characters'],
    ...['/email 0 to 320 characters', '/password 1 to 200 characters'],
  ],
  'post /api/door/later': [
    202,
    ...[
      '/ no others',
      '/name 1 to 120 characters',
      '/email 0 to 320 characters',
      '/password 1 to 200 characters',
    ],
  ],
  'post /api/door/confirm': [200, '/ no others', '/token 20 to 100 characters'],
  'post /api/door/forgotten': [202, '/ no others', '/email 0 to 320 characters'],
  'post /api/door/password': [
    204,
    '/ no others',
    '/token 20 to 100 characters',
    '/password 1 to 200 characters',
  ],
  'get /api/session/second': [200],
  'post /api/session/second': [200, '/ no others', '/code 6 to 40 characters'],
  'post /api/session/passkey/options': [200, '/ no others'],
  'post /api/session/passkey': [200, '/ no others', ...passkey],
  'get /api/me/safety': [200],
  'post /api/me/confirmation': [202],
  'post /api/me/password': [204, '/ no others', '/password 1 to 200 characters', '/next 1 to 200 characters'],
  'post /api/me/address': [202, '/ no others', '/password 1 to 200 characters', '/email 0 to 320 characters'],
  'delete /api/me/address': [204],
  'delete /api/me/sessions/:sessionId': [204],
  'delete /api/me/sessions': [204],
  'post /api/me/passkeys/options': [200, '/ no others', '/password 1 to 200 characters'],
  'post /api/me/passkeys': [201, '/ no others', ...passkey, '/name 1 to 80 characters'],
  'post /api/me/passkeys/:passkeyId/drop': [200, '/ no others', '/password 1 to 200 characters'],
  'post /api/me/one-time': [200, '/ no others', '/password 1 to 200 characters'],
  'post /api/me/one-time/works': [201, '/ no others', '/code 6 to 12 characters'],
  'post /api/me/one-time/drop': [204, '/ no others', '/password 1 to 200 characters'],
  'get /api/students/:studentId/trail': [200],
  'get /api/me/export.zip': [200],
  'post /api/me/leaving': [200, '/ no others', '/password 1 to 200 characters'],
  'delete /api/me/leaving': [200],
  'get /api/people': [200],
  'patch /api/people': [204, '/ no others'],
  'post /api/me/consent': [200, '/ no others', '/version 1 to 60 characters'],
  'post /api/people/invitations': [
    201,
    ...['/ no others', '/studentIds 1 to 20 different', '/email 0 to 320 characters'],
    ...['/helps no others', '/helps/courseIds 1 to 30 different'],
  ],
  'delete /api/people/invitations/:invitationId': [204],
  'patch /api/students/:studentId/people/:personId': [204, '/ no others'],
  'delete /api/students/:studentId/people/:personId': [204],
  'post /api/students/:studentId/people/:personId/objection': [204],
  'post /api/people/notices/read': [204],
  'post /api/alerts/phone': [202, '/ no others'],
  'post /api/alerts/phone/works': [200, '/ no others', '/code 6 to 12 characters'],
  'get /api/brief': [200],
  'delete /api/followups/:followUpId': [204],
  'get /api/students/:studentId/report-cards.pdf': [200],
  'get /api/students/:studentId/comments/:commentId/recording': [200],
  'get /api/drafts': [200],
  'post /api/drafts': [
    204,
    '/ no others',
    '/key 1 to 300 characters',
    '/title 0 to 300 characters',
    '/place 0 to 500 characters',
    '/fields 1 to any members, no others',
    ...['subject', 'text', 'note', 'step', 'lookAgainOn', 'reason', 'lessons'].map(
      (name) => `/fields/${name} 0 to 20000 characters`,
    ),
  ],
  'post /api/drafts/drop': [204, '/ no others', '/key 1 to 300 characters'],
  'get /api/news': [200, '/ no others'],
  'post /api/news/looked': [204, '/ no others'],
  'get /api/work': [200],
  'post /api/work/joint': [200, '/picks 1 to 500 items'],
  'post /api/students/:studentId/comments/:commentId/offers': [200, '/place 0 to 100 in size'],
  'post /api/students/:studentId/items/:itemId/asked': [204],
  'post /api/students/:studentId/items/:itemId/effort': [204, '/minutes 0 to 1440 in size'],
  'get /api/students/:studentId/courses/:courseId/tries': [200],
  'post /api/students/:studentId/courses/:courseId/tries': [
    200,
    '/name 1 to 80 characters',
    '/scores 1 to 1000 items',
    '/scores/*/earned 0 to 1000000 in size',
  ],
  'delete /api/students/:studentId/courses/:courseId/tries/:tryId': [200],
  'post /api/students/:studentId/courses/:courseId/target': [200, '/target 0 to 10000 in size'],
  'get /api/students/:studentId/on-file': [200],
  'post /api/operator/session': [
    204,
    '/ no others',
    '/name 1 to 120 characters',
    '/password 1 to 200 characters',
    '/code 1 to 40 characters',
  ],
  'delete /api/operator/session': [204],
  'get /api/operator': [200],
  'post /api/operator/sources': [
    204,
    ...['/ no others', '/name 1 to 120 characters', '/baseUrl 0 to 500 characters'],
    ...['/clientId 1 to 120 characters', '/clientSecret 1 to 500 characters'],
  ],
  'post /api/operator/sources/:sourceId/read': [202],
  'get /api/operator/students': [200, '/ no others', '/name 1 to 120 characters'],
  'get /api/operator/students/:studentId': [200],
  'post /api/operator/codes': [
    201,
    '/ no others',
    '/studentIds 1 to 100 different',
    '/days 1 to 366 in size',
  ],
  'get /api/operator/classes': [200],
  'post /api/operator/class-codes': [
    201,
    ...['/ no others', '/school 1 to 120 characters', '/year 1 to 120 characters'],
    ...['/course 1 to 120 characters', '/days 1 to 366 in size'],
  ],
  'post /api/operator/students/:studentId/people/:personId/named': [
    204,
    '/ no others',
    '/agent 1 to 200 characters',
  ],
  'post /api/operator/students/:studentId/restrictions': [204, '/ no others'],
  'delete /api/operator/restrictions/:restrictionId': [204],
  'delete /api/operator/students/:studentId/people/:personId': [204],
  'post /api/operator/students/:studentId/people/:personId/restore': [204],
  'get /api/students/:studentId/desk': [200],
  'post /api/students/:studentId/desk/words': [
    201,
    '/ 2 to any members, no others',
    '/text 1 to 1000 characters',
  ],
  'delete /api/students/:studentId/desk/words/:wordId': [200],
  'post /api/students/:studentId/desk/words/:wordId/seen': [200],
  'post /api/students/:studentId/desk/pieces': [
    201,
    ...['/ no others', '/title 1 to 200 characters', '/why 1 to 1000 characters'],
  ],
  'patch /api/students/:studentId/desk/pieces/:pieceId': [
    200,
    ...['/ 1 to any members, no others', '/why 1 to 1000 characters'],
  ],
  'delete /api/students/:studentId/desk/pieces/:pieceId': [200],
  'post /api/students/:studentId/desk/shares': [200, '/ no others'],
  'get /api/students/:studentId/plan': [200],
  'post /api/students/:studentId/plan/evenings': [
    200,
    '/pattern 7 to 7 items',
    '/pattern/* 0 to 1440 in size',
    '/exceptions 1 to 14 items',
    '/exceptions/*/minutes 0 to 1440 in size',
  ],
  'post /api/students/:studentId/plan/tasks': [
    200,
    '/tasks 1 to 40 items',
    '/tasks/*/minutes 0 to 1440 in size',
  ],
  'patch /api/students/:studentId/plan/tasks/:itemId': [200, '/minutes 0 to 1440 in size'],
  'delete /api/students/:studentId/plan/tasks/:itemId': [200],
  'post /api/students/:studentId/plan/propose': [200],
  'get /api/courses': [200],
  'get /api/students/:studentId/courses/:courseId': [200],
  'get /api/students/:studentId/items/:itemId': [200],
  'get /api/students/:studentId/courses/:courseId/record': [200],
  'get /api/students/:studentId/courses/:courseId/policy': [200],
  'post /api/students/:studentId/courses/:courseId/policy/preview': [200, ...correction],
  'post /api/students/:studentId/courses/:courseId/policy': [200, ...correction],
  'get /api/students/:studentId/terms': [200],
  'get /api/students/:studentId/report.pdf': [200],
  'get /api/days': [200],
  'post /api/students/:studentId/attendance/codes': [204, '/code 1 to 40 characters'],
  'post /api/students/:studentId/attendance/marks': [
    200,
    '/text 1 to 2000000 characters',
    '/codes 0 to 100 items',
    '/codes/*/code 1 to 40 characters',
  ],
  'get /api/students/:studentId/attendance.csv': [200],
  'get /api/students/:studentId/days/:on': [200],
  'post /api/students/:studentId/absences': [
    201,
    '/lessons 1 to 200 different',
    '/lessons/*/period 1 to 40 characters',
    '/subject 1 to 200 characters',
    '/text 1 to 20000 characters',
  ],
  'post /api/students/:studentId/days/:on/catch-up': [201, '/title 1 to 200 characters'],
  'get /api/calendar': [200],
  'post /api/students/:studentId/items/:itemId/own-date': [204],
  'get /api/supplies': [200],
  'post /api/students/:studentId/items/:itemId/supplies': [204, '/supply 1 to 500 characters'],
  'post /api/entries': [201, ...entry],
  'get /api/entries/:entryId': [200],
  'patch /api/entries/:entryId': [200, ...entry, '/version 1 to any in size'],
  'post /api/entries/:entryId/days': [200],
  'delete /api/entries/:entryId': [204],
  'post /api/entries/:entryId/return': [200],
  'get /api/calendar/feeds': [200],
  'post /api/calendar/feeds': [201, ...feed],
  'patch /api/calendar/feeds/:feedId': [200, ...feed],
  'post /api/calendar/feeds/:feedId/renew': [200],
  'delete /api/calendar/feeds/:feedId': [204],
  'get /calendar/:token/cadro.ics': [200, '/token 20 to 100 characters'],
  'get /api/calendar.ics': [200, '/layers 0 to 300 characters'],
  'post /api/calendar/imports': [200, '/name 1 to 100 characters', '/text 1 to 5000000 characters'],
  'delete /api/calendar/imports/:importId': [204],
  'get /api/followups': [200],
  'post /api/followups': [
    201,
    '/itemIds 1 to 50 different',
    '/title 1 to 200 characters',
    '/note 1 to 20000 characters',
  ],
  'get /api/followups/:followUpId': [200],
  'patch /api/followups/:followUpId': [200, '/version 1 to any in size', '/note 1 to 20000 characters'],
  'get /api/threads': [200],
  'get /api/threads/:threadId': [200],
  'get /api/students/:studentId/teachers': [200],
  'post /api/messages': [202, '/subject 1 to 200 characters', '/text 1 to 20000 characters'],
  'get /api/alerts': [200, '/q 0 to 100 characters'],
  'get /api/alerts/count': [200],
  'get /api/alerts/live': [200],
  'get /api/alerts/file.csv': [200, '/q 0 to 100 characters'],
  'post /api/alerts/state': [204, '/ no others', '/ids 1 to 300 items'],
  'get /api/alerts/settings': [200],
  'patch /api/alerts/settings': [
    200,
    '/ 1 to any members, no others',
    '/rules no others',
    ...rules('/rules'),
    '/delivery no others',
    '/delivery/ways no others',
    '/delivery/ways/figure no others',
    '/delivery/ways/work no others',
    '/delivery/ways/coming no others',
    '/delivery/ways/comment no others',
    '/delivery/ways/attendance no others',
    '/delivery/ways/term no others',
    '/delivery/ways/good no others',
    '/delivery/ways/upkeep no others',
    '/delivery/digestWeekday 0 to 6 in size',
    '/delivery/digestHour 0 to 23 in size',
    '/delivery/quiet no others',
    '/delivery/timeZone 1 to 60 characters',
  ],
  'post /api/alerts/rehearsal': [200, '/ no others', ...rules('')],
  'post /api/alerts/silences': [201, '/ no others', '/alertKey 0 to 200 characters'],
  'delete /api/alerts/silences/:silenceId': [204],
  'post /api/alerts/test': [202, '/ no others'],
  'get /api/alerts/digest': [200],
  'get /api/alerts/digest.pdf': [200],
  'get /api/alerts/:alertId': [200],
  'post /api/mail-stop/:token': [204, '/token 0 to 100 characters'],
  'delete /api/mail-stop/:token': [204, '/token 0 to 100 characters'],
  'get /api/sources': [200],
  'post /api/demo/next-day': [200],
};
const ofRecords: Readonly<Record<string, readonly string[]>> = {
  orgs: ['/sourcedId 1 to any characters'],
  demographics: ['/sourcedId 1 to any characters'],
  restrictions: ['/id 1 to any characters'],
  academicSessions: ['/sourcedId 1 to any characters'],
  courses: ['/sourcedId 1 to any characters'],
  users: ['/sourcedId 1 to any characters', '/roles 1 to any items'],
  classes: ['/sourcedId 1 to any characters', '/terms 1 to any items'],
  enrollments: ['/sourcedId 1 to any characters'],
  categories: ['/sourcedId 1 to any characters', '/weight 0 to any in size'],
  lineItems: ['/sourcedId 1 to any characters', '/resultValueMax 0 to any in size'],
  results: ['/sourcedId 1 to any characters', '/score 0 to any in size'],
  schoolDetails: ['/id 1 to any characters'],
  classDetails: [
    '/id 1 to any characters',
    '/policy/outOf above 0',
    '/policy/decimals 0 to any in size',
    '/policy/floor 0 to 1 in size',
    '/policy/late/credit 0 to any in size',
    '/policy/standards/top above 0',
    '/categories/*/dropLowest 0 to any in size',
    '/credits 0 to any in size',
    '/compositions/*/parts/*/weight 0 to any in size',
  ],
  assignments: ['/id 1 to any characters', '/multiplier 0 to any in size'],
  grades: ['/id 1 to any characters', '/creditsEarned 0 to any in size'],
  rubricMarks: ['/id 1 to any characters'],
  handIns: ['/id 1 to any characters', '/earned 0 to any in size'],
  creditPlans: ['/id 1 to any characters', '/areas/*/required 0 to any in size'],
  comments: [
    ...['/id 1 to any characters', '/text 1 to any characters'],
    ...['/about/title 1 to any characters', '/about/title 1 to any characters'],
    '/recording/seconds 0 to any in size',
  ],
  attendanceCodes: ['/id 1 to any characters', '/code 1 to any characters'],
  attendance: ['/id 1 to any characters', '/period 1 to any characters', '/code 1 to any characters'],
  timetable: ['/id 1 to any characters'],
  schoolDays: ['/id 1 to any characters'],
  schoolEvents: ['/id 1 to any characters', '/title 1 to any characters'],
  lessonNotes: ['/id 1 to any characters'],
  announcements: ['/id 1 to any characters'],
  linkCodes: ['/id 1 to any characters', '/code 0 to 80 characters'],
  courseRecord: [
    '/policy/outOf above 0',
    '/policy/decimals 0 to any in size',
    '/policy/floor 0 to 1 in size',
    '/policy/late/credit 0 to any in size',
    '/policy/standards/top above 0',
    '/categories/*/weight 0 to any in size',
    '/categories/*/dropLowest 0 to any in size',
    '/items/*/possible 0 to any in size',
    '/items/*/multiplier 0 to any in size',
    '/items/*/offer/credit 0 to any in size',
    '/results/*/earned 0 to any in size',
  ],
};

describe('what a route answers with and takes', () => {
  const found = allRoutes.map(({ method, path, status, params, query, body }) => [
    `${method} ${path}`,
    [status, ...[params, query, body].flatMap((each) => limitsOf(each))],
  ]);
  it('is in the table, to the last one', () => expect(Object.fromEntries(found)).toEqual(ofRoutes));

  it('is open to everybody at the door, by a secret address, and nowhere else', () => {
    const open = allRoutes.filter(({ access }) => access !== 'signed-in' && access !== 'operator');
    expect(open.map(({ method, path, access }) => `${access}: ${method} ${path}`)).toEqual([
      'public: post /api/session',
      ...['look', 'come', 'later', 'confirm', 'forgotten', 'newPassword'].map(
        (name) => `public: post ${doorRoutes[name as keyof typeof doorRoutes].path}`,
      ),
      'public: get /api/session/second',
      'public: post /api/session/second',
      'public: post /api/session/passkey/options',
      'public: post /api/session/passkey',
      'public: get /calendar/:token/cadro.ics',
      'public: post /api/mail-stop/:token',
      'public: delete /api/mail-stop/:token',
      'demo: post /api/demo/next-day',
      'public: post /api/operator/session',
    ]);
  });
});

describe('what a record of a source holds', () => {
  const schemas = [
    ...Object.entries(oneRosterCollections).map(([name, { row }]) => [name, row] as const),
    ...Object.entries(feedCollections),
    ['courseRecord', CourseRecord] as const,
  ];
  it('is in the table', () =>
    expect(Object.fromEntries(schemas.map(([name, row]) => [name, limitsOf(row)]))).toEqual(ofRecords));
});
