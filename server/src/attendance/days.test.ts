import { attendanceRoutes, type ChildDays } from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['isolde', 'caspian', 'pet'] },
    { name: 'tobiah', children: ['caspian'] },
  ]);
  await world.household('there', [{ name: 'far', children: ['caspian'] }]);
  maren = await world.signedIn('maren');
});
afterAll(() => world.stop());

const days = async (name: string, agent = maren): Promise<ChildDays> => {
  const { body } = await agent.get(attendanceRoutes.days.path).expect(200);
  const found = (body as { children: ChildDays[] }).children.find(
    ({ studentId }) => studentId === world.student(name),
  );
  if (!found) throw new Error(`no days of ${name}`);
  return found;
};
const path = (route: { path: string }, name: string) => route.path.replace(':studentId', world.student(name));

describe('the story’s attendance', () => {
  it('counts Isolde’s days, lessons and late arrivals apart, for week, term and year', async () => {
    const isolde = await days('isolde');
    expect(isolde.week).toEqual({
      from: '2026-10-19',
      to: '2026-10-25',
      schoolDays: 3,
      daysAbsent: 0,
      lessonsAbsent: 3,
      lessonsExplained: 0,
      lessonsUnexplained: 3,
      lateArrivals: 0,
    });
    expect(isolde.term).toMatchObject({
      title: 'First quarter',
      schoolDays: 32,
      daysAbsent: 1,
      lessonsAbsent: 10,
    });
    expect(isolde.year).toMatchObject({ from: '2026-09-07', to: '2027-06-25', lateArrivals: 1 });
    expect(isolde.markedBy).toBe('lessons');
  });

  it('finds the lessons left early, with the days and whom to speak to', async () => {
    const { patterns } = await days('isolde');
    const lesson = {
      courseTitle: 'Rowing geometry',
      teacher: { name: 'Jory Sandhaven', contactable: true },
    };
    expect(patterns).toMatchObject([
      {
        kind: 'leaves-early',
        value: null,
        dates: ['2026-10-19', '2026-10-20', '2026-10-21'],
        lessons: [{ ...lesson, missed: 3 }],
        touched: [
          { title: 'Resultants: reading', open: false },
          { title: 'Currents: worksheet', open: true },
          { title: 'Currents: field notes', open: true },
          { title: 'Currents: quiz', open: true },
        ],
      },
      // The seventh period: three days of leaving early and the day at home.
      {
        kind: 'period',
        value: '7',
        dates: ['2026-10-16', '2026-10-19', '2026-10-20', '2026-10-21'],
        lessons: [{ ...lesson, missed: 4 }],
      },
    ]);
  });

  it('finds the Thursdays, and how many more days would reach one in ten', async () => {
    const caspian = await days('caspian');
    expect(caspian.patterns).toMatchObject([
      { kind: 'weekday', value: 4, dates: ['2026-09-24', '2026-10-01', '2026-10-15'] },
    ]);
    expect(caspian.year).toMatchObject({ schoolDays: 32, daysAbsent: 3, lateArrivals: 2 });
    expect(caspian.share).toEqual({ rate: 3 / 32, reached: false, moreDays: 1 });
  });

  it('puts absences beside each course', async () => {
    const rowing = (await days('isolde')).byCourse.find(
      ({ courseTitle }) => courseTitle === 'Rowing geometry',
    );
    expect(rowing).toMatchObject({ lessons: 32, absent: 4, unexplained: 3, lateArrivals: 0 });
  });

  it('takes a day that is marked as a whole as a day', async () => {
    const pet = await days('pet');
    expect(pet).toMatchObject({ markedBy: 'days', byCourse: [], year: { schoolDays: 32, daysAbsent: 1 } });
    expect(pet.days.find(({ on }) => on === '2026-09-30')?.marks).toMatchObject([
      { period: 'day', code: '0', kind: 'absent', excused: true, label: 'Not here, we know why' },
    ]);
  });

  it('orders a day by its periods, the one before the first too', async () => {
    const [today] = (await days('isolde')).days;
    expect(today?.on).toBe('2026-10-21');
    expect(today?.marks.map(({ period }) => period)).toEqual(['0', '1', '2', '3', '5', '6', '7']);
  });
});

