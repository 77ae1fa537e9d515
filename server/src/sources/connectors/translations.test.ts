import type { ResultRow } from '@cadro/contract';
import type { SchoolHttp } from '../http/schoolHttp';
import { statusOf } from '../oneRoster/translate';
import type { Page } from '../connector';
import { FeedConnector } from './feed';
import { OneRosterConnector } from './oneRoster';

/* From a source's record to the neutral one, without a network: a door that hands out what the test says. */
const changed = '2026-10-19T18:05:00Z';
const told = { zone: 'UTC', now: '2026-10-21T18:00:00.000Z' };
const base = { sourcedId: 'x', status: 'active', dateLastModified: changed };

async function oneRoster(name: string, rows: readonly unknown[]): Promise<Page> {
  const http = { getJson: () => Promise.resolve({ body: { [name]: rows }, total: rows.length, more: null }) };
  const pages: Page[] = [];
  const ways = { version: '1.2', apart: false } as const;
  for await (const page of new OneRosterConnector(http as unknown as SchoolHttp, told, ways).pages(
    name,
    null,
  ))
    pages.push(page);
  expect(pages).toHaveLength(1);
  return pages[0] as Page;
}
async function feed(name: string, rows: readonly unknown[]): Promise<Page> {
  const http = {
    getJson: () => Promise.resolve({ body: { records: rows }, total: rows.length, more: null }),
  };
  const pages: Page[] = [];
  for await (const page of new FeedConnector(http as unknown as SchoolHttp, told).pages(name, null))
    pages.push(page);
  return pages[0] as Page;
}
const only = (page: Page) => page.records.map(({ collection, record }) => ({ collection, ...record }));

describe('the standard’s words for a result', () => {
  it.each<[NonNullable<ResultRow['scoreStatus']>, Pick<ResultRow, 'missing' | 'incomplete'>, string]>([
    ['exempt', {}, 'excused'],
    ['not submitted', {}, 'open'],
    ['not submitted', { missing: 'true' }, 'missing'],
    ['not submitted', { missing: 'false' }, 'open'],
    ['submitted', {}, 'handed-in'],
    ['submitted', { missing: 'true' }, 'handed-in'],
    ['partially graded', {}, 'scored'],
    ['partially graded', { incomplete: 'true' }, 'incomplete'],
    ['fully graded', {}, 'scored'],
    ['fully graded', { incomplete: 'true' }, 'scored'],
  ])('%s %j is %s', (scoreStatus, flags, status) => {
    expect(statusOf({ scoreStatus, ...flags })).toBe(status);
  });
});

