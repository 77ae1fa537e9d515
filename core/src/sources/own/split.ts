import { plainTitle } from './match';

/** Ways in which calendars put a course and its work into one title: before or behind a sign, or in brackets. */
const shapes: readonly { readonly pattern: RegExp; readonly course: 1 | 2 }[] = [
  { pattern: /^\s*\[([^\]]{2,80})\]\s*(.+)$/, course: 1 },
  { pattern: /^(.+?)\s*[([]([^)\]]{2,80})[)\]]\s*$/, course: 2 },
  { pattern: /^(.{2,80}?)\s*(?::|\s[–—-])\s+(.+)$/, course: 1 },
  { pattern: /^(.+)\s+[–—-]\s+(.{2,80})$/, course: 2 },
];

/** The only course whose name begins as the words do, or they as its name; null for none or several. */
function courseCalled(words: string, courses: readonly string[]): number | null {
  const said = plainTitle(words);
  if (said.length < 3) return null;
  const found = courses.flatMap((title, at) => {
    const own = plainTitle(title);
    return own.startsWith(said) || said.startsWith(own) ? [at] : [];
  });
  return found.length === 1 ? (found[0] ?? null) : null;
}

/**
 * The course that a calendar's title names beside the work, and the work without it.
 * @returns the course's place among those that are known; null where the title names none of them.
 * @example splitTitle('Math: Quiz 4', ['Mathematics']) // { course: 0, work: 'Quiz 4' }
 */
export function splitTitle(
  title: string,
  courses: readonly string[],
): { readonly course: number | null; readonly work: string } {
  const whole = title.trim();
  for (const { pattern, course } of shapes) {
    const parts = pattern.exec(whole);
    const place = courseCalled(parts?.[course] ?? '', courses);
    const work = parts?.[course === 1 ? 2 : 1]?.trim() ?? '';
    if (place !== null && work !== '') return { course: place, work };
  }
  return { course: null, work: whole };
}
