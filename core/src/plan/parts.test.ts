import fc from 'fast-check';
import { fillingsOf } from './fillings';
import { Improver } from './improve';
import { Knapsack } from './knapsack';
import { refillPair } from './pairs';
import { problemOf, worthOf, type Assignment, type Problem } from './problem';
import { Relaxation, startPrices } from './relaxation';
import { Search } from './search';
import { runs } from '../testing/runs';

/* The parts of the solver by themselves: each may be slow or clumsy, none may be wrong. */
const day = (index: number): string => `2026-11-${String(index + 1).padStart(2, '0')}`;
const anyProblem = fc
  .record({
    tasks: fc.array(
      fc.record({
        minutes: fc.integer({ min: 1, max: 9 }),
        gain: fc.integer({ min: 0, max: 9 }),
        deadline: fc.option(fc.integer({ min: 0, max: 3 }).map(day)),
      }),
      { maxLength: 6 },
    ),
    minutes: fc.array(fc.integer({ min: 0, max: 14 }), { minLength: 1, maxLength: 3 }),
  })
  .map(({ tasks, minutes }) =>
    problemOf(
      tasks.map((task, index) => ({ id: `t${index}`, ...task })),
      minutes.map((free, index) => ({ date: day(index), minutes: free })),
    ),
  );

/** Every way to place the tasks without overfilling an evening. */
function* assignments({ size, room, worth }: Problem): Generator<Assignment> {
  const left = [...room];
  const now = new Int32Array(size.length).fill(-1);
  function* go(task: number): Generator<Assignment> {
    if (task === size.length) {
      yield now.slice();
      return;
    }
    yield* go(task + 1);
    for (const evening of left.keys()) {
      if (worth[task]![evening]! === 0 || size[task]! > left[evening]!) continue;
      [now[task], left[evening]] = [evening, left[evening]! - size[task]!];
      yield* go(task + 1);
      [now[task], left[evening]] = [-1, left[evening]! + size[task]!];
    }
  }
  yield* go(0);
}

const best = (problem: Problem): number =>
  Math.max(...[...assignments(problem)].map((assignment) => worthOf(problem, assignment)));

const isSound = ({ size, room, worth }: Problem, assignment: Assignment): boolean =>
  room.every(
    (free, evening) =>
      size.reduce((sum, each, task) => sum + (assignment[task] === evening ? each : 0), 0) <= free,
  ) && assignment.every((evening, task) => evening < 0 || worth[task]![evening]! > 0);

it('a knapsack holds the most there is, and says what is in it', () => {
  const thing = fc.record({ value: fc.integer({ min: 1, max: 20 }), size: fc.integer({ min: 0, max: 8 }) });
  fc.assert(
    fc.property(fc.array(thing, { maxLength: 8 }), fc.integer({ min: 0, max: 15 }), (things, room) => {
      const chosen = new Uint8Array(things.length);
      const values = Float64Array.from(things, ({ value }) => value);
      const sizes = Int32Array.from(things, ({ size }) => size);
      const held = new Knapsack(things.length, room).fill(things.length, values, sizes, room, chosen);
      const sum = (member: 'value' | 'size', of: (index: number) => boolean) =>
        things.reduce((total, each, index) => total + (of(index) ? each[member] : 0), 0);
      expect(sum('value', (index) => chosen[index] === 1)).toBe(held);
      expect(sum('size', (index) => chosen[index] === 1)).toBeLessThanOrEqual(room);
      for (let set = 0; set < 2 ** things.length; set++) {
        const isIn = (index: number) => ((set >> index) & 1) === 1;
        if (sum('size', isIn) <= room) expect(held).toBeGreaterThanOrEqual(sum('value', isIn));
      }
    }),
    { numRuns: runs(60) },
  );
});

