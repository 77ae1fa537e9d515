import type { CourseRecord, PolicyCorrection } from '@cadro/contract';
import fc from 'fast-check';
import type { StatedGrade } from '../gradebook';
import { corrected } from '../gradebook/correction';
import { anyCourse, at, course, deepFreeze, item, scored } from '../testing/courses';
import { courseAnswer } from './courseAnswer';
import { reconcile } from './reconcile';

/** 17 and 15 of 20 marked, a third work missing, a fourth overdue and marked by nobody. */
const record = (policy: Partial<CourseRecord['policy']> = {}, more: Partial<CourseRecord> = {}) =>
  course(
    {
      categories: [
        { id: 'c', weight: 40 },
        { id: 'd', weight: 60 },
      ],
      items: [item('a'), item('b', { categoryId: 'd' }), item('m'), item('o', { categoryId: 'd' })],
      results: [
        scored('a', 17, at(33)),
        scored('b', 15, at(35)),
        { itemId: 'm', at: at(36), status: 'missing' },
      ],
      ...more,
    },
    { method: 'weighted', ...policy },
  );
const stated = (figure: number, when = '2026-10-20T18:00:00Z') => ({
  ...{ figure, fraction: null, letter: null, at: when, final: false },
});
function reconciled(record: CourseRecord, said: StatedGrade) {
  const found = reconcile(record, [said]);
  if (!found) throw new Error('nothing was stated');
  return found;
}
const figureWith = (correction: PolicyCorrection) =>
  courseAnswer(corrected(record(), correction)).posted ?? 0;

