import type { Packer } from '@cadro/core';
import highsLoader from 'highs';

/** Seconds after which the best choice so far is taken. */
const patience = 20;

const sumOf = (terms: readonly string[]): string => terms.join('\n + ');

/** The choice of fillings as a linear program with 0 and 1, in the text form that solvers read. */
function modelOf(...[fillings, gains]: Parameters<Packer>): string {
  const greatest = Math.max(...gains, Number.MIN_VALUE);
  const rows = new Map<string, string[]>();
  fillings.forEach(({ evening, tasks }, index) => {
    for (const row of [`e${evening}`, ...tasks.map((task) => `t${task}`)]) {
      rows.set(row, [...(rows.get(row) ?? []), `p${index}`]);
    }
  });
  const once = [...rows].map(([row, members]) => ` ${row}: ${sumOf(members)} <= 1`);
  return [
    'Maximize',
    ` gain: ${sumOf(gains.map((gain, index) => `${gain / greatest} p${index}`))}`,
    'Subject To',
    ...once,
    'Binary',
    ...fillings.map((_, index) => ` p${index}`),
    'End',
  ].join('\n');
}

/** Packs with a solver of mixed integer programs, to the last digit. */
export const packExactly: Packer = async (fillings, gains) => {
  const highs = await highsLoader();
  const { Status, Columns } = highs.solve(modelOf(fillings, gains), {
    mip_rel_gap: 0,
    mip_abs_gap: 1e-9,
    time_limit: patience,
  });
  const taken = (index: number): boolean => {
    const column = Columns[`p${index}`];
    return column !== undefined && 'Primal' in column && column.Primal > 0.5;
  };
  return {
    chosen: fillings.flatMap((_, index) => (taken(index) ? [index] : [])),
    proven: Status === 'Optimal',
  };
};
