import type { NeutralRecord } from './neutral';
import { tableShapes } from './tables';
import { writeRecords } from './recordStore';
import { writeResults } from './resultStore';
import { World } from '../../testing/world';

/* The two writers by themselves, against the real database, in a source of their own. */
let world: World;
let source: string;
let made = 0;
beforeAll(async () => {
  world = await World.start();
});
beforeEach(async () => {
  const name = `source-${(made += 1)}`;
  const [row] = await world
    .db('sources')
    .insert({ name, base_url: `http://${name}`, client_id: name, client_secret_sealed: 'x' })
    .returning<{ id: string }[]>('id');
  source = row?.id ?? '';
});
afterAll(() => world.stop());

const write = (shape: keyof typeof tableShapes, ...records: object[]) =>
  world.db.transaction((trx) =>
    writeRecords(
      trx,
      source,
      tableShapes[shape],
      records.map((record) => ({ gone: false, ...record })) as NeutralRecord[],
    ),
  );
const results = (...records: object[]) =>
  world.db.transaction((trx) =>
    writeResults(
      trx,
      source,
      records.map((record) => ({
        id: 'r',
        gone: false,
        late: false,
        levels: {},
        earned: null,
        student_id: 'child',
        item_id: 'work',
        ...record,
      })) as never,
      new Date('2026-09-30T08:00:00Z'),
    ),
  );
async function aCourse(): Promise<void> {
  await write('schools', { id: 'school', name: 'Quay', time_zone: 'UTC' });
  await write('terms', {
    id: 'term',
    title: 'T',
    starts_on: '2026-09-07',
    ends_on: '2026-11-06',
    kind: 'term',
  });
  await write('courses', {
    id: 'course',
    title: 'Knots',
    room: null,
    period: '1',
    term_ids: [],
    removed: false,
    school_id: 'school',
    term_id: 'term',
  });
  await write('students', {
    id: 'child',
    given_name: 'Odo',
    family_name: 'Oysterly',
    year: '3',
    school_id: 'school',
  });
  await write('enrolments', { id: 'e', student_id: 'child', course_id: 'course', told_active: true });
  await write('categories', { id: 'cat', title: 'C', weight: 1 });
}
const work = {
  id: 'work',
  title: 'Reef knot',
  description: null,
  possible: 20,
  assigned_at: '2026-09-10T08:00:00Z',
  assigned_told: true,
  due_at: '2026-09-20T08:00:00Z',
  removed: false,
  course_id: 'course',
  category_id: 'cat',
};