describe('OneRoster', () => {
  const ref = (sourcedId: string) => ({ sourcedId, type: 'x' });
  const result = { ...base, lineItem: ref('work'), student: ref('child'), scoreDate: '2026-10-19' };

  it('takes a school with its zone, or with the world’s time where it names none', async () => {
    const org = { ...base, name: 'Sandglass School', type: 'school' };
    const zoned = { ...org, metadata: { timeZone: 'America/Halifax' } };
    const district = { ...org, type: 'district' };
    expect(only(await oneRoster('orgs', [org, zoned, district]))).toMatchObject([
      { collection: 'schools', name: 'Sandglass School', time_zone: 'UTC' },
      { collection: 'schools', name: 'Sandglass School', time_zone: 'America/Halifax' },
    ]);
  });

  it('takes a result’s score, lateness and levels', async () => {
    const row = {
      ...result,
      scoreStatus: 'fully graded',
      score: 17,
      late: 'true',
      learningObjectiveSet: [
        {
          source: 'case',
          learningObjectiveResults: [{ learningObjectiveId: 's1', score: 3 }, { learningObjectiveId: 's2' }],
        },
      ],
    };
    expect(only(await oneRoster('results', [row]))).toEqual([
      {
        collection: 'results',
        id: 'x',
        gone: false,
        item_id: 'work',
        student_id: 'child',
        at: new Date(changed).toISOString(),
        comment: null,
        status: 'scored',
        earned: 17,
        late: true,
        levels: { s1: 3 },
      },
    ]);
  });

  it.each<[string, object, object]>([
    ['no status but a score', { score: 17 }, { status: 'scored', earned: 17 }],
    ['no status and no score', {}, { status: 'open', earned: null }],
    ['a flag and no status', { missing: true }, { status: 'missing' }],
    [
      'numbers and flags as they are or as words',
      { scoreStatus: 'fully graded', score: '17.5', late: 'TRUE' },
      { earned: 17.5, late: true },
    ],
    [
      'nothing where it has nothing',
      { scoreStatus: 'submitted', score: null, comment: null, late: null },
      { status: 'handed-in', earned: null, comment: null },
    ],
    ['a remark', { score: 3, comment: ' Neat work. ' }, { comment: 'Neat work.' }],
    ['no instant but a day', { score: 3, dateLastModified: null }, { at: '2026-10-19T00:00:00.000Z' }],
    ['a day that is to come', { score: 3, dateLastModified: '2099-01-01T00:00:00Z' }, { at: told.now }],
  ])('reads a result with %s', async (_name, more, expected) => {
    expect(only(await oneRoster('results', [{ ...result, ...more }]))).toMatchObject([expected]);
  });

  it('reads people as 1.1 writes them', async () => {
    const person = {
      ...base,
      givenName: 'Odo',
      familyName: 'Wrack',
      role: 'student',
      orgs: [ref('school')],
      grades: ['5'],
    };
    const page = await oneRoster('users', [
      person,
      { ...person, role: 'teacher' },
      { ...person, role: 'aide' },
    ]);
    expect(only(page).filter(({ collection }) => collection !== 'childFiles')).toMatchObject([
      { collection: 'students', given_name: 'Odo', school_id: 'school', year: '5' },
      { collection: 'teachers', name: 'Odo Wrack' },
    ]);
  });

  it('takes work without a category, a day or a date it was given out', async () => {
    const item = { ...base, title: 'Reef knot', class: ref('knots'), resultValueMax: '20' };
    expect(only(await oneRoster('lineItems', [item, { ...item, dueDate: '2026-10-05' }]))).toMatchObject([
      { collection: 'categories', id: '~none:knots', title: '', weight: 0 },
      { collection: 'items', category_id: '~none:knots', possible: 20, due_at: null, assigned_told: false },
      { collection: 'categories', id: '~none:knots' },
      { collection: 'items', due_at: '2026-10-05T23:59:59.000Z', assigned_at: '2026-10-05T23:59:59.000Z' },
    ]);
  });

  it('opens again what a school takes back', async () => {
    const row = { ...result, status: 'tobedeleted', scoreStatus: 'fully graded', score: 17 };
    expect(only(await oneRoster('results', [row]))).toMatchObject([
      { status: 'open', earned: null, gone: true },
    ]);
  });

  it('calls a child as the child is called, a teacher in full, and leaves others out', async () => {
    const user = (role: string, more: object) => ({
      ...base,
      givenName: 'Perpetua',
      familyName: 'Aldervane',
      roles: [{ roleType: 'primary', role, org: ref('school') }],
      ...more,
    });
    const page = await oneRoster('users', [
      user('student', { preferredFirstName: 'Pet', grades: ['3'] }),
      user('student', {}),
      user('teacher', { email: 'p@quay-schools.example' }),
      user('proctor', {}),
    ]);
    expect(only(page).filter(({ collection }) => collection !== 'childFiles')).toMatchObject([
      { collection: 'students', given_name: 'Pet', year: '3', school_id: 'school' },
      { collection: 'students', given_name: 'Perpetua', year: '' },
      { collection: 'teachers', name: 'Perpetua Aldervane', email: 'p@quay-schools.example' },
    ]);
  });

  it('keeps of a child what is on file, and of those who are named for it how the school reaches them', async () => {
    const user = (role: string, more: object) => ({
      ...{ ...base, givenName: 'Perpetua', familyName: 'Aldervane', ...more },
      roles: [{ roleType: 'primary', role, org: ref('school') }],
    });
    const page = await oneRoster('users', [
      user('student', { phone: '1', metadata: { address: 'Quay 4' }, agents: [ref('agent-1')] }),
      user('student', {}),
      user('relative', { email: 'g@quay.example', sms: '2' }),
    ]);
    const none = { email: null, phone: null, sms: null, address: null };
    expect(only(page).filter(({ collection }) => collection !== 'students')).toMatchObject([
      {
        ...none,
        collection: 'childFiles',
        student_id: 'x',
        phone: '1',
        address: 'Quay 4',
        agents: ['agent-1'],
      },
      // Where a source names nobody it has said nothing.
      { ...none, collection: 'childFiles', agents: null },
      { collection: 'schoolPeople', name: 'Perpetua Aldervane', relation: 'relative' },
      { ...none, collection: 'schoolReaches', email: 'g@quay.example', sms: '2' },
    ]);
    const born = await oneRoster('demographics', [{ ...base, birthDate: '2018-09-30', raceCode: 'ignored' }]);
    expect(only(born)).toEqual([
      { collection: 'childDemographics', id: 'x', gone: false, birth_date: '2018-09-30', sex: null },
    ]);
  });

  it('makes an enrolment of a child, and of a teacher the course’s teacher', async () => {
    const row = (role: string, more: object = {}) => ({
      ...base,
      role,
      user: ref('who'),
      class: ref('class'),
      school: ref('school'),
      ...more,
    });
    const page = await oneRoster('enrollments', [
      row('student'),
      row('student', { status: 'tobedeleted' }),
      row('teacher'),
      row('teacher', { status: 'tobedeleted' }),
      row('aide'),
    ]);
    expect(only(page)).toMatchObject([
      { collection: 'enrolments', student_id: 'who', course_id: 'class', told_active: true },
      { collection: 'enrolments', told_active: false },
      { collection: 'courseTeachers', id: 'class', teacher_id: 'who' },
    ]);
  });

  it('sets aside what does not fit, with its name and reason, and takes the rest', async () => {
    const good = { ...result, scoreStatus: 'submitted' };
    const page = await oneRoster('results', [
      { ...good, scoreStatus: 'eaten by a gull' },
      { ...good, sourcedId: undefined },
      { ...good, score: -1 },
      { ...good, dateLastModified: '19 October' },
      7,
      null,
      { ...good, sourcedId: 'good' },
    ]);
    expect(only(page).map(({ id }) => id)).toEqual(['good']);
    expect(page.broken.map(({ externalId }) => externalId)).toEqual([
      'x',
      'row 2',
      'x',
      'x',
      'row 5',
      'row 6',
    ]);
    expect(page.broken[2]?.reason).toContain('/score is none of what it can be');
    expect(page.changedUpTo).toBe('2026-10-19T18:05:00.000Z');
  });

  it('knows of no collection but the standard’s', async () => {
    await expect(oneRoster('resources', [])).rejects.toThrow('not a OneRoster collection');
  });
});

