import { join } from 'node:path';
import { asModule } from '../lib/asModule';

const compare = (found: string[], wanted: string[]): object =>
  asModule(join(__dirname, 'compare.mjs'), `m.compare(${JSON.stringify(found)}, ${JSON.stringify(wanted)})`);
const drawPlan = (asked: { kills: number; seed: number }): { kills: object[] }[] =>
  asModule(join(__dirname, 'plan.mjs'), `m.drawPlan(${JSON.stringify(asked)})`);

describe('what there is against what there should be', () => {
  const wanted = ['a letter', 'a letter', 'an entry'];
  it.each([
    ['the same in another order', ['an entry', 'a letter', 'a letter'], {}],
    ['one less', ['a letter', 'a letter'], { lost: ['an entry'] }],
    ['one of two', ['a letter', 'an entry'], { lost: ['a letter'] }],
    ['one too many', ['a letter', 'a letter', 'a letter', 'an entry'], { doubled: ['a letter'] }],
    ['what nobody wrote', [...wanted, 'a stranger'], { untrue: ['a stranger'] }],
  ])('%s', (_what, found, told) => {
    expect(compare(found, wanted)).toEqual({ lost: [], doubled: [], untrue: [], ...told });
  });
});

describe('a plan', () => {
  it('is the same from the same seed, and another from another', () => {
    const from = (seed: number) => drawPlan({ kills: 12, seed });
    expect(from(3)).toEqual(from(3));
    expect(from(3)).not.toEqual(from(4));
  });

  it('kills as often as is asked for, whatever fits into a round', () => {
    for (const kills of [1, 5, 12])
      expect(drawPlan({ kills, seed: 1 }).flatMap((round) => round.kills)).toHaveLength(kills);
    expect(drawPlan({ kills: 12, seed: 1 })).toHaveLength(3);
  });
});
