import type { Assignment, Problem } from './problem';

/** Two evenings of more room than this together are not looked at at once. */
const mostCells = 40_000;

/** Fills two evenings anew at once, where one alone finds nothing: what fits differently over both. */
export function refillPair(
  { worth, size, room }: Problem,
  assignment: Assignment,
  [first, second]: readonly [number, number],
): boolean {
  const [high, wide] = [room[first]! + 1, room[second]! + 1];
  if (high * wide > mostCells) return false;
  const gains = (task: number, evening: number): number => {
    const now = assignment[task]!;
    if (worth[task]![evening]! === 0) return 0;
    return worth[task]![evening]! - (now < 0 || now === first || now === second ? 0 : worth[task]![now]!);
  };
  const who = [...assignment.keys()].filter((task) => gains(task, first) > 0 || gains(task, second) > 0);
  const before = who.reduce((sum, task) => {
    const now = assignment[task]!;
    return sum + (now === first || now === second ? worth[task]![now]! : 0);
  }, 0);
  const best = new Float64Array(high * wide);
  const taken = new Uint8Array(who.length * high * wide);
  who.forEach((task, index) => {
    const [toFirst, toSecond, takes] = [gains(task, first), gains(task, second), size[task]!];
    for (let at = high - 1; at >= 0; at--) {
      for (let by = wide - 1; by >= 0; by--) {
        const cell = at * wide + by;
        const inFirst = toFirst > 0 && at >= takes ? best[cell - takes * wide]! + toFirst : 0;
        const inSecond = toSecond > 0 && by >= takes ? best[cell - takes]! + toSecond : 0;
        const most = Math.max(inFirst, inSecond);
        if (most <= best[cell]!) continue;
        best[cell] = most;
        taken[index * high * wide + cell] = inFirst >= inSecond ? 1 : 2;
      }
    }
  });
  if (best[high * wide - 1]! <= before) return false;
  for (const task of who) {
    if (assignment[task] === first || assignment[task] === second) assignment[task] = -1;
  }
  let [at, by] = [high - 1, wide - 1];
  for (let index = who.length - 1; index >= 0; index--) {
    const place = taken[index * high * wide + at * wide + by];
    const task = who[index]!;
    if (place === 1) [assignment[task], at] = [first, at - size[task]!];
    if (place === 2) [assignment[task], by] = [second, by - size[task]!];
  }
  return true;
}