describe('the school’s figure beside ours', () => {
  // (17 + 0) ÷ 40 = 0.425 and 15 ÷ 20 = 0.75: 0.4 × 42.5 + 0.6 × 75 = 62.
  it.each([
    ['the same', 62, 'same'],
    ['the same at one decimal', 62.04, 'differs'],
    ['something else', 70, 'differs'],
  ])('%s', (_name, figure, verdict) => {
    expect(reconciled(record(), stated(figure)).verdict).toBe(verdict);
  });

  it('takes fewer decimals for rounding, not for a difference', () => {
    const odd = record({}, { results: [scored('a', 17.3), scored('b', 15)] });
    const { posted } = courseAnswer(odd);
    expect(posted).toBeCloseTo(79.6, 9);
    expect(reconciled(odd, stated(79.6)).verdict).toBe('same');
    expect(reconciled(odd, stated(80)).verdict).toBe('rounded');
    expect(reconciled(odd, stated(79)).verdict).toBe('differs');
  });

  it.each([
    ['zero', 'not'],
    ['not', 'zero'],
  ] as const)('finds that incomplete work counts otherwise: not %s, but %s', (assumed, really) => {
    const results: CourseRecord['results'] = [
      ...[scored('a', 17, at(33)), scored('b', 15, at(35))],
      { itemId: 'm', at: at(36), status: 'incomplete' },
    ];
    const figure = courseAnswer(record({ incompleteCounts: really }, { results })).posted ?? 0;
    const { verdict, reasons } = reconciled(
      record({ incompleteCounts: assumed }, { results }),
      stated(figure),
    );
    expect(verdict).toBe('differs');
    expect(reasons).toContainEqual({ kind: 'policy', correction: { incompleteCounts: really } });
  });

  it('has nothing to say about reasons where nothing differs', () => {
    expect(reconciled(record(), stated(62))).toEqual({
      stated: 62,
      final: false,
      letter: null,
      at: '2026-10-20T18:00:00Z',
      ours: expect.closeTo(62, 9) as number,
      ourLetter: null,
      verdict: 'same',
      reasons: [],
    });
  });

  it.each<[string, PolicyCorrection]>([
    ['missing that does not count', { missingCounts: 'not' }],
    ['missing at the floor', { missingCounts: 'floor', floor: 0.5 }],
    [
      'equal weights',
      {
        categories: [
          { id: 'c', weight: 1 },
          { id: 'd', weight: 1 },
        ],
      },
    ],
  ])('finds a policy that is not published: %s', (_name, correction) => {
    const base = correction.floor ? record({ floor: correction.floor }) : record();
    const theirs = courseAnswer(corrected(base, correction)).posted ?? 0;
    const { reasons } = reconciled(base, stated(Math.round(theirs * 10) / 10));
    const found = reasons.flatMap((reason) => (reason.kind === 'policy' ? [reason.correction] : []));
    expect(found.length).toBeGreaterThan(0);
    // Every reason that is given does bring the two together.
    for (const each of found) {
      expect(courseAnswer(corrected(base, each)).posted).toBeCloseTo(theirs, 1);
    }
  });

  it.each<[string, Partial<CourseRecord['policy']>, PolicyCorrection]>([
    ['no floor', { floor: 0.5, missingCounts: 'floor' }, { floor: 0 }],
    ['a floor of a half', { floor: 0.25, missingCounts: 'floor' }, { floor: 0.5 }],
    ['missing as nothing', { floor: 0.5, missingCounts: 'floor' }, { missingCounts: 'zero' }],
    ['missing left out', {}, { missingCounts: 'not' }],
  ])('tries it: %s', (_name, policy, correction) => {
    const base = record(policy);
    const theirs = courseAnswer(corrected(base, correction)).posted ?? 0;
    const { reasons } = reconciled(base, stated(Math.round(theirs * 10) / 10));
    expect(reasons).toContainEqual({ kind: 'policy', correction });
  });
  it.each([
    ['nothing dropped, where the lowest is', 1, 0],
    ['the lowest dropped, where none is', 0, 1],
  ])('tries it: %s', (_name, now, dropLowest) => {
    const base = record(
      {},
      {
        categories: [
          { id: 'c', weight: 40, dropLowest: now },
          { id: 'd', weight: 60, dropLowest: now },
        ],
        items: [item('a'), item('e'), item('b', { categoryId: 'd' })],
        results: [scored('a', 17, at(33)), scored('e', 9, at(34)), scored('b', 15, at(35))],
      },
    );
    // 40 parts of 85 (or of 65 with the 9), 60 of 75.
    const theirs = dropLowest === 1 ? 0.4 * 85 + 0.6 * 75 : 0.4 * 65 + 0.6 * 75;
    expect(reconciled(base, stated(theirs)).reasons).toContainEqual({
      kind: 'policy',
      correction: { categories: ['c', 'd'].map((id) => ({ id, dropLowest })) },
    });
  });

  it('tries it without any drops, where one of the categories has them', () => {
    const base = record(
      {},
      {
        categories: [
          { id: 'c', weight: 40, dropLowest: 1 },
          { id: 'd', weight: 60 },
        ],
        items: [item('a'), item('e'), item('b', { categoryId: 'd' })],
        results: [scored('a', 17, at(33)), scored('e', 9, at(34)), scored('b', 15, at(35))],
      },
    );
    expect(reconciled(base, stated(0.4 * 65 + 0.6 * 75)).reasons).toContainEqual({
      kind: 'policy',
      correction: { categories: ['c', 'd'].map((id) => ({ id, dropLowest: 0 })) },
    });
  });

  it('sees that the school counts overdue work as nothing already', () => {
    const { ifLeft } = courseAnswer(record());
    const { reasons } = reconciled(record(), stated(Math.round((ifLeft ?? 0) * 10) / 10));
    expect(reasons).toContainEqual({ kind: 'overdue-as-zero' });
  });

  it('takes later marks for the reason, and names their works', () => {
    const { posted } = courseAnswer({ ...record(), asOf: at(34) });
    const { verdict, reasons } = reconciled(record(), stated(posted ?? 0, at(34)));
    expect(verdict).toBe('differs');
    expect(reasons).toEqual([{ kind: 'later-mark', itemIds: ['b', 'm'] }]);
  });

  it('admits what it cannot explain', () => {
    expect(reconciled(record(), stated(12.3)).reasons).toEqual([{ kind: 'not-published' }]);
  });

  it('differs from a course of which we have no figure', () => {
    const empty = course({});
    expect(reconciled(empty, stated(88))).toMatchObject({ ours: null, verdict: 'differs' });
  });

  it('gives the same answer twice and writes nothing it is given', () => {
    fc.assert(
      fc.property(anyCourse, fc.integer({ min: 0, max: 100 }), (made, figure) => {
        const frozen = deepFreeze(structuredClone(made));
        expect(reconciled(frozen, stated(figure))).toEqual(reconciled(frozen, stated(figure)));
      }),
      { numRuns: 50 },
    );
  });
});

describe('a corrected policy', () => {
  it('changes only what it names', () => {
    const base = record({ floor: 0.5, missingCounts: 'floor' });
    const made = corrected(base, { floor: 0.25, categories: [{ id: 'd', dropLowest: 1 }] });
    expect(made.policy).toEqual({ ...base.policy, floor: 0.25 });
    expect(made.categories).toEqual([
      { id: 'c', weight: 40 },
      { id: 'd', weight: 60, dropLowest: 1 },
    ]);
    expect(made.items).toBe(base.items);
  });
  it('is the record itself where there is none', () => {
    const base = record();
    expect(corrected(base, null)).toBe(base);
  });
  it('moves the figure as its rule says', () => {
    expect(figureWith({ missingCounts: 'not' })).toBeCloseTo(0.4 * 85 + 0.6 * 75, 9);
    expect(figureWith({ outOf: 4 })).toBeCloseTo(0.62 * 4, 9);
  });
});