it('whatever the prices, the relaxation is worth at least the best plan, also with a task forced where it is not', () => {
  fc.assert(
    fc.property(
      anyProblem,
      fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 6, maxLength: 6 }),
      (problem, shares) => {
        const evenings = problem.room.length;
        const open = Uint8Array.from(
          problem.worth.flatMap((row) => [...row].map((worth) => (worth > 0 ? 1 : 0))),
        );
        const prices = startPrices(problem).map((price, task) => Math.round(price * 2 * (shares[task] ?? 1)));
        const { bound, falls, placed } = new Relaxation(problem).at(
          prices,
          open,
          Int32Array.from(problem.room),
        );
        for (const assignment of assignments(problem)) {
          const worth = worthOf(problem, assignment);
          expect(bound).toBeGreaterThanOrEqual(worth - 1e-6);
          assignment.forEach((evening, task) => {
            const place = task * evenings + evening;
            if (evening >= 0 && !placed[place])
              expect(bound - falls[place]!).toBeGreaterThanOrEqual(worth - 1e-6);
          });
        }
      },
    ),
    { numRuns: runs(60) },
  );
});

it('the search finds the best, and its bound is never below it', () => {
  fc.assert(
    fc.property(anyProblem, (problem) => {
      const found = new Search(problem).run(300);
      expect(isSound(problem, found.assignment)).toBe(true);
      expect(found.worth).toBe(worthOf(problem, found.assignment));
      expect(found.bound).toBeGreaterThanOrEqual(best(problem));
      expect(found.worth).toBe(best(problem));
    }),
  );
});

it('filling evenings anew never makes a plan worse or unsound', () => {
  fc.assert(
    fc.property(anyProblem, fc.nat(), (problem, seed) => {
      const all = [...assignments(problem)];
      const start = all[seed % all.length]!;
      const before = worthOf(problem, start);
      const improver = new Improver(problem);
      for (const after of [improver.improve(start), improver.improveWell(start)]) {
        expect(isSound(problem, after)).toBe(true);
        expect(worthOf(problem, after)).toBeGreaterThanOrEqual(before);
      }
      const last = problem.room.length - 1;
      const pair = start.slice();
      const better = last > 0 && refillPair(problem, pair, [0, last]);
      expect(isSound(problem, pair)).toBe(true);
      if (better) expect(worthOf(problem, pair)).toBeGreaterThan(before);
      else expect(pair).toEqual(start);
    }),
  );
});

it('the fillings that are listed hold every plan that is worth as much as is asked', () => {
  fc.assert(
    fc.property(anyProblem, (problem) => {
      const most = best(problem);
      const prices = startPrices(problem);
      const open = Uint8Array.from(
        problem.worth.flatMap((row) => [...row].map((worth) => (worth > 0 ? 1 : 0))),
      );
      const { bound } = new Relaxation(problem).at(prices, open, Int32Array.from(problem.room));
      const fillings = fillingsOf(problem, { prices, bound }, { least: most, most: 10_000 });
      expect(fillings).not.toBeNull();
      for (const assignment of assignments(problem)) {
        if (worthOf(problem, assignment) < most) continue;
        problem.room.forEach((_, evening) => {
          const own = [...assignment.keys()].filter((task) => assignment[task] === evening);
          const held = (fillings ?? []).some(
            (filling) => filling.evening === evening && own.every((task) => filling.tasks.includes(task)),
          );
          expect(own.length === 0 || held).toBe(true);
        });
      }
      // Each is full: nothing that was left out would still fit.
      for (const { evening, tasks } of fillings ?? []) {
        const left = problem.room[evening]! - tasks.reduce((sum, task) => sum + problem.size[task]!, 0);
        expect(left).toBeGreaterThanOrEqual(0);
        problem.size.forEach((size, task) => {
          if (problem.worth[task]![evening]! > 0 && !tasks.includes(task)) expect(size).toBeGreaterThan(left);
        });
      }
    }),
    { numRuns: runs(60) },
  );
});

it('gives up listing where there are too many', () => {
  const tasks = Array.from({ length: 20 }, (_, index) => ({ id: `t${index}`, minutes: 5, gain: 1 }));
  const problem = problemOf(tasks, [{ date: day(0), minutes: 50 }]);
  const prices = new Float64Array(20);
  expect(fillingsOf(problem, { prices, bound: Infinity }, { least: 0, most: 100 })).toBeNull();
});
