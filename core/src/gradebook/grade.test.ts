import type { PolicyRecord } from '@cadro/contract';
import { courseGrade, wholePolicy, type StatedGrade } from '.';

const letters = [
  { letter: 'A', from: 0.9 },
  { letter: 'B', from: 0.8 },
  { letter: 'C', from: 0.7 },
  { letter: 'D', from: 0.6 },
];
const policy = wholePolicy({
  method: 'points',
  termEnd: '2026-11-07T03:59:00Z',
  letters,
} satisfies PolicyRecord);
const ours = (posted: number | null, letter: string | null = null) => ({ posted, display: posted, letter });
const said = (more: Partial<StatedGrade>): StatedGrade => ({
  ...{ figure: null, fraction: null, letter: null, at: '2026-10-20T18:30:00Z', final: false },
  ...more,
});

describe('whose grade leads', () => {
  it('is ours where the school states none', () => {
    expect(courseGrade(policy, ours(76.6, 'C'), [])).toMatchObject({
      ...{ figure: 76.6, display: 76.6, letter: 'C', by: 'count', count: null },
    });
  });

  it('is the school’s where it states one, ours beside it where the two differ', () => {
    const stated = [said({ figure: 80.4, fraction: 0.8043, letter: 'B' })];
    expect(courseGrade(policy, ours(76.6, 'C'), stated)).toEqual({
      ...{ figure: 80.4, display: 80.4, decimals: 1, letter: 'B', by: 'school', at: '2026-10-20T18:30:00Z' },
      ...{ count: { figure: 76.6, display: 76.6, decimals: 1, letter: 'C' } },
    });
  });

  it.each([
    ['the same', 80.44, 80.4, null],
    ['the same, rounded to whole numbers', 79.6, 80, null],
    ['apart by a tenth', 80.5, 80.4, { figure: 80.5 }],
  ] as const)('%s', (_name, posted, figure, count) => {
    const grade = courseGrade(policy, ours(posted), [said({ figure })]);
    expect(grade.display).toBe(figure);
    if (count) expect(grade.count).toMatchObject(count);
    else expect(grade.count).toBeNull();
  });

  it('is written as the school writes it: a whole number stays one', () => {
    expect(courseGrade(policy, ours(79.6), [said({ figure: 80 })]).decimals).toBe(0);
  });

  it.each([
    [96, 0.9602, 1],
    [84, 0.835, 0],
    [84, 0.84, 1],
    [80.4, 0.8043, 1],
    [84, null, 0],
    [81.15, 0.8115, 1],
  ])('%d with the fraction %s is written with %d decimals', (figure, fraction, decimals) => {
    expect(courseGrade(policy, ours(70), [said({ figure, fraction })]).decimals).toBe(decimals);
  });

  it.each([84, 84.04, 84.3, 77.2])('is written alike whatever our own count says: %d', (counted) => {
    const grade = courseGrade(policy, ours(counted), [said({ figure: 84 })]);
    expect([grade.display, grade.decimals]).toEqual([84, 0]);
    if (grade.count) expect(grade.count).toMatchObject({ display: counted, decimals: 1 });
  });

  it('stored for good comes before what still runs, and the newest of two before the older', () => {
    const early = said({ figure: 81, at: '2026-10-19T18:30:00Z' });
    const late = said({ figure: 82, at: '2026-10-20T18:30:00Z' });
    const final = said({ figure: 81.1, letter: 'B', final: true, at: '2026-10-18T18:30:00Z' });
    expect(courseGrade(policy, ours(70), [late, early]).figure).toBe(82);
    expect(courseGrade(policy, ours(70), [final, late])).toMatchObject({ figure: 81.1, by: 'final' });
    const changed = { ...final, figure: 84, at: '2026-10-19T18:30:00Z' };
    expect(courseGrade(policy, ours(70), [changed, final]).figure).toBe(84);
  });

  it('can be a letter alone', () => {
    const grade = courseGrade(policy, ours(84, 'B'), [said({ letter: 'P', final: true })]);
    expect(grade).toMatchObject({
      figure: null,
      display: null,
      letter: 'P',
      by: 'final',
      count: { figure: 84 },
    });
    expect(courseGrade(policy, ours(84, 'B'), [said({ letter: 'B' })]).count).toBeNull();
  });
});

describe('a figure that cannot be meant on the scale', () => {
  it.each([
    ['130 of 100', { figure: 130 }],
    ['130 of 100 with its fraction', { figure: 130, fraction: 1.3 }],
    ['3.2 with a B', { figure: 3.2, letter: 'B' }],
    ['below nothing', { figure: -4 }],
  ])('%s: ours leads', (_name, more) => {
    const grade = courseGrade(policy, ours(85, 'B'), [said(more)]);
    expect(grade).toMatchObject({ figure: 85, by: 'count', at: null, count: null });
  });

  it('is read by its fraction, where the school tells that', () => {
    const grade = courseGrade(policy, ours(76, 'C'), [said({ figure: 3.2, fraction: 0.8, letter: 'B' })]);
    expect(grade).toMatchObject({ figure: 80, display: 80, letter: 'B', by: 'school' });
  });

  it('is meant, where our own count is above the top, too', () => {
    expect(courseGrade(policy, ours(118), [said({ figure: 121 })]).figure).toBe(121);
    expect(courseGrade(policy, ours(90), [said({ figure: 104 })]).figure).toBe(104);
  });

  it('is believed with a letter that the course does not have', () => {
    expect(courseGrade(policy, ours(85), [said({ figure: 84, letter: 'Merit' })])).toMatchObject({
      ...{ figure: 84, letter: 'Merit', by: 'school' },
    });
  });
});
