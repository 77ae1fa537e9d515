import { ParseError } from '@cadro/contract/parse';
import { refuseUnsound } from './sound';

const nested = (depth: number): unknown => JSON.parse('['.repeat(depth) + ']'.repeat(depth));

it.each<[string, unknown, RegExp]>([
  ['NUL in a text', { a: ['x', 'a\u0000b'] }, /NUL/],
  ['NUL in a name', { 'a\u0000': 1 }, /NUL/],
  ['the first half of a letter', '\ud83d', /whole/],
  ['the second half of one', { a: 'x\udc92' }, /whole/],
  ['halves in the wrong order', '\udc92\ud83d', /whole/],
  ['more nesting than is meant', nested(80), /deep/],
  ['a trap', nested(200_000), /deep/],
])('refuses %s', (_name, given, why) => {
  expect(() => refuseUnsound('request body', given)).toThrow(ParseError);
  expect(() => refuseUnsound('request body', given)).toThrow(why);
});

it.each([undefined, null, 1, '', 'whole 💶 letters', nested(40), { a: { b: [1, 'ñ'] } }])(
  'takes %j',
  (given) => {
    expect(() => refuseUnsound('request body', given)).not.toThrow();
  },
);