describe('records', () => {
  it('go in once, and say nothing when they come again', async () => {
    await aCourse();
    const first = await write('items', work);
    expect(first.changes).toMatchObject([
      { kind: 'work', before: null, after: { title: 'Reef knot', possible: 20 } },
    ]);
    expect(first.courseIds).toHaveLength(1);
    const again = await write('items', work);
    expect(again).toMatchObject({ changes: [], courseIds: [], studentIds: [], parts: [] });
    expect([...again.ids]).toEqual(['work']);
    expect(await world.db('items').where({ source_id: source }).count()).toEqual([{ count: 1 }]);
  });

  it('tell only what differs, and whose course it is', async () => {
    await aCourse();
    await write('items', work);
    const { changes } = await write('items', { ...work, due_at: '2026-09-25T08:00:00Z' });
    expect(changes).toMatchObject([
      {
        kind: 'work',
        studentId: null,
        before: { due_at: '2026-09-20T08:00:00+00:00' },
        after: { due_at: '2026-09-25T08:00:00+00:00' },
      },
    ]);
    expect(Object.keys(changes[0]?.after ?? {})).toEqual(['due_at']);
    expect(changes[0]?.courseId).toEqual(expect.any(String));
    expect(changes[0]?.itemId).toEqual(expect.any(String));
  });

  it('of one page: the last of the same name stands', async () => {
    await write(
      'schools',
      { id: 's', name: 'Old', time_zone: 'UTC' },
      { id: 's', name: 'New', time_zone: 'UTC' },
    );
    expect(await world.db('schools').where({ source_id: source }).pluck('name')).toEqual(['New']);
  });

  it('that name something unknown are left out, and go in when it has come', async () => {
    await aCourse();
    const orphan = { ...work, id: 'orphan', category_id: 'later' };
    expect([...(await write('items', work, orphan)).ids]).toEqual(['work']);
    await write('categories', { id: 'later', title: 'L', weight: 1 });
    expect([...(await write('items', orphan)).ids]).toEqual(['orphan']);
  });

  it('never name what belongs to another source', async () => {
    await aCourse();
    const other = source;
    await world.db('sources').where({ id: other }).update({ base_url: 'http://elsewhere' });
    const [row] = await world
      .db('sources')
      .insert({ name: 'b', base_url: `http://b-${other}`, client_id: 'b', client_secret_sealed: 'x' })
      .returning<{ id: string }[]>('id');
    source = row?.id ?? '';
    expect([...(await write('items', work)).ids]).toEqual([]);
  });

  it('that only add to others make none, and keep what the others have', async () => {
    await aCourse();
    const details = {
      kind: 'project',
      instructions: 'Tie it.',
      place: null,
      supplies: ['rope'],
      redo: 'yes',
      accepted_until: null,
      counts: true,
      extra_credit: false,
      multiplier: 2,
      undated: false,
      unit: null,
      files: [],
      rubric: [],
    };
    expect([...(await write('itemDetails', { id: 'work', ...details })).ids]).toEqual([]);
    await write('items', work);
    await write('itemDetails', { id: 'work', ...details });
    await write('items', { ...work, title: 'Reef knot, again' });
    const row = await world.db('items').where({ source_id: source }).first();
    expect(row).toMatchObject({
      title: 'Reef knot, again',
      instructions: 'Tie it.',
      multiplier: 2,
      supplies: ['rope'],
    });
  });

  it('that are taken back are gone, and that is told', async () => {
    await aCourse();
    const mark = {
      id: 'm',
      on_date: '2026-09-10',
      period: '1',
      code: 'U',
      kind: 'absent',
      excused: false,
      label: 'Absent',
      student_id: 'child',
      course_id: 'course',
    };
    await write('marks', mark);
    const { changes, ...touched } = await write('marks', { ...mark, gone: true });
    expect(changes).toMatchObject([
      { kind: 'mark', before: { code: 'U', on_date: '2026-09-10' }, after: null },
    ]);
    // Of the child it concerns attendance, and nothing else.
    expect(touched).toMatchObject({ studentIds: [], parts: [{ courses: [], attendance: true }] });
    expect(await world.db('attendance_marks').where({ source_id: source })).toEqual([]);
    expect((await write('marks', { ...mark, gone: true })).changes).toEqual([]);
  });

  it('hold hostile text as text', async () => {
    const name = `'); drop table schools; -- <script>\u202E {{x}} ${'\\'}u0000`;
    await write('schools', { id: 's', name, time_zone: 'UTC' });
    expect(await world.db('schools').where({ source_id: source }).pluck('name')).toEqual([name]);
  });

  it('of a page that breaks are all out again', async () => {
    await write('schools', { id: 'a', name: 'A', time_zone: 'UTC' });
    const page = write(
      'schools',
      { id: 'a', name: 'B', time_zone: 'UTC' },
      { id: 'c', name: null, time_zone: 'UTC' },
    );
    await expect(page).rejects.toMatchObject({ code: '23502' });
    expect(await world.db('schools').where({ source_id: source }).pluck('name')).toEqual(['A']);
  });
});

describe('results', () => {
  beforeEach(async () => {
    await aCourse();
    await write('items', work);
  });
  const history = () =>
    world
      .db('results as r')
      .join('items as i', 'i.id', 'r.item_id')
      .where({ 'i.source_id': source })
      .orderBy('r.seq')
      .select('r.status', 'r.earned');

  it('are appended when they say something new, and nothing is ever changed', async () => {
    await results({ at: '2026-09-21T08:00:00Z', status: 'missing' });
    await results({ at: '2026-09-21T08:00:00Z', status: 'missing' });
    await results({ at: '2026-09-22T08:00:00Z', status: 'missing' }); // touched, and as it was
    const marked = await results({ at: '2026-09-23T08:00:00Z', status: 'scored', earned: 17 });
    // Of the child it concerns this course, and nothing else.
    expect(marked).toMatchObject({
      studentIds: [],
      parts: [{ courses: [expect.any(String)], attendance: false }],
    });
    expect(await history()).toEqual([
      { status: 'missing', earned: null },
      { status: 'scored', earned: 17 },
    ]);
    expect(marked.changes).toMatchObject([
      {
        kind: 'result',
        before: { status: 'missing', earned: null },
        after: { status: 'scored', earned: 17 },
      },
    ]);
  });

  it('that come late do not undo what came after them', async () => {
    await results({ at: '2026-09-23T08:00:00Z', status: 'scored', earned: 17 });
    await results({ at: '2026-09-21T08:00:00Z', status: 'missing' });
    expect(await history()).toEqual([{ status: 'scored', earned: 17 }]);
  });

  it('keep a correction of a score, of its levels, or of its lateness', async () => {
    const base = { at: '2026-09-23T08:00:00Z', status: 'scored', earned: 3 };
    await results(base);
    await results({ ...base, levels: { s1: 3 } });
    await results({ ...base, levels: { s1: 4 } });
    await results({ ...base, levels: { s1: 4 }, late: true });
    expect(await history()).toHaveLength(4);
  });

  it('of work or children nobody knows wait outside', async () => {
    const { ids } = await results({
      id: 'lost',
      item_id: 'nowhere',
      at: '2026-09-23T08:00:00Z',
      status: 'scored',
    });
    expect([...ids]).toEqual([]);
    expect(await history()).toEqual([]);
  });
});
