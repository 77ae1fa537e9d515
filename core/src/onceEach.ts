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

/** Makes something once for each of many names; when so many were made, it begins anew. */
export function remembered<T>(most: number, make: (name: number) => T): (name: number) => T {
  const made = new Map<number, T>();
  return (name) => {
    const known = made.get(name);
    if (known !== undefined) return known;
    const value = make(name);
    if (made.size >= most) made.clear();
    made.set(name, value);
    return value;
  };
}
