import type { Draws } from './draws';

/** A schema as the document has it. */
export interface Schema {
  readonly type?: string;
  readonly format?: string;
  readonly const?: unknown;
  readonly enum?: readonly unknown[];
  readonly anyOf?: readonly Schema[];
  readonly allOf?: readonly Schema[];
  readonly properties?: Readonly<Record<string, Schema>>;
  readonly required?: readonly string[];
  readonly items?: Schema;
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly maxLength?: number;
}

const deep = (depth: number): unknown => {
  let value: unknown = 'at the bottom';
  for (let level = 0; level < depth; level += 1) value = level % 2 === 0 ? [value] : { a: value };
  return value;
};

/** What nobody means and somebody sends. */
const odd: readonly (() => unknown)[] = [
  ...['', ' ', '\u0000', 'a\u0000b', '\ud800', 'x\udfff', '\u202e', '💶'.repeat(200)].map(
    (text) => () => text,
  ),
  ...['0000-01-01', '0001-01-01', '9999-12-31', '2026-02-30', '0000-01-01T00:00:00Z'].map(
    (text) => () => text,
  ),
  ...['9999-12-31T23:59:59.999999999+14:00', '24:00', 'FREQ=DAILY;COUNT=999999999', '../../etc'].map(
    (text) => () => text,
  ),
  ...["' or 1=1 --", '${7*7}', '%00', '__proto__', 'constructor', 'null', 'NaN'].map((text) => () => text),
  ...[0, -0, -1, 1.5, 2 ** 31, 2 ** 31 - 1, 2 ** 53, -(2 ** 63), 1e308, 1e-320].map((number) => () => number),
  ...[null, true, false, [], {}, [null], [[[]]], { a: { b: 1 } }].map((value) => () => value),
  () => 'x'.repeat(70_000),
  () => Array.from({ length: 3_000 }, () => 'x'),
  () => deep(200),
  () => JSON.parse('{"__proto__":{"admin":true}}') as unknown,
];
export const oddValue = (draws: Draws): unknown => draws.of(odd)();

/** Ids of rows that are there, by the name of the member or parameter that takes one. */
export type Known = Readonly<Record<string, string>>;

const strangeId = '3f2c1a9e-0000-4000-8000-00000000dead';

function textOf(schema: Schema, name: string, known: Known, draws: Draws): string {
  if (schema.format === 'uuid') return draws.chance(0.85) ? (known[name] ?? strangeId) : strangeId;
  if (schema.format === 'date') return draws.of(['2026-10-21', '2026-10-22', '2026-11-30', '2027-01-04']);
  if (schema.format === 'date-time' || schema.format === 'moment')
    return draws.of(['2026-10-21T18:00:00Z', '2026-10-22T00:00:00+02:00']);
  if (schema.format === 'email') return draws.of(['maren@test.example', 'somebody@test.example']);
  return draws
    .of(['Keel model', 'a', '12', '08:30', '95', 'maren@test.example', 'FREQ=WEEKLY'])
    .slice(0, schema.maxLength ?? 50);
}

/** A value that fits a schema as far as its shape goes, with odd ones here and there. */
export function valueOf(schema: Schema, name: string, known: Known, draws: Draws, oddness: number): unknown {
  if (draws.chance(oddness)) return oddValue(draws);
  if (schema.const !== undefined) return schema.const;
  if (schema.enum) return draws.of(schema.enum);
  const either = schema.anyOf ?? schema.allOf;
  if (either) return valueOf(draws.of(either), name, known, draws, oddness);
  if (schema.type === 'object' || schema.properties) {
    const members = Object.entries(schema.properties ?? {}).filter(
      ([member]) => (schema.required ?? []).includes(member) || draws.chance(0.6),
    );
    const value = members.map(([member, of]) => [member, valueOf(of, member, known, draws, oddness)]);
    if (draws.chance(oddness))
      value.push([draws.of(['extra', '__proto__', 'id', 'version']), oddValue(draws)]);
    return Object.fromEntries(value);
  }
  if (schema.type === 'array') {
    const count = (schema.minItems ?? 0) + draws.below(3);
    const one = name.replace(/s$/, '');
    return Array.from({ length: count }, () => valueOf(schema.items ?? {}, one, known, draws, oddness));
  }
  if (schema.type === 'integer' || schema.type === 'number') {
    const least = schema.minimum ?? 0;
    return least + draws.below(Math.min(40, (schema.maximum ?? 40) - least + 1));
  }
  if (schema.type === 'boolean') return draws.chance(0.5);
  if (schema.type === 'null') return null;
  return textOf(schema, name, known, draws);
}
