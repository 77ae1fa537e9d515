import type { Scale } from '@cadro/contract';
import { spanDomain, spanSteps, type Spanned } from '.';

const figures = (posted: number | null, ifLeft: number | null = posted, ifMadeUp: number | null = posted) =>
  ({ figures: { posted, ifLeft, ifMadeUp }, grade: { figure: posted, count: null } }) satisfies Spanned;
const letters = [
  { letter: 'A', from: 0.9 },
  { letter: 'B', from: 0.8 },
  { letter: 'C', from: 0.7 },
];
const hundred: Scale = { method: 'points', outOf: 100, decimals: 1, letters };

describe('how much of a scale a span shows', () => {
  it.each<[string, Spanned, Scale, { from: number; to: number }]>([
    ['from below the lowest letter', figures(85), hundred, { from: 60, to: 100 }],
    ['from below what it would be if left', figures(85, 41), hundred, { from: 30, to: 100 }],
    ['never from below nothing', figures(20, 3), hundred, { from: 0, to: 100 }],
    ['up to what is above the top', figures(104), hundred, { from: 60, to: 104 }],
    ['all of a small scale', figures(3.1), { ...hundred, outOf: 4, letters: [] }, { from: 0, to: 4 }],
    [
      'all but the floor of a scale without letters',
      figures(88),
      { ...hundred, letters: [] },
      { from: 80, to: 100 },
    ],
    [
      'from below the school’s grade, where ours is another',
      {
        ...figures(85),
        grade: { figure: 52, count: { figure: 85, display: 85, decimals: 1, letter: null } },
      },
      hundred,
      { from: 40, to: 100 },
    ],
    ['where there is no figure, the letters', figures(null), hundred, { from: 60, to: 100 }],
  ])('%s', (_name, given, scale, domain) => expect(spanDomain(given, scale)).toEqual(domain));
});

describe('the ticks of a span', () => {
  it.each<[string, Scale, { from: number; to: number }, [number, string][]]>([
    [
      'letters within it, not where it begins',
      hundred,
      { from: 70, to: 100 },
      [
        [90, 'A'],
        [80, 'B'],
      ],
    ],
    [
      'a letter at the very top',
      { ...hundred, letters: [{ letter: 'A', from: 1 }] },
      { from: 60, to: 100 },
      [[100, 'A']],
    ],
    [
      'whole numbers of a small scale',
      { ...hundred, outOf: 4, letters: [] },
      { from: 0, to: 4 },
      [
        [1, '1'],
        [2, '2'],
        [3, '3'],
        [4, '4'],
      ],
    ],
    [
      'tenths of a large one',
      { ...hundred, letters: [] },
      { from: 70, to: 100 },
      [
        [80, '80'],
        [90, '90'],
        [100, '100'],
      ],
    ],
  ])('%s', (_name, scale, domain, ticks) =>
    expect(spanSteps(scale, domain).map(({ at, label }) => [at, label])).toEqual(ticks),
  );
});