describe('a code that nobody has explained', () => {
  it('is shown as it is, counted as nothing, and asked about', async () => {
    const caspian = await days('caspian');
    expect(caspian.unknownCodes).toEqual([{ code: 'Q7', on: ['2026-10-20'] }]);
    const day = caspian.days.find(({ on }) => on === '2026-10-20');
    expect(day?.marks.find(({ code }) => code === 'Q7')).toMatchObject({
      kind: null,
      period: '3',
      label: null,
    });
  });

  it('counts once the household has found out, for that household alone', async () => {
    await maren
      .post(path(attendanceRoutes.meaning, 'caspian'))
      .send({ code: 'Q7', kind: 'absent', excused: true })
      .expect(204);
    const mine = await days('caspian', await world.signedIn('tobiah'));
    expect(mine.unknownCodes).toEqual([]);
    expect(mine.year.lessonsAbsent).toBe(
      (await days('caspian', await world.signedIn('far'))).year.lessonsAbsent + 1,
    );
    expect(mine.days.find(({ on }) => on === '2026-10-20')?.marks[2]).toMatchObject({ by: 'household' });
  });

  it('means what the school says as soon as it says so, from the day on that it says', async () => {
    const source = world.sources.get('millrace');
    const base = { source_id: source, code: 'Q7', kind: 'activity', excused: true, label: 'Choir' };
    await world.db('attendance_codes').insert([
      { ...base, external_id: 'q', valid_from: '2026-10-19' },
      { ...base, external_id: 'r', kind: 'closed', valid_from: '2026-10-26' },
    ]);
    const mark = (await days('caspian')).days.find(({ on }) => on === '2026-10-20')?.marks[2];
    expect(mark).toMatchObject({ kind: 'activity', label: 'Choir', by: 'school' });
    await world.db('attendance_codes').where({ source_id: source, code: 'Q7' }).delete();
  });
});

describe('odd marks', () => {
  const insert = (marks: readonly object[]) =>
    world.db('attendance_marks').insert(
      marks.map((mark, index) => ({
        source_id: world.sources.get('millrace'),
        student_id: world.student('caspian'),
        external_id: `odd-${index}`,
        code: 'AU',
        period: '1',
        marked_at: '2026-10-21T19:30:00Z',
        ...mark,
      })),
    );
  afterEach(() => world.db('attendance_marks').where('external_id', 'like', 'odd-%').delete());

  it('of two for one lesson the later stands, and names the other', async () => {
    await insert([{ on_date: '2026-10-21' }]);
    const [today] = (await days('caspian')).days;
    expect(today?.marks[0]).toMatchObject({ period: '1', code: 'AU', instead: ['/'] });
    expect(today?.marks.filter(({ period }) => period === '1')).toHaveLength(1);
  });

  it('of days outside every school year are kept and told, and count as nothing', async () => {
    const before = (await days('caspian')).year;
    await insert([{ on_date: '2026-08-01' }, { on_date: '2027-07-15' }, { on_date: '2026-03-02' }]);
    const { year, outsideYear } = await days('caspian');
    expect(outsideYear).toEqual(['2026-08-01', '2027-07-15']);
    expect(year).toEqual(before);
  });
});

