/** Rows by a key, each group in the order of the rows. */
export function groupBy<K, T>(rows: Iterable<T>, keyOf: (row: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const row of rows) {
    const key = keyOf(row);
    const known = groups.get(key);
    if (known) known.push(row);
    else groups.set(key, [row]);
  }
  return groups;
}
