/** Replaces globals for the tests of one file, and puts back what was there: other files run in the same process. */
export function replaceGlobals(replacements: Readonly<Record<string, unknown>>): void {
  const before = Object.keys(replacements).map(
    (name) => [name, Object.getOwnPropertyDescriptor(globalThis, name)] as const,
  );
  beforeAll(() => void Object.assign(globalThis, replacements));
  afterAll(() => {
    for (const [name, descriptor] of before)
      if (descriptor) Object.defineProperty(globalThis, name, descriptor);
      else Reflect.deleteProperty(globalThis, name);
  });
}
