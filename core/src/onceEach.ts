/** Makes something once for each of its names; of those there must be few: all that was made is kept. */
export function onceEach<K extends readonly (string | number)[], T>(
  make: (...names: K) => T,
): (...names: K) => T {
  const made = new Map<string, T>();
  return (...names) => {
    const key = names.join('\n');
    const known = made.get(key) ?? make(...names);
    made.set(key, known);
    return known;
  };
}