describe('marks as CSV', () => {
  const read = (text: string, more: object = {}) =>
    maren.post(path(attendanceRoutes.readMarks, 'pet')).send({ text, codes: [], preview: false, ...more });

  it('come out with a heading, guarded against formulas, and go in again without change', async () => {
    const { text, headers } = await maren.get(path(attendanceRoutes.marksCsv, 'pet')).expect(200);
    expect(headers['content-type']).toContain('text/csv');
    const lines = text.trim().split('\r\n');
    expect(lines[0]).toBe('date,period,course,code,kind,excused,label,from');
    expect(lines).toContain(`2026-09-25,day,,'-,closed,no,No school,school`);
    expect(lines).toHaveLength(34);
    const { body } = await read(text).expect(200);
    expect(body).toMatchObject({ rows: 33, taken: 0, schoolHas: 33, faults: [], written: true });
  });

  it('tell each row that does not fit, with its place, and take the others', async () => {
    const file = [
      'Date;Period;Course;Code;Kind;Excused',
      '2026-10-12;2;Number and shore;0?;;',
      '2026-02-30;2;;1;;',
      '2026-10-12;2;;1;;',
      '2026-10-13;2;Nowhere;1;;',
      '2026-10-13;3;;1;asleep;',
      '2027-10-13;3;;1;;',
      '2026-10-30;3;;1;;',
      '2026-10-14;3;;;;',
      '2026-10-14;4;;X;tardy;no',
    ].join('\n');
    const { body } = await read(file, { preview: true }).expect(200);
    expect(body).toMatchObject({ rows: 9, taken: 2, written: false, unknownCodes: [] });
    expect(body.faults).toEqual([
      { row: 3, fault: 'date', value: '2026-02-30' },
      { row: 4, fault: 'twice', value: '2026-10-12/2' },
      { row: 5, fault: 'course', value: 'Nowhere' },
      { row: 6, fault: 'kind', value: 'asleep' },
      { row: 7, fault: 'outside-year', value: '2027-10-13' },
      { row: 8, fault: 'future', value: '2026-10-30' },
      { row: 9, fault: 'code', value: '' },
    ]);
    expect(await world.db('household_marks').count()).toEqual([{ count: 0 }]);
    await read(file).expect(200);
    await read(file).expect(200);
    expect(await world.db('household_marks').count()).toEqual([{ count: 2 }]);
    const pet = await days('pet');
    expect(pet.days.find(({ on }) => on === '2026-10-14')?.marks).toMatchObject([
      { period: '4', code: 'X', kind: 'tardy', by: 'household' },
      { period: 'day', by: 'school' },
    ]);
  });

  it('wait for the meaning of a code before anything is written', async () => {
    const file = 'date,code\n2026-07-01,ZZ\n2026-09-08,ZZ\n';
    const asked = await read(file).expect(200);
    expect(asked.body).toMatchObject({ unknownCodes: [{ code: 'ZZ', rows: 1 }], written: false });
    const codes = [{ code: 'ZZ', kind: 'absent', excused: false }];
    const { body } = await read(file, { codes }).expect(200);
    // The school has marked that day itself.
    expect(body).toMatchObject({ written: true, schoolHas: 1, taken: 0 });
  });

  it('keep each what it says itself, also where one code has come to mean something else', async () => {
    const file = [
      'date,period,code,kind,excused',
      '2026-09-29,2,RX,absent,yes',
      '2026-10-13,2,RX,activity,yes',
      '2026-10-13,3,RX,absent,no',
    ].join('\n');
    await read(file).expect(200);
    const marks = (await days('pet')).days.flatMap(({ on, marks: own }) =>
      own.flatMap(({ period, code, kind, excused }) => (code === 'RX' ? [[on, period, kind, excused]] : [])),
    );
    expect(marks.sort()).toEqual([
      ['2026-09-29', '2', 'absent', true],
      ['2026-10-13', '2', 'activity', true],
      ['2026-10-13', '3', 'absent', false],
    ]);
  });

  it.each([
    ['an unclosed quote', 'date,code\n"2026-10-12,1', 422],
    ['no heading', '2026-10-12,1\n2026-10-13,1', 422],
    ['a heading alone', 'date,code\n', 422],
    ['more than two million characters', 'x'.repeat(2_000_001), 400],
    ['a NUL', 'date,code\n2026-10-12,\u0000', 400],
  ])('refuse %s', async (_name, text, status) => {
    const { body } = await read(text).expect(status);
    expect(body.errors).toHaveLength(1);
  });
});
