import fc from 'fast-check';
import { mayGo, planFault, proposePlan, type Packer, type PlanEvening, type PlanTask } from '.';
import { runs } from '../testing/runs';

/** Tries every choice: for small questions alone. */
const packByTrying: Packer = async (fillings, gains) => {
  let best = { chosen: [] as number[], gain: 0 };
  const go = (
    next: number,
    chosen: number[],
    evenings: ReadonlySet<number>,
    tasks: ReadonlySet<number>,
  ): void => {
    const gain = [...tasks].reduce((sum, task) => sum + (gains[task] ?? 0), 0);
    if (gain > best.gain) best = { chosen, gain };
    for (let index = next; index < fillings.length; index++) {
      const { evening, tasks: own } = fillings[index]!;
      if (evenings.has(evening)) continue;
      go(index + 1, [...chosen, index], new Set([...evenings, evening]), new Set([...tasks, ...own]));
    }
  };
  go(0, [], new Set(), new Set());
  return { chosen: best.chosen, proven: true };
};

const propose = (tasks: readonly PlanTask[], evenings: readonly PlanEvening[]) =>
  proposePlan(tasks, evenings, packByTrying);

/** The greatest gain there is, by trying every place of every task; of its plans, how early the earliest is. */
function byTrying(
  tasks: readonly PlanTask[],
  evenings: readonly PlanEvening[],
): { gain: number; early: number } {
  const sorted = [...evenings].sort((a, b) => (a.date < b.date ? -1 : 1));
  const left = sorted.map(({ minutes }) => minutes);
  let best = { gain: 0, early: 0 };
  const go = (index: number, gain: number, early: number): void => {
    const task = tasks[index];
    if (!task) {
      if (gain > best.gain || (gain === best.gain && early > best.early)) best = { gain, early };
      return;
    }
    go(index + 1, gain, early);
    sorted.forEach((evening, at) => {
      if (!mayGo(task, { ...evening, minutes: left[at]! })) return;
      left[at]! -= task.minutes;
      go(index + 1, gain + task.gain, early + sorted.length - at);
      left[at]! += task.minutes;
    });
  };
  go(0, 0, 0);
  return best;
}

const day = (index: number): string => `2026-11-${String(index + 1).padStart(2, '0')}`;
const anyTask = fc.record({
  minutes: fc.integer({ min: 0, max: 9 }).map((tens) => tens * 5),
  gain: fc.integer({ min: 0, max: 12 }),
  deadline: fc.option(fc.integer({ min: 0, max: 4 }).map(day)),
  notBefore: fc.option(fc.integer({ min: 0, max: 2 }).map(day)),
});
const anyTasks = fc
  .array(anyTask, { maxLength: 6 })
  .map((all) => all.map((task, index) => ({ id: `t${index}`, ...task })));
const anyEvenings = fc
  .array(fc.integer({ min: 0, max: 12 }), { maxLength: 3 })
  .map((all) => all.map((fives, index) => ({ date: day(index), minutes: fives * 5 })));

describe('a plan', () => {
  it('puts each task where it may go, once at most, and overfills no evening', async () => {
    await fc.assert(
      fc.asyncProperty(anyTasks, anyEvenings, async (tasks, evenings) => {
        const { plan } = await propose(tasks, evenings);
        const byId = new Map(tasks.map((task) => [task.id, task]));
        const placed = plan.evenings.flatMap(({ taskIds }) => taskIds);
        expect(new Set(placed).size).toBe(placed.length);
        expect(plan.gain).toBe(placed.reduce((sum, id) => sum + byId.get(id)!.gain, 0));
        expect(plan.evenings.map(({ date }) => date)).toEqual(evenings.map(({ date }) => date).sort());
        for (const { date, taskIds } of plan.evenings) {
          const evening = evenings.find((each) => each.date === date)!;
          expect(taskIds.every((id) => mayGo(byId.get(id)!, evening))).toBe(true);
          expect(taskIds.reduce((sum, id) => sum + byId.get(id)!.minutes, 0)).toBeLessThanOrEqual(
            evening.minutes,
          );
        }
      }),
    );
  });

  it('gains as much as any, and of equal ones is the earliest', async () => {
    await fc.assert(
      fc.asyncProperty(anyTasks, anyEvenings, async (tasks, evenings) => {
        const { plan, proven } = await propose(tasks, evenings);
        const early = plan.evenings.reduce(
          (sum, { taskIds }, at) => sum + taskIds.length * (evenings.length - at),
          0,
        );
        expect(proven).toBe(true);
        expect({ gain: plan.gain, early }).toEqual(byTrying(tasks, evenings));
      }),
      { numRuns: runs(300) },
    );
  });

  it('does not depend on the order of what is asked', async () => {
    await fc.assert(
      fc.asyncProperty(anyTasks, anyEvenings, async (tasks, evenings) => {
        expect(await propose([...tasks].reverse(), [...evenings].reverse())).toEqual(
          await propose(tasks, evenings),
        );
      }),
    );
  });

  it('is told with its tasks by deadline, and keeps empty evenings', async () => {
    const tasks = [
      { id: 'map', minutes: 20, gain: 1, deadline: day(5) },
      { id: 'log', minutes: 20, gain: 2, deadline: day(1) },
      { id: 'long', minutes: 90, gain: 9 },
      { id: 'later', minutes: 10, gain: 1, notBefore: day(2) },
    ];
    const evenings = [0, 1, 2].map((index) => ({ date: day(index), minutes: index === 1 ? 0 : 45 }));
    expect((await propose(tasks, evenings)).plan).toEqual({
      gain: 4,
      evenings: [
        { date: day(0), taskIds: ['log', 'map'] },
        { date: day(1), taskIds: [] },
        { date: day(2), taskIds: ['later'] },
      ],
    });
  });

  it('is not made coarse by work that fits nowhere, however much it would gain', async () => {
    const tasks = [
      { id: 'huge', minutes: 600, gain: 1e15 },
      { id: 'small', minutes: 20, gain: 1 },
      { id: 'better', minutes: 20, gain: 1.5 },
    ];
    const { plan } = await propose(tasks, [{ date: day(0), minutes: 30 }]);
    expect(plan.evenings).toEqual([{ date: day(0), taskIds: ['better'] }]);
  });

  it.each([
    ['nothing to do', [], [{ date: day(0), minutes: 30 }], 0],
    ['no evening', [{ id: 'a', minutes: 10, gain: 1 }], [], 0],
    ['only losses', [{ id: 'a', minutes: 10, gain: -1 }], [{ date: day(0), minutes: 30 }], 0],
    [
      'fractions of a point',
      ['a', 'b', 'c'].map((id) => ({ id, minutes: 10, gain: 0.1 })),
      [{ date: day(0), minutes: 25 }],
      0.2,
    ],
  ])('copes with %s', async (_, tasks, evenings, gain) => {
    expect((await propose(tasks, evenings)).plan.gain).toBeCloseTo(gain, 12);
  });

  it.each([
    [
      [
        { id: 'a', minutes: 1, gain: 1 },
        { id: 'a', minutes: 2, gain: 1 },
      ],
      [],
      '/tasks/1/id',
    ],
    [
      [],
      [
        { date: day(0), minutes: 1 },
        { date: day(0), minutes: 2 },
      ],
      '/evenings/1/date',
    ],
    [[], [], undefined],
  ])('finds what is given twice', (tasks, evenings, path) => {
    expect(planFault(tasks, evenings)?.path).toBe(path);
  });
});
