/** What a key brings, as far as this file needs to know it. */
interface Key {
  readonly key: string;
  readonly currentTarget: unknown;
  preventDefault(): void;
}

/** Where a key leads from one of several. */
const leads = (at: number, count: number): Readonly<Record<string, number>> => ({
  ' ': at,
  ArrowRight: (at + 1) % count,
  ArrowDown: (at + 1) % count,
  ArrowLeft: (at + count - 1) % count,
  ArrowUp: (at + count - 1) % count,
  Home: 0,
  End: count - 1,
});

/** The boxes of a group, from one of them. */
const groupOf = (target: unknown): readonly HTMLElement[] =>
  target instanceof HTMLElement
    ? [...(target.closest('[role=radiogroup]')?.querySelectorAll<HTMLElement>('[role=radio]') ?? [])]
    : [];

/**
 * One of several to choose from, by keys: Tab comes to the chosen one alone, the arrows choose the one beside it, Home and
 * End the first and the last, Space the one itself.
 * @param at which of them it is.
 * @param chosen which is chosen; -1 where none is.
 */
export const radioKeys = (
  at: number,
  {
    count,
    chosen,
    choose,
  }: { readonly count: number; readonly chosen: number; choose: (at: number) => void },
) => ({
  tabIndex: (at === Math.max(0, chosen) ? 0 : -1) as 0 | -1,
  onKeyDown: (event: Key) => {
    const to = leads(at, count)[event.key];
    if (to === undefined) return;
    event.preventDefault();
    choose(to);
    groupOf(event.currentTarget)[to]?.focus();
  },
});

/** What is ticked by a finger or by Enter is ticked by Space, too. */
export const spacePresses = (press: () => void) => ({
  onKeyDown: (event: Key) => {
    if (event.key !== ' ') return;
    event.preventDefault();
    press();
  },
});
