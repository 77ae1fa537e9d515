/** How often each line stands in a list. */
function counted(lines) {
  const counts = new Map();
  for (const line of lines) counts.set(line, (counts.get(line) ?? 0) + 1);
  return counts;
}

/**
 * Holds what there is against what there should be, line by line, however often each stands there.
 * @returns lines that are missing, lines that stand there too often, and lines that should not be there at all.
 */
export function compare(found, wanted) {
  const there = counted(found);
  const should = counted(wanted);
  const result = { lost: [], doubled: [], untrue: [] };
  for (const line of new Set([...there.keys(), ...should.keys()])) {
    const has = there.get(line) ?? 0;
    const needs = should.get(line) ?? 0;
    if (has < needs) result.lost.push(line);
    else if (needs === 0) result.untrue.push(line);
    else if (has > needs) result.doubled.push(line);
  }
  return result;
}
