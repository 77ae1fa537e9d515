import { commentOn, evening, historyOf, instant, item, knownOn, mark, score } from '../testing/histories';
import { factsAt } from '.';

const history = historyOf({
  items: [item('a', 3), item('b', 8), item('gone', 9)],
  versions: [
    { value: item('b', 12, { title: 'moved' }), knownAtMs: evening(5), removed: false },
    { value: item('gone', 9), knownAtMs: evening(6), removed: true },
  ],
  results: [
    score('a', 3, 10),
    knownOn({ itemId: 'a', at: instant(4), status: 'scored', earned: 20 }, 6),
    knownOn({ itemId: 'b', at: instant(9), status: 'scored', earned: 20 }, 4),
  ],
  comments: [commentOn('c', 2), commentOn('d', 6)],
  marks: [mark('P', 1), mark('A', 4), knownOn({ ...mark('A', 8).value, on: '2026-09-15' }, 2)],
});
const at = (day: number) => {
  const { courses, comments, days, ...rest } = factsAt(history, evening(day));
  return {
    ...rest,
    items: courses.flatMap(({ items }) => [...items.values()].map(({ title }) => title)),
    results: courses.flatMap(({ results }) =>
      [...results].flatMap(([id, all]) =>
        all.map(({ value }) => [id, 'earned' in value ? value.earned : null]),
      ),
    ),
    comments: comments.map(({ value }) => value.id),
    days: days.map(({ date }) => date),
  };
};

describe('what is known of a child at an instant', () => {
  it('is what had been told by then, of what had happened by then', () => {
    expect(at(3)).toMatchObject({
      ...{ today: '2026-09-10', items: ['a', 'b'], results: [['a', 10]], comments: ['c'] },
      days: ['2026-09-08'],
    });
    // The work moved on day 5; a mark of day 8 that was known on day 2 has its day still to come.
    expect(at(5)).toMatchObject({
      ...{ items: ['a', 'moved', 'gone'], results: [['a', 10]], comments: ['c'] },
      days: ['2026-09-08', '2026-09-11'],
    });
    expect(at(6)).toMatchObject({
      items: ['a', 'moved'],
      results: [
        ['a', 10],
        ['a', 20],
      ],
      comments: ['c', 'd'],
    });
    expect(at(9)).toMatchObject({
      results: [
        ['a', 10],
        ['a', 20],
        ['b', 20],
      ],
      days: ['2026-09-08', '2026-09-11', '2026-09-15'],
    });
  });

  it('holds no course that has no term', () => {
    const [course] = history.courses;
    if (!course) throw new Error('one course');
    const facts = factsAt({ ...history, courses: [course, { ...course, id: 'new', terms: [] }] }, evening(3));
    expect(facts.courses.map(({ id }) => id)).toEqual(['kelp']);
  });

  it('takes figures that have been computed, and computes the others', () => {
    const [usual] = factsAt(history, evening(6)).courses;
    if (!usual) throw new Error('one course');
    expect(usual.answer.posted).toBe(100);
    const given = { ...usual.answer, posted: 12 };
    const sights = factsAt(history, evening(6), { figuresAt: (id) => (id === 'kelp' ? given : undefined) });
    expect(sights.courses.map(({ answer }) => answer.posted)).toEqual([12]);
  });
});
