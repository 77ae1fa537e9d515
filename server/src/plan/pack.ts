import type { Packer } from '@cadro/core';
import highsLoader, { type Highs } from 'highs';

/** Seconds after which the best choice so far is taken. */
const patience = 12;

const sumOf = (terms: readonly string[]): string => terms.join('\n + ');

function grouped<K>(pairs: Iterable<readonly [K, string]>): Map<K, string[]> {
  const groups = new Map<K, string[]>();
  for (const [key, name] of pairs) {
    const known = groups.get(key);
    if (known) known.push(name);
    else groups.set(key, [name]);
  }
  return groups;
}

/**
 * The choice of fillings as a linear program, in the text form that solvers read: one filling an evening, and a task
 * brings its gain once, if it stands in any.
 */
function modelOf(...[fillings, gains]: Parameters<Packer>): string {
  const greatest = Math.max(...gains, Number.MIN_VALUE);
  const named = fillings.map((filling, index) => ({ ...filling, name: `f${index}` }));
  const ofEvening = grouped(named.map(({ evening, name }) => [evening, name] as const));
  const ofTask = grouped(named.flatMap(({ tasks, name }) => tasks.map((task) => [task, name] as const)));
  return [
    'Maximize',
    ` gain: ${sumOf([...ofTask.keys()].map((task) => `${(gains[task] ?? 0) / greatest} t${task}`))}`,
    'Subject To',
    ...[...ofEvening].map(([evening, members]) => ` e${evening}: ${sumOf(members)} <= 1`),
    ...[...ofTask].map(([task, members]) => ` d${task}: t${task} - ${members.join('\n - ')} <= 0`),
    'Bounds',
    ...[...ofTask.keys()].map((task) => ` 0 <= t${task} <= 1`),
    'Binary',
    ...named.map(({ name }) => ` ${name}`),
    'End',
  ].join('\n');
}

let loaded: Promise<Highs> | null = null;

/** Packs with a solver of mixed integer programs, to the last digit. */
export const packExactly: Packer = async (fillings, gains) => {
  const highs = await (loaded ??= highsLoader());
  const { Status, Columns } = highs.solve(modelOf(fillings, gains), {
    mip_rel_gap: 0,
    mip_abs_gap: 1e-9,
    time_limit: patience,
  });
  const taken = (index: number): boolean => {
    const column = Columns[`f${index}`];
    return column !== undefined && 'Primal' in column && column.Primal > 0.5;
  };
  return {
    chosen: fillings.flatMap((_, index) => (taken(index) ? [index] : [])),
    proven: Status === 'Optimal',
  };
};
