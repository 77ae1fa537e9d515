import fc from 'fast-check';
import { problemOf, worthOf, type Problem } from './problem';
import { Search } from './search';
import { runs } from '../testing/runs';

const day = (index: number): string => `2026-11-${String(index + 1).padStart(2, '0')}`;

/** The greatest worth there is, by the room that is left: every state once, so that more tasks can be tried. */
function bestOf({ tasks, evenings, room, size, worth }: Problem): number {
  let states = new Map([[room.join(), 0]]);
  for (const task of tasks.keys()) {
    const next = new Map(states);
    for (const [left, value] of states) {
      const rooms = left.split(',').map(Number);
      for (const evening of evenings.keys()) {
        const [gain, after] = [worth[task]![evening]!, rooms[evening]! - size[task]!];
        if (gain === 0 || after < 0) continue;
        const key = rooms.map((each, index) => (index === evening ? after : each)).join();
        next.set(key, Math.max(next.get(key) ?? 0, value + gain));
      }
    }
    states = next;
  }
  return Math.max(...states.values());
}

/** Gains close to the minutes they take: nothing is better value than the rest, which is the hard kind. */
const hardTask = fc.record({
  minutes: fc.integer({ min: 2, max: 7 }).map((tens) => tens * 10),
  more: fc.integer({ min: 0, max: 5 }),
  deadline: fc.option(fc.integer({ min: 0, max: 2 }).map(day), { freq: 2 }),
});
const hardProblem = fc
  .record({
    tasks: fc.array(hardTask, { minLength: 8, maxLength: 12 }),
    rooms: fc.array(
      fc.integer({ min: 5, max: 11 }).map((tens) => tens * 10),
      { minLength: 3, maxLength: 3 },
    ),
  })
  .map(({ tasks, rooms }) =>
    problemOf(
      tasks.map(({ more, ...task }, index) => ({ id: `t${index}`, ...task, gain: task.minutes / 10 + more })),
      rooms.map((minutes, index) => ({ date: day(index), minutes })),
    ),
  );

describe('the search', () => {
  it('finds the best plan of hard evenings, and knows it', () => {
    fc.assert(
      fc.property(hardProblem, (problem) => {
        const { assignment, worth, bound } = new Search(problem).run(150);
        const best = bestOf(problem);
        expect({ worth, bound, told: worthOf(problem, assignment) }).toEqual({
          worth: best,
          bound: best,
          told: best,
        });
      }),
      { numRuns: runs(60) },
    );
  });

  it('never bounds below what there is, however early it stops', () => {
    fc.assert(
      fc.property(hardProblem, fc.integer({ min: 1, max: 8 }), (problem, most) => {
        const { worth, bound, root } = new Search(problem).run(most);
        const best = bestOf(problem);
        expect(worth).toBeLessThanOrEqual(best);
        expect(bound).toBeGreaterThanOrEqual(best);
        expect(root?.bound ?? best).toBeGreaterThan(best - 0.25);
      }),
      { numRuns: runs(60) },
    );
  });

  it('needs few branches for most', () => {
    const problems = fc.sample(hardProblem, { numRuns: 60, seed: 7 });
    const closed = (most: number) =>
      problems.filter((problem) => {
        const { worth, bound } = new Search(problem).run(most);
        return worth === bound;
      }).length;
    expect({ one: closed(1) >= 15, ten: closed(10) >= 42, twenty: closed(20) >= 50 }).toEqual({
      ...{ one: true, ten: true, twenty: true },
    });
  });
});
