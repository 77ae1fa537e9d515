import fc from 'fast-check';
import { compose, gradePointAverage } from '.';

describe('a grade made of parts', () => {
  const part = (weight: number, fraction: number | null, stored: number | null = null) => ({
    weight,
    fraction,
    stored,
  });
  it.each([
    ['leaves out what has none yet', [part(40, 0.9), part(40, null), part(20, 0.6)], 0.8],
    ['takes what is stored before what is computed', [part(1, 0.5, 0.9), part(1, 0.7)], 0.8],
    ['takes what is stored where nothing is computed', [part(1, null, 0.9)], 0.9],
    ['is nothing without parts', [], null],
    ['is nothing while nothing is there', [part(40, null)], null],
    ['is nothing where nothing weighs', [part(0, 0.9)], null],
  ])('%s', (_name, parts, fraction) => {
    const made = compose(parts);
    if (fraction === null) expect(made).toBeNull();
    else expect(made).toBeCloseTo(fraction, 12);
  });

  it('lies between its parts', () => {
    const any = fc.record({
      weight: fc.integer({ min: 1, max: 90 }),
      fraction: fc.double({ min: 0, max: 1.2, noNaN: true }),
      stored: fc.constant(null),
    });
    fc.assert(
      fc.property(fc.array(any, { minLength: 1 }), (parts) => {
        const fractions = parts.map(({ fraction }) => fraction);
        expect(compose(parts)).toBeGreaterThanOrEqual(Math.min(...fractions) - 1e-9);
        expect(compose(parts)).toBeLessThanOrEqual(Math.max(...fractions) + 1e-9);
      }),
    );
  });
});

describe('the grade-point average', () => {
  const points = { A: 4, B: 3 };
  const course = (letter: string | null, credits: number, bump = 0) => ({ letter, credits, bump });
  it.each([
    ['weighs by credits', [course('A', 1), course('B', 3)], 3.25],
    ['adds a course’s own bump', [course('A', 1, 0.5), course('B', 1)], 3.75],
    ['leaves out a course without a letter', [course(null, 5), course('B', 1)], 3],
    ['leaves out a letter that the table does not list', [course('Z', 5), course('A', 1)], 4],
    ['does not take a letter for a property of every object', [course('constructor', 1)], null],
    ['is nothing without credits', [course('A', 0)], null],
    ['is nothing without courses', [], null],
  ])('%s', (_name, courses, average) => {
    const made = gradePointAverage(points, courses);
    if (average === null) expect(made).toBeNull();
    else expect(made).toBeCloseTo(average, 12);
  });
});
