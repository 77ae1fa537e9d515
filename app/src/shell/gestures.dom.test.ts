import { meantBy } from './useGestures';

const from = (atTop: boolean) => ({ x: 200, y: 200, atTop });

it.each([
  ['a sweep to the left: the next child', true, [80, 210], 1],
  ['a sweep to the right: the one before', false, [310, 190], -1],
  ['a pull from the top: everything anew', true, [210, 340], 'anew'],
  ['a pull from further down: scrolling', false, [210, 340], null],
  ['a touch', true, [203, 202], null],
  ['a finger that goes aslant', true, [100, 290], null],
  ['a push upward: scrolling', true, [200, 60], null],
] as const)('%s', (_name, atTop, [x, y], meant) => expect(meantBy(from(atTop), { x, y })).toBe(meant));
