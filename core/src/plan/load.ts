/** One evening, as a bar. */
export interface EveningLoad {
  /** `2026-10-21`. */
  readonly date: string;
  readonly free: number;
  /** Minutes that are planned and not done yet. */
  readonly planned: number;
}

/**
 * How much is planned for each of the coming evenings, in minutes, in their order.
 * @param most so many evenings.
 */
export function loadOfEvenings(
  evenings: readonly { readonly date: string; readonly minutes: number }[],
  tasks: readonly {
    readonly evening: string | null;
    readonly minutes: number;
    readonly doneAt: string | null;
  }[],
  most: number,
): EveningLoad[] {
  return [...evenings]
    .sort((a, b) => a.date.localeCompare(b.date))
    .slice(0, most)
    .map(({ date, minutes }) => ({
      date,
      free: minutes,
      planned: tasks
        .filter(({ evening, doneAt }) => evening === date && doneAt === null)
        .reduce((sum, task) => sum + task.minutes, 0),
    }));
}
