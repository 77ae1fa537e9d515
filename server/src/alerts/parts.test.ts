import {
  factsAt,
  lookAtChild,
  nextLooks,
  presetRules,
  type AlertState,
  type ChildFacts,
  type LookedAt,
} from '@cadro/core';
import { wholeOf, type PartOfRecord } from '../records';
import { World } from '../testing/world';
import { factsNow, historiesOf } from './histories';
import { watchesOf, type Watch } from './watchStore';

/* A look at a part of a child's record finds what a look at all of it finds there, with that part of it read alone. */
const dayMs = 86_400_000;
const rules = presetRules('everything');
const children = ['caspian', 'isolde', 'pet'];
let world: World;
let watches: readonly Watch[];
let now: Date;

beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children }]);
  watches = await watchesOf(world.db, { studentIds: children.map((child) => world.student(child)) });
  now = await world.clock.now();
});
afterAll(() => world.stop());

const ask = { rules, silences: [], first: false };

/** What lies in a part: each course's own, and what is said of attendance. */
const liesIn =
  ({ courses, attendance }: LookedAt) =>
  ({ kind, courseId }: Pick<AlertState, 'kind' | 'courseId'>): boolean =>
    kind === 'attendance' ? attendance : kind !== 'school' && courseId !== null && courses.has(courseId);

/** The parts of a child's record: a course each, attendance alone, and two courses with attendance. */
async function partsOf(studentId: string): Promise<PartOfRecord[]> {
  const ids: string[] = await world
    .db('current_figures')
    .where({ student_id: studentId })
    .orderBy('course_id')
    .pluck('course_id');
  return [
    ...ids.map((id) => ({ studentId, courses: [id], attendance: false })),
    { studentId, courses: [], attendance: true },
    { studentId, courses: ids.slice(0, 2), attendance: true },
  ];
}

it('finds there what a look at everything finds, evening by evening', async () => {
  const whole = await historiesOf(world.db, wholeOf(watches.map(({ studentId }) => studentId)), now);
  let found = 0;
  for (const watch of watches) {
    for (const part of await partsOf(watch.studentId)) {
      const looked: LookedAt = { courses: new Set(part.courses), attendance: part.attendance };
      const alone = (await historiesOf(world.db, [part], now))(watch);
      let states: readonly AlertState[] = [];
      for (let atMs = now.getTime() - 30 * dayMs; atMs <= now.getTime(); atMs += dayMs) {
        const first = states.length === 0;
        const all = lookAtChild(states, factsAt(whole(watch), atMs), { ...ask, first });
        const some = lookAtChild(states, factsAt(alone, atMs), { ...ask, first, part: looked });
        const here = all.states.filter(liesIn(looked));
        expect(some.states).toEqual(here);
        const keys = new Set(here.map(({ key }) => key));
        expect(some.tellings).toEqual(all.tellings.filter(({ key }) => keys.has(key)));
        found += some.tellings.length;
        states = all.states;
      }
    }
  }
  expect(found).toBeGreaterThan(20);
});

it('has figures that were computed, of the part alone', async () => {
  for (const watch of watches) {
    const whole = (await factsNow(world.db, wholeOf([watch.studentId]), now))(watch);
    for (const part of await partsOf(watch.studentId)) {
      const { courses } = (await factsNow(world.db, [part], now))(watch);
      const answers = (all: ChildFacts['courses']) =>
        all.map(({ id, answer, grade }) => ({ id, answer, grade }));
      expect(answers(courses)).toEqual(
        answers(whole.courses.filter(({ id }) => part.courses?.includes(id) ?? true)),
      );
    }
  }
});

it('says when a last day or a test is next near enough, and finds nothing of them before', async () => {
  const timed = new Set<string>(['deadline', 'big-work', 'answer-due']);
  const history = await historiesOf(world.db, wholeOf(watches.map(({ studentId }) => studentId)), now);
  let came = 0;
  for (const watch of watches) {
    const factsOf = (atMs: number) => factsAt(history(watch), atMs);
    const toldAt = (atMs: number) =>
      lookAtChild([], factsOf(atMs), { ...ask, first: true }).states.flatMap(({ courseId, reasons }) =>
        reasons.flatMap(({ rule, id }) => (timed.has(rule) ? [`${courseId ?? ''} ${id}`] : [])),
      );
    for (let atMs = now.getTime() - 20 * dayMs; atMs <= now.getTime(); atMs += dayMs) {
      const nexts = nextLooks(factsOf(atMs), rules);
      const firstMs = Math.min(...nexts.map((each) => each.atMs));
      const before = new Set(toldAt(atMs));
      const lastMs = Math.min(firstMs - 1, atMs + dayMs / 24);
      expect(toldAt(lastMs).filter((id) => !before.has(id))).toEqual([]);
      if (firstMs < atMs + dayMs) came += toldAt(firstMs).filter((id) => !before.has(id)).length;
    }
  }
  expect(came).toBeGreaterThan(0);
});
