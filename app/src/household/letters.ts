/**
 * The fewest letters that tell names apart: one each, or two where two begin alike; never more, for the pattern beside
 * them tells apart what is left.
 * @example `['Isolde', 'Caspian', 'Pet']` → `['I', 'C', 'P']`; `['Pet', 'Paul']` → `['Pe', 'Pa']`.
 */
export function lettersOf(names: readonly string[]): string[] {
  const firsts = names.map((name) => name.charAt(0));
  return names.map((name, index) => {
    const alone = firsts.filter((first) => first === firsts[index]).length === 1;
    return name.slice(0, alone ? 1 : 2);
  });
}
