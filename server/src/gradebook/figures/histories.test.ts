import { World } from '../../testing/world';
import { courseHistories } from './histories';
import { wholeOf } from '../../records';

let world: World;
beforeAll(async () => {
  world = await World.read('daily');
});
afterAll(() => world.stop());

async function historyOf(course: string, school: string, child: string) {
  const id = await world.courseId(course, school);
  const of = await courseHistories(world.db, wholeOf([world.student(child)]));
  const history = of(world.student(child), '00000000-0000-4000-8000-000000000000').find(
    (each) => each.id === id,
  );
  if (!history) throw new Error(`no history of ${course}`);
  const [term] = history.terms.filter(({ items }) => items.length > 0);
  if (!term) throw new Error(`no work in ${course}`);
  return { ...history, term };
}

describe('the history of a course', () => {
  it('has each work as its source told it, at each time', async () => {
    const itemId = await world.itemId('kelp-reef-survey', 'gannet-head');
    const studentId = world.student('isolde');
    const log = (at: string, before: object) =>
      world.db('change_log').insert({
        ...{ student_id: studentId, item_id: itemId, kind: 'work', at, after: '{}' },
        before: JSON.stringify(before),
      });
    await world.db('items').where({ id: itemId }).update({ title: 'Reef survey, moved' });
    await log('2026-10-19T19:40:00Z', { title: 'Reef', due_at: '2026-10-02T12:00:00+00:00' });
    await log('2026-10-20T19:40:00Z', { title: 'Reef survey', possible: 10 });
    const { term, title, sourceName, readAt } = await historyOf('kelp', 'gannet-head', 'isolde');
    expect(readAt).toBe((await world.clock.now()).toISOString());
    expect([title, sourceName]).toEqual(['Kelp chemistry', 'Gannet Head Upper School']);
    const versions = term.items.filter(({ value }) => value.id === itemId);
    expect(
      versions.map(({ value, removed, knownAtMs }) => [
        ...[value.title, value.dueAt, value.possible, removed],
        new Date(knownAtMs).toISOString(),
      ]),
    ).toEqual([
      ['Reef', '2026-10-02T12:00:00.000Z', 10, false, '2026-09-30T11:40:00.000Z'],
      ['Reef survey', '2026-10-10T02:59:00.000Z', 10, false, '2026-10-19T19:40:00.000Z'],
      ['Reef survey, moved', '2026-10-10T02:59:00.000Z', 20, false, '2026-10-20T19:40:00.000Z'],
    ]);
    const times = term.items.map(({ knownAtMs }) => knownAtMs);
    expect(times).toEqual([...times].sort((a, b) => a - b));
  });

  it('takes work that was marked later for handed in when it was due, where it was read in late', async () => {
    const { term } = await historyOf('kelp', 'gannet-head', 'isolde');
    const ids = new Set(term.results.slice(0, 2).map(({ value }) => value.itemId));
    expect(ids.size).toBe(1);
    const [first, second] = term.results;
    const due = term.items.find(({ value }) => ids.has(value.id))?.value.dueAt ?? '';
    expect(first?.value).toEqual({ itemId: second?.value.itemId, at: due, status: 'handed-in' });
    expect(first?.knownAtMs).toBe(Date.parse(due));
    expect(second?.value).toMatchObject({ status: 'scored', at: '2026-09-11T18:10:00.000Z' });
    expect(second?.knownAtMs).toBe(Date.parse('2026-09-11T18:10:00Z'));
    // What came after the first reading is told as it was: nothing is added to it.
    const later = term.results.filter(({ knownAtMs }) => knownAtMs > Date.parse('2026-10-18T19:40:00Z'));
    expect(later.length).toBeGreaterThan(0);
    expect(later.filter(({ value }) => value.status === 'handed-in' && value.at === due)).toEqual([]);
  });

  it.each([false, true])(
    'has scores of one instant in the order of their works, read backwards: %s',
    async (back) => {
      const at = new Date('2026-10-21T19:00:00Z');
      const { term } = await historyOf('kelp', 'gannet-head', 'isolde');
      const works = term.items.filter(({ removed }) => !removed).map(({ value }) => value);
      const inOrder = works.sort((a, b) => (a.dueAt ?? '').localeCompare(b.dueAt ?? '')).slice(0, 3);
      for (const { id } of back ? inOrder.toReversed() : inOrder) {
        const mark = { student_id: world.student('isolde'), item_id: id, at, status: 'scored', earned: 3 };
        await world.db('results').insert({ ...mark, late: false, levels: '{}' });
      }
      const { term: after } = await historyOf('kelp', 'gannet-head', 'isolde');
      const read = after.results.filter(({ value }) => value.at === at.toISOString());
      await world.db('results').where({ at }).delete();
      expect(read.map(({ value }) => value.itemId)).toEqual(inOrder.map(({ id }) => id));
    },
  );
});