describe('the sessions of a year', () => {
  const session = {
    ...base,
    title: 'Q',
    startDate: '2026-09-07',
    endDate: '2026-11-06',
    type: 'gradingPeriod',
  };
  it.each([
    ['its parent', { parent: { sourcedId: 'year' } }, 'year'],
    ['none at the top', {}, null],
    ['none where it names itself', { parent: { sourcedId: 'x' } }, null],
  ])('have %s', async (_name, more, parent) => {
    expect(only(await oneRoster('academicSessions', [{ ...session, ...more }]))).toEqual([
      {
        collection: 'terms',
        id: 'x',
        gone: false,
        title: 'Q',
        starts_on: '2026-09-07',
        ends_on: '2026-11-06',
        kind: 'gradingPeriod',
        parent_external_id: parent,
      },
    ]);
  });
});

it.each([null, undefined])(
  'a session without an end (%s) runs for a year, until it is told',
  async (endDate) => {
    const session = { ...base, title: 'Q', startDate: '2026-09-07', type: 'gradingPeriod' };
    expect(
      only(await oneRoster('academicSessions', [{ ...session, ...(endDate === null ? { endDate } : {}) }])),
    ).toMatchObject([{ starts_on: '2026-09-07', ends_on: '2027-09-06' }]);
  },
);

