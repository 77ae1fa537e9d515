import { join } from 'node:path';
import { asModule } from '../lib/asModule';

interface Fault {
  readonly line: number;
  readonly what: string;
  readonly code: string;
}
/** The faults that could be put into a text, each with the text that has it. */
function faults(code: string): Fault[] {
  const text = JSON.stringify(code);
  const each = `({ line: f.line, what: f.what, code: m.withFault(${text}, f) })`;
  return asModule(join(__dirname, 'faults.mjs'), `m.faultsIn('a.ts', ${text}).map((f) => ${each})`);
}

it.each([
  ['a comparison', 'const a = b < c;', [['< is <=', 'const a = b <= c;']]],
  [
    'a sum',
    'const a = b + 2;',
    [
      ['+ is -', 'const a = b - 2;'],
      ['2 is 3', 'const a = b + 3;'],
    ],
  ],
  [
    'joined texts, of which there is no difference',
    "const a = 'x' + b;",
    [["'x' is another text", "const a = '~x' + b;"]],
  ],
  [
    'a tolerance, whose very edge means nothing',
    'const a = b >= c - 1e-9;',
    [
      ['- is +', 'const a = b >= c + 1e-9;'],
      ['1e-9 is 1.000000001', 'const a = b >= c - 1.000000001;'],
    ],
  ],
  ['a denial', 'const a = !b;', [['a ! is left out', 'const a = b;']]],
  ['a choice', 'const a = b ? c : d;', [['a condition is turned round', 'const a = !(b) ? c : d;']]],
  ['an if', 'if (a) b();', [['an if never holds', 'if (false) b();']]],
  ['some and every', 'const a = b.some(c);', [['some is every', 'const a = b.every(c);']]],
  ['a truth', 'const a = true;', [['true is false', 'const a = false;']]],
  ['types, which change nothing', 'type A = 1 | true; interface B { a: false }', []],
])('finds the faults of %s', (_name, code, expected) => {
  expect(faults(code).map((fault) => [fault.what, fault.code])).toEqual(expected);
});

it('tells the line', () => {
  expect(faults('const a = 1;\n\nconst b = a > 2;').map(({ line, what }) => [line, what])).toEqual([
    [1, '1 is 2'],
    [3, '> is >='],
    [3, '2 is 3'],
  ]);
});
