import type { Silence } from '@cadro/contract';
import {
  presetRules,
  digestChild,
  digestDueOn,
  digestWords,
  factsAt,
  isEmptyDigest,
  limitOn,
  mostTries,
  scaleUnit,
  soonest,
  usualDelivery,
  waitMsAfter,
} from '.';
import { evening, historyOf, item, score, state } from '../testing/histories';

const halifax = 'America/Halifax';
const at = (instant: string): number => Date.parse(instant);

describe('quiet hours', () => {
  const quiet = { from: '21:00', to: '07:00' };
  it.each([
    ['in the afternoon', '2026-10-21T18:00:00Z', '2026-10-21T18:00:00Z'],
    ['at night', '2026-10-22T02:30:00Z', '2026-10-22T10:00:00Z'],
    ['after midnight', '2026-10-22T05:00:20Z', '2026-10-22T10:00:00Z'],
    ['as they begin', '2026-10-22T00:00:00Z', '2026-10-22T10:00:00Z'],
    ['as they end', '2026-10-22T10:00:00Z', '2026-10-22T10:00:00Z'],
  ])('%s', (_name, now, then) => {
    expect(soonest(at(now), { quiet, timeZone: halifax })).toBe(at(then));
  });
  it('within a day, and none', () => {
    const noon = { from: '12:00', to: '14:00' };
    expect(soonest(at('2026-10-21T16:30:00Z'), { quiet: noon, timeZone: halifax })).toBe(
      at('2026-10-21T17:00:00Z'),
    );
    expect(soonest(at('2026-10-21T12:30:00Z'), { quiet: noon, timeZone: halifax })).toBe(
      at('2026-10-21T12:30:00Z'),
    );
    expect(soonest(at('2026-10-22T02:30:00Z'), { quiet: null, timeZone: halifax })).toBe(
      at('2026-10-22T02:30:00Z'),
    );
  });
});

it('a message is tried again later each time, and not for ever', () => {
  const minutes = Array.from({ length: mostTries }, (_, index) => waitMsAfter(index + 1)).map(
    (ms) => ms && ms / 60_000,
  );
  expect(minutes).toEqual([1, 2, 4, 8, 16, 32, 60, 60, null]);
});

describe('the last digest that is due', () => {
  const wish = (digest: 'daily' | 'weekly' | 'none', digestWeekday = 0) => ({
    ...usualDelivery(halifax, 'en'),
    digest,
    digestWeekday,
    digestHour: 17,
  });
  it.each([
    ['daily, before its hour', wish('daily'), '2026-10-21T19:59:00Z', '2026-10-20'],
    ['daily, at its hour', wish('daily'), '2026-10-21T20:00:00Z', '2026-10-21'],
    ['weekly on Sunday, on a Wednesday', wish('weekly'), '2026-10-21T20:00:00Z', '2026-10-18'],
    ['weekly on Wednesday, before its hour', wish('weekly', 3), '2026-10-21T19:59:00Z', '2026-10-14'],
    ['weekly on Wednesday, at its hour', wish('weekly', 3), '2026-10-21T20:00:00Z', '2026-10-21'],
    ['none', wish('none'), '2026-10-21T20:00:00Z', null],
  ])('%s', (_name, delivery, now, due) => expect(digestDueOn(at(now), delivery)).toBe(due));
});

describe('a digest', () => {
  const rules = presetRules('usual');
  const said = (day: number, silences: readonly Silence[] = [], days = 7) =>
    digestChild(
      factsAt(
        historyOf({
          items: [item('a', 1), item('b', 2), item('c', 9), item('d', 11), item('e', 15)],
          results: [
            score('a', 1, 20),
            state('b', 3, 'missing'),
            state('c', 9, 'missing'),
            score('d', 11, 10),
            score('c', 13, 18),
          ],
        }),
        evening(day),
        days * 86_400_000,
      ),
      { givenName: 'Isolde', rules, silences, sinceMs: evening(day - days) },
    );

  it('puts old loose ends apart from what is new, and good news first', () => {
    const child = said(14);
    expect(child.good.flatMap(({ reasons }) => reasons.map(({ id }) => id.split(':')[0]))).toContain(
      'settled',
    );
    expect(child.before).toMatchObject([{ key: 'work:child:kelp', reasons: [{ work: { title: 'b' } }] }]);
    expect(child.coming.map(({ title }) => title)).toEqual(['e']);
    expect(child.changed).toMatchObject([{ courseTitle: 'Kelp chemistry' }]);
  });

  it('leaves out what the guardian does not want to hear of now', () => {
    const silence = {
      alertKey: null,
      studentId: null,
      courseId: null,
      kind: 'work' as const,
      until: '2026-12-01',
    };
    const quiet = said(14, [silence]);
    expect(quiet.before).toEqual([]);
    expect(quiet.good).toEqual(said(14).good);
    expect(said(14, [{ ...silence, until: '2026-09-01' }])).toEqual(said(14));
  });

  it('knows when it has nothing to say', () => {
    const facts = factsAt(historyOf({}), evening(3));
    const empty = digestChild(facts, { givenName: 'Pet', rules, silences: [], sinceMs: evening(0) });
    expect(isEmptyDigest([empty])).toBe(true);
    expect(isEmptyDigest([empty, said(14)])).toBe(false);
    expect(isEmptyDigest([])).toBe(true);
  });

  it.each(['en', 'es'] as const)('says attendance in %s by its own units', (language) => {
    const { attended, more, sections } = digestWords(language);
    const texts = [
      attended({ schoolDays: 5, lessonsMissed: 0, unexplained: 0, late: 0 }),
      attended({ schoolDays: 5, lessonsMissed: 3, unexplained: 2, late: 1 }),
      attended({ schoolDays: 5, lessonsMissed: 1, unexplained: 0, late: 2 }),
      attended({ schoolDays: 0, lessonsMissed: 0, unexplained: 0, late: 0 }),
      more(1),
      more(4),
      ...Object.values(sections),
    ];
    expect(new Set(texts).size).toBe(texts.length);
  });
});

it('a threshold lies on the scale of a course, or says nothing about it', () => {
  const letters = [{ letter: 'B', from: 0.8 }];
  const threshold = { percent: 70, level: 2.5, letter: null };
  const percent = { method: 'weighted', outOf: 100, letters } as const;
  const levels = { method: 'points', outOf: 4, letters: [] } as const;
  expect([scaleUnit(percent), scaleUnit(levels)]).toEqual(['percent', 'level']);
  expect(limitOn(percent, threshold)).toBe(70);
  expect(limitOn(percent, { ...threshold, letter: 'B' })).toBe(80);
  expect(limitOn(levels, { ...threshold, letter: 'B' })).toBe(2.5);
  expect(limitOn(levels, { ...threshold, level: 5 })).toBeNull();
});