describe('the classroom feed', () => {
  const row = { id: 'x', changedAt: changed };
  it('tells a class’s categories, one record each, also that they count again', async () => {
    const details = {
      ...row,
      categories: [
        { id: 'p', counts: false, dropLowest: 0 },
        { id: 'c', counts: true, dropLowest: 2 },
      ],
      standards: [],
    };
    expect(only(await feed('classDetails', [details]))).toEqual([
      expect.objectContaining({ collection: 'courseDetails', policy: null, credits: 0, composition: [] }),
      { collection: 'courseCategories', id: 'p', gone: false, course_id: 'x', counts: false, drop_lowest: 0 },
      { collection: 'courseCategories', id: 'c', gone: false, course_id: 'x', counts: true, drop_lowest: 2 },
    ]);
  });
  it('tells a grade that the school has stored, and one that says nothing yet', async () => {
    const grade = { ...row, studentId: 's', classId: 'k', part: 'q1', reportedAt: changed };
    const records = only(
      await feed('grades', [
        { ...grade, id: 'y', state: 'final', fraction: 0.9, figure: 90, letter: 'A', creditsEarned: 1 },
        { ...grade, state: 'running' },
      ]),
    );
    expect(records).toMatchObject([
      { collection: 'grades', state: 'final', fraction: 0.9, letter: 'A', credits_earned: 1 },
      { collection: 'grades', state: 'running', fraction: null, figure: null, credits_earned: null },
    ]);
  });

  it('gives what an assignment leaves out its usual value', async () => {
    expect(only(await feed('assignments', [row]))).toEqual([
      {
        collection: 'itemDetails',
        id: 'x',
        gone: false,
        kind: null,
        in_class: null,
        instructions: null,
        place: null,
        supplies: [],
        redo: null,
        accepted_until: null,
        counts: true,
        extra_credit: false,
        multiplier: 1,
        undated: false,
        unit: null,
        files: [],
        rubric: [],
      },
    ]);
  });

  it('stores a code only as its hash', async () => {
    const code = { ...row, code: '3QPT-7K9M-XR2D-V6HB', studentId: 'pet', expiresAt: changed };
    const page = await feed('linkCodes', [code]);
    expect(JSON.stringify(page.records)).not.toMatch(/7K9M/i);
  });

  it.each([
    ['a comment on nothing anybody knows', 'comments', { subject: 'mood' }, '/subject'],
    ['a code that could be guessed', 'linkCodes', { code: 'HARBOR-PET-3141', expiresAt: changed }, '/code'],
    ['a mark on a day that is none', 'attendance', { date: '2026-13-40' }, '/date'],
    ['a policy of no method', 'classDetails', { policy: { termEnd: changed } }, '/policy'],
  ])('sets aside %s', async (_name, collection, more, path) => {
    const whole = {
      ...row,
      studentId: 's',
      classId: 'c',
      teacherId: 't',
      subject: 'score',
      text: 'x',
      writtenAt: changed,
      date: '2026-10-19',
      period: '1',
      code: 'P',
      kind: 'present',
      excused: false,
      label: 'Present',
      policy: { method: 'points', termEnd: changed },
      categories: [],
      standards: [],
    };
    const sound = collection === 'linkCodes' ? { code: '3QPT-7K9M-XR2D-V6HB', expiresAt: changed } : {};
    expect((await feed(collection, [{ ...whole, ...sound }])).broken).toEqual([]);
    const { broken, records } = await feed(collection, [{ ...whole, ...more }]);
    expect(records).toEqual([]);
    expect(broken[0]?.reason).toContain(path);
  });
});
