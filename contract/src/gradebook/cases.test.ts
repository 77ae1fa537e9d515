import type { TSchema } from '@sinclair/typebox';
import { misfits } from '../shared/parse';
import { Instant } from '../shared/scalars';
import { figureCases } from './cases';
import { PolicyCorrection } from './policy';

const pathOf = (schema: TSchema, value: unknown): string | null => misfits(schema, value)[0]?.path ?? null;

describe('an instant', () => {
  it.each([
    ['2026-10-21T18:00:00Z', true],
    ['2026-10-21T18:00:00.250Z', true],
    ['2026-10-21T15:00:00-03:00', true],
    ['2026-10-21T18:00Z', true],
    ['2024-02-29T00:00:00Z', true],
    ['2026-02-29T00:00:00Z', false],
    ['2026-13-01T00:00:00Z', false],
    ['2026-00-10T00:00:00Z', false],
    ['2026-04-31T00:00:00Z', false],
    ['2026-10-21T24:30:00Z', false],
    ['2026-10-21T18:60:00Z', false],
    ['2026-10-21T18:00:00', false],
    ['2026-10-21', false],
    ['21 October 2026', false],
    ['2026-10-21T18:00:00+25:00', false],
    ['2026-10-21 18:00:00Z', false],
    ['', false],
  ])('%s: %s', (text, fits) => expect(pathOf(Instant, text) === null).toBe(fits));
});

describe('a case of the figures command', () => {
  const policy = { method: 'points', termEnd: '2026-11-06T23:59:00Z' };
  const item = { id: 'i', categoryId: 'c', possible: 20 };
  const result = { itemId: 'i', at: '2026-10-02T12:00:00Z', status: 'scored' };
  const record = {
    id: 'k',
    asOf: '2026-10-21T18:00:00Z',
    policy,
    categories: [{ id: 'c' }],
    items: [item],
    results: [result],
  };
  const course = (more: object) => ({ record: { ...record, ...more } });

  it.each<[string, object, string | null]>([
    ['as little as it may be', { record: { id: 'k', asOf: record.asOf, policy } }, null],
    ['null for what may be absent', course({ items: null, results: null, categories: null }), null],
    ['null in an item', course({ items: [{ ...item, dueAt: null, offer: null, multiplier: null }] }), null],
    ['without a record', {}, '/'],
    ['without asOf', course({ asOf: undefined }), '/record'],
    ['without a term’s end', course({ policy: { method: 'points' } }), '/record/policy'],
    ['a method nobody knows', course({ policy: { ...policy, method: 'magic' } }), '/record/policy/method'],
    ['a scale of 0', course({ policy: { ...policy, outOf: 0 } }), '/record/policy/outOf'],
    ['half a decimal', course({ policy: { ...policy, decimals: 0.5 } }), '/record/policy/decimals'],
    ['a floor above 1', course({ policy: { ...policy, floor: 1.1 } }), '/record/policy/floor'],
    ['a negative floor', course({ policy: { ...policy, floor: -0.1 } }), '/record/policy/floor'],
    [
      'half a letter',
      course({ policy: { ...policy, letters: [{ letter: 'A' }] } }),
      '/record/policy/letters/0',
    ],
    ['a top of 0', course({ policy: { ...policy, standards: { top: 0 } } }), '/record/policy/standards/top'],
    ['a negative weight', course({ categories: [{ id: 'c', weight: -1 }] }), '/record/categories/0/weight'],
    [
      'half a drop',
      course({ categories: [{ id: 'c', dropLowest: 0.5 }] }),
      '/record/categories/0/dropLowest',
    ],
    ['a number for an id', course({ categories: [{ id: 7 }] }), '/record/categories/0/id'],
    ['negative points', course({ items: [{ ...item, possible: -1 }] }), '/record/items/0/possible'],
    ['a negative multiplier', course({ items: [{ ...item, multiplier: -1 }] }), '/record/items/0/multiplier'],
    ['half an offer', course({ items: [{ ...item, offer: { credit: 0.5 } }] }), '/record/items/0/offer'],
    [
      'a day that is not there',
      course({ items: [{ ...item, dueAt: '2026-02-30T00:00:00Z' }] }),
      '/record/items/0/dueAt',
    ],
    ['negative earned', course({ results: [{ ...result, earned: -1 }] }), '/record/results/0/earned'],
    [
      'a status nobody knows',
      course({ results: [{ ...result, status: 'lost' }] }),
      '/record/results/0/status',
    ],
    ['text for earned', course({ results: [{ ...result, earned: '17' }] }), '/record/results/0/earned'],
    [
      'text for a level',
      course({ results: [{ ...result, levels: { s: '3' } }] }),
      '/record/results/0/levels/s',
    ],
    ['text for a target', { ...course({}), targets: ['90'] }, '/targets/0'],
    ['a since without a zone', { ...course({}), since: '2026-10-01T00:00:00' }, '/since'],
  ])('course: %s', (_name, value, path) => {
    const found = pathOf(figureCases.course, value);
    // A union names itself or the member that fits least; either says where.
    if (path === null) expect(found).toBeNull();
    else expect(found?.startsWith(path)).toBe(true);
  });

  it.each<[string, keyof typeof figureCases, object, string | null]>([
    ['parts', 'compose', { parts: [{ weight: 40, fraction: 0.9 }, {}] }, null],
    ['no parts', 'compose', {}, '/'],
    ['a negative weight', 'compose', { parts: [{ weight: -1 }] }, '/parts/0/weight'],
    ['a course without a letter', 'gpa', { points: { A: 4 }, courses: [{ letter: null, credits: 1 }] }, null],
    ['negative credits', 'gpa', { points: { A: 4 }, courses: [{ credits: -1 }] }, '/courses/0/credits'],
    ['points that are text', 'gpa', { points: { A: '4' }, courses: [] }, '/points/A'],
    [
      'a kind of code nobody knows',
      'attendance',
      { record: { asOf: '2026-10-21', codes: { A: { kind: 'away' } }, days: [] } },
      '/record/codes/A/kind',
    ],
    [
      'a date that is not there',
      'attendance',
      { record: { asOf: '2026-10-21', codes: {}, days: [{ date: '2026-09-31', periods: [] }] } },
      '/record/days/0/date',
    ],
    [
      'an instant for a date',
      'attendance',
      { record: { asOf: '2026-10-21T00:00:00Z', codes: {}, days: [] } },
      '/record/asOf',
    ],
  ])('%s (%s)', (_name, kind, value, path) => expect(pathOf(figureCases[kind], value)).toBe(path));
});

describe('a correction of a policy', () => {
  it.each<[object, boolean]>([
    [{ floor: 0.5 }, true],
    [{ letters: [] }, true],
    [{ categories: [{ id: 'c', weight: 0 }] }, true],
    [{}, false],
    [{ floor: 2 }, false],
    [{ letters: [{ letter: '', from: 0.9 }] }, false],
    [{ letters: Array.from({ length: 31 }, () => ({ letter: 'A', from: 0.9 })) }, false],
    [{ categories: [{ id: 'c', weight: Infinity }] }, false],
    [{ categories: [{ id: 'c', counts: false }] }, false],
    [{ termEnd: '2027-01-01T00:00:00Z' }, false],
  ])('%j: %s', (value, fits) => expect(pathOf(PolicyCorrection, value) === null).toBe(fits));
});
