import type { DayMark } from '@cadro/contract';

/** One school day of a year, as one stroke of a line. */
export interface DayOfYear {
  /** `2026-10-21`. */
  readonly on: string;
  /** Share of the day's lessons that were missed, 0 to 1; trips and what nobody has explained are none. */
  readonly missed: number;
  /** Whether any of it has no reason yet. */
  readonly unexplained: boolean;
  readonly late: boolean;
}

/**
 * The school days of a year in the order in which they were, with how much of each was missed. Days without school are left out.
 * @param days each day's marks, in any order.
 */
export function yearLine(
  days: readonly { readonly on: string; readonly marks: readonly Pick<DayMark, 'kind' | 'excused'>[] }[],
): DayOfYear[] {
  return days
    .map(({ on, marks }) => ({ on, held: marks.filter(({ kind }) => kind !== 'closed') }))
    .filter(({ held }) => held.length > 0)
    .map(({ on, held }) => {
      const absent = held.filter(({ kind }) => kind === 'absent');
      return {
        on,
        missed: absent.length / held.length,
        unexplained: absent.some(({ excused }) => !excused),
        late: held.some(({ kind }) => kind === 'tardy'),
      };
    })
    .sort((a, b) => a.on.localeCompare(b.on));
}
