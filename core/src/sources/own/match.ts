/** An assignment by what it is known by. */
export interface Named {
  readonly title: string;
  readonly dueOn: string | null;
}

/** So far apart in days, an assignment of the same name has been moved; farther, it is another. */
const movedDays = 21;
const dayMs = 24 * 3_600_000;

/** A title as it is compared: without accents, signs, capitals. */
export const plainTitle = (title: string): string =>
  title
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}%+]+/gu, ' ')
    .trim();

const near = (a: string | null, b: string | null): boolean =>
  a === null || b === null || Math.abs(Date.parse(a) - Date.parse(b)) <= movedDays * dayMs;

/**
 * Which of the known assignments each row tells of: the one of its name and day; else the one of its name, if that is
 * the only one, and its day is near or not said.
 * @returns for each row the place of its assignment among the known, or null for a new one; no place twice.
 * @example pairRows([{ title: 'Quiz 1', dueOn: null }], [{ title: 'quiz 1', dueOn: '2026-11-03' }]) // [0]
 */
export function pairRows(known: readonly Named[], rows: readonly Named[]): (number | null)[] {
  const names = known.map(({ title }) => plainTitle(title));
  const taken = new Set<number>();
  const take = (place: number): number | null => {
    if (place < 0) return null;
    taken.add(place);
    return place;
  };
  const exact = rows.map(({ title, dueOn }) =>
    take(
      known.findIndex(
        (each, place) => !taken.has(place) && names[place] === plainTitle(title) && each.dueOn === dueOn,
      ),
    ),
  );
  return exact.map((found, at) => {
    const row = rows[at];
    if (found !== null || row === undefined) return found;
    const name = plainTitle(row.title);
    const left = known.flatMap((each, place) =>
      !taken.has(place) && names[place] === name && near(each.dueOn, row.dueOn) ? [place] : [],
    );
    const rivals = rows.filter((each, other) => exact[other] === null && plainTitle(each.title) === name);
    return left.length === 1 && rivals.length === 1 ? take(left[0] ?? -1) : null;
  });
}
