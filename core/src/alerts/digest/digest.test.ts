import { languages, type DigestChild, type DigestEntry, type Language, type Silence } from '@cadro/contract';
import fc from 'fast-check';
import { digestChild, digestSections, factsAt, fitDigest, isEmptyDigest, presetRules } from '..';
import { announcedOn, evening, historyOf, instant, item, mark, score, state } from '../../testing/histories';
import { dayMs } from '../../dates';

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
        { newsMs: days * dayMs },
      ),
      { givenName: 'Isolde', rules, silences, sinceMs: evening(day - days) },
    );

  it('puts old loose ends apart from what is new, and good news first', () => {
    const child = said(14);
    expect(child.good.flatMap(({ reasons }) => reasons.map(({ id }) => id.split(':')[0]))).toContain(
      'settled',
    );
    expect(child.before).toMatchObject([{ key: 'work:child:kelp', reasons: [{ work: { title: 'b' } }] }]);
    expect(child.coming).toMatchObject({ works: 1, big: [{ title: 'e', courseTitle: 'Kelp chemistry' }] });
    expect(child.changed).toMatchObject([{ courseTitle: 'Kelp chemistry' }]);
  });

  it.each([
    [5, ['needs']],
    [12, ['before']],
    [29, ['before']],
    [43, []],
  ])('an absence nobody has explained, on day %i, is %j', (day, sections) => {
    const marks = [mark('P', 0), mark('A', 1), mark('P', 2), mark('P', 3)];
    const child = digestChild(factsAt(historyOf({ marks }), evening(day), { newsMs: 7 * dayMs }), {
      ...{ givenName: 'Isolde', rules: presetRules('urgent'), silences: [] },
      sinceMs: evening(day - 7),
    });
    const ids = (entries: DigestChild['needs']) =>
      entries.flatMap(({ reasons }) => reasons.map(({ rule }) => rule));
    const found = { needs: ids(child.needs), before: ids(child.before) };
    expect(
      Object.entries(found).flatMap(([name, all]) => (all.includes('unexplained') ? [name] : [])),
    ).toEqual(sections);
  });

  it('has what the schools announce and ask; who may lend a hand, and all of it, by choice', () => {
    const announcements = [
      announcedOn('new', 13, { title: 'Lamp night' }),
      announcedOn('due', 1, { title: 'Rock pools', by: instant(18) }),
      announcedOn('help', 13, { title: 'Helpers', helpers: true }),
      announcedOn('old', 2, { title: 'Fair' }),
    ];
    const facts = factsAt(historyOf({ announcements }), evening(14), { newsMs: 7 * dayMs });
    const lines = (helpers: boolean, silences: readonly Silence[] = []) => {
      const own = { ...rules, rules: { ...rules.rules, helpers: { on: helpers } } };
      const ask = { givenName: 'Isolde', rules: own, silences, sinceMs: evening(7) };
      const { sections } = digestSections('en', digestChild(facts, ask));
      return sections.find(({ title }) => title === 'From the schools')?.lines.map(({ text }) => text) ?? [];
    };
    expect(lines(false).sort()).toEqual([
      'Lamp night',
      expect.stringMatching(/^Rock pools \(answer by Fri, Sep 25?\)$/),
    ]);
    expect(lines(true)).toContain('Helpers');
    const silence = { alertKey: null, studentId: null, courseId: null, kind: 'school' as const };
    expect(lines(true, [{ ...silence, until: '2026-12-01' }])).toEqual([]);
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

  it('says exactly what moved, what comes and what was missed', () => {
    const sketch = {
      items: [item('a', 1), item('b', 2), item('test1', 16), item('test0', 16), item('c', 9), item('z', 15)],
      results: [score('a', 1, 20), score('b', 2, 20), score('c', 10, 11)],
      marks: [
        mark('A', 1),
        mark('P', 8, '1'),
        mark('A', 8, '2'),
        mark('E', 9, '1'),
        mark('A', 9, '2'),
        mark('L', 10),
      ],
    };
    const child = digestChild(factsAt(historyOf(sketch), evening(11), { newsMs: 7 * dayMs }), {
      ...{ givenName: 'Isolde', rules, silences: [], sinceMs: evening(4) },
    });
    // 40 of 40, and then 51 of 60.
    expect(child.changed).toEqual([
      {
        ...{ courseId: 'kelp', courseTitle: 'Kelp chemistry', before: expect.closeTo(100, 9) as number },
        ...{ now: expect.closeTo(85, 9) as number, outOf: 100, decimals: 1 },
      },
    ]);
    const seen = { courseId: 'kelp', courseTitle: 'Kelp chemistry' };
    expect(child.coming).toEqual({
      works: 3,
      big: [
        { ...seen, itemId: 'z', title: 'z', dueAt: '2026-09-22T18:00:00Z' },
        { ...seen, itemId: 'test0', title: 'test0', dueAt: '2026-09-23T18:00:00Z' },
        { ...seen, itemId: 'test1', title: 'test1', dueAt: '2026-09-23T18:00:00Z' },
      ],
    });
    expect(child.attendance).toEqual({
      ...{ schoolDays: 3, daysMissed: 2, lessonsMissed: 3, unexplained: 2, late: 1 },
    });
  });

  it('says what closed in its days and what it counts as, once, and how much came', () => {
    const sketch = {
      items: [item('w', 2, { acceptedUntil: instant(10) }), item('a', 12)],
      results: [state('w', 3, 'missing'), score('a', 9, 18)],
    };
    const child = (day: number, readAt = instant(day)) =>
      digestChild(factsAt(historyOf({ ...sketch, readAt }), evening(day), { newsMs: 7 * dayMs }), {
        ...{ givenName: 'Isolde', rules, silences: [], sinceMs: evening(day - 7) },
      });
    expect(child(9).closed).toEqual([]);
    expect(child(12).closed).toEqual([
      { courseId: 'kelp', courseTitle: 'Kelp chemistry', titles: ['w'], countsAs: 0 },
    ]);
    expect(child(18).closed).toEqual([]);
    // Nobody has asked the school since the last day: it may have been turned in by then.
    expect(child(12, instant(9)).closed).toEqual([]);
    expect(child(12, instant(11)).closed).toHaveLength(1);
    expect(child(9).news).toMatchObject({ scores: 1 });
    expect(child(30).news).toEqual({ scores: 0, assigned: 0 });
    const text = (day: number) =>
      digestSections('en', child(day)).sections.flatMap(({ lines }) => lines.map(({ text: said }) => said));
    expect(text(12)).toContain('Kelp chemistry: w can no longer be turned in. It counts as 0.');
    expect(text(12)).toContain('1 score and 1 assignment.');
    expect(text(18).join(' ')).not.toMatch(/can no longer/);
  });

  it('says nothing moved that looks the same', () => {
    const sketch = {
      items: [item('a', 1, { possible: 10_000 }), item('b', 6, { possible: 1 })],
      results: [score('a', 1, 9000), score('b', 7, 1)],
    };
    const child = digestChild(factsAt(historyOf(sketch), evening(8), { newsMs: 7 * dayMs }), {
      ...{ givenName: 'Isolde', rules, silences: [], sinceMs: evening(4) },
    });
    expect(child.changed).toEqual([]);
  });

  it('keeps with what is new an alert to which something new has come, and what ends soon', () => {
    const sketch = (results: ReturnType<typeof state>[]) => ({
      items: [item('b', 2), item('c', 9, { acceptedUntil: instant(16) }), item('d', 3)],
      results,
    });
    const titles = (entries: readonly DigestEntry[]) =>
      entries.flatMap(({ reasons }) =>
        reasons.flatMap((reason) => (reason.about === 'work' ? [`${reason.rule} ${reason.work.title}`] : [])),
      );
    const child = (results: ReturnType<typeof state>[]) =>
      digestChild(factsAt(historyOf(sketch(results)), evening(14), { newsMs: 7 * dayMs }), {
        ...{ givenName: 'Isolde', rules, silences: [], sinceMs: evening(7) },
      });
    const old = child([state('b', 3, 'missing'), score('c', 9, 18), score('d', 3, 20)]);
    expect([titles(old.needs), titles(old.before)]).toEqual([[], ['loose-end b']]);
    const both = child([state('b', 3, 'missing'), state('c', 10, 'missing'), score('d', 3, 20)]);
    expect(titles(both.before)).toEqual([]);
    expect(titles(both.needs)).toEqual(expect.arrayContaining(['deadline c', 'loose-end b', 'loose-end c']));
  });

  it('looks at what would be if nothing came in, though the guardian has turned that rule off', () => {
    const off = { ...rules, rules: { ...rules.rules, 'if-left': { ...rules.rules['if-left'], on: false } } };
    const sketch = { items: [item('a', 2), item('b', 4)], results: [score('a', 2, 20)] };
    const child = digestChild(factsAt(historyOf(sketch), evening(8), { newsMs: 7 * dayMs }), {
      ...{ givenName: 'Isolde', rules: off, silences: [], sinceMs: evening(1) },
    });
    expect(child.needs.flatMap(({ reasons }) => reasons.map(({ rule }) => rule))).toContain('if-left');
  });

  it('knows when it has nothing to say', () => {
    const facts = factsAt(historyOf({}), evening(3));
    const empty = digestChild(facts, { givenName: 'Pet', rules, silences: [], sinceMs: evening(0) });
    expect(isEmptyDigest([empty])).toBe(true);
    expect(isEmptyDigest([empty, said(14)])).toBe(false);
    expect(isEmptyDigest([])).toBe(true);
  });
});

const work = (title: string, more: Partial<DigestEntry> = {}): DigestEntry => ({
  ...{ key: `work:${title}`, kind: 'work', studentId: 's', courseId: title, courseTitle: 'Charts' },
  reasons: [
    {
      ...{ id: title, at: instant(3), sourceName: 'Millrace', about: 'work', rule: 'loose-end' },
      ...{ outOf: 100, decimals: 1 },
      work: {
        ...{
          itemId: title,
          title,
          kind: 'missing',
          was: null,
          dueAt: instant(2),
          deadline: null,
          credit: null,
        },
        ...{ impact: 2, earned: null, possible: 20 },
      },
    },
  ],
  ...more,
});
const figure = (courseId: string): DigestEntry => ({
  ...{ key: `figure:${courseId}`, kind: 'figure', studentId: 's', courseId, courseTitle: courseId },
  reasons: [
    {
      ...{ id: 'fallen:1', at: instant(3), sourceName: 'Millrace', about: 'figure', rule: 'fallen' },
      ...{ before: 90, since: instant(1), now: 80, ifLeft: 80, letterBefore: null, letterNow: null },
      ...{ limit: null, perWeek: null, outOf: 100, decimals: 1, moved: [] },
    },
  ],
});
const comment = (text: string): DigestEntry => ({
  ...{ key: `comment:${text}`, kind: 'comment', studentId: 's', courseId: 'c', courseTitle: 'Charts' },
  reasons: [
    {
      ...{ id: 'comment:1', at: instant(3), sourceName: 'Millrace', about: 'comment', rule: 'comment' },
      ...{ commentId: '1', subject: 'course', author: 'Nell Saltmarsh', text, itemId: null, itemTitle: null },
    },
  ],
});
const part = (more: Partial<DigestChild> = {}): DigestChild => ({
  ...{ studentId: 's', givenName: 'Pet', timeZone: 'UTC', good: [], needs: [], before: [], comments: [] },
  ...{ coming: { works: 0, big: [] }, changed: [], more: 0 },
  attendance: { schoolDays: 5, daysMissed: 0, lessonsMissed: 0, unexplained: 0, late: 0 },
  ...more,
});
const moved = (courseId: string) => ({
  ...{ courseId, courseTitle: courseId, before: 90, now: 80, outOf: 100, decimals: 1 },
});
const coming = (n: number) => ({
  works: n,
  big: Array.from({ length: n }, (_, i) => ({
    ...{ itemId: `t${i}`, courseId: 'c', courseTitle: 'Charts', title: `Test ${i}`, dueAt: instant(8) },
  })),
});
const many = (of: (name: string) => DigestEntry, n: number) =>
  Array.from({ length: n }, (_, i) => of(`${i}`));

it.each<[string, Partial<DigestChild>, boolean]>([
  ['nothing', {}, true],
  ['good news', { good: [work('a')] }, false],
  ['what needs one', { needs: [work('a')] }, false],
  ['what is open from before', { before: [work('a')] }, false],
  ['a comment', { comments: [comment('a')] }, false],
  ['a figure that moved', { changed: [moved('c')] }, false],
  ['work to come', { coming: { works: 1, big: [] } }, false],
  ...(['lessonsMissed', 'late'] as const).map((name): [string, Partial<DigestChild>, boolean] => [
    ...([name, { attendance: { ...part().attendance, [name]: 1 } }, false] as const),
  ]),
  ['days at school', { attendance: { ...part().attendance, schoolDays: 3 } }, true],
])('a digest of %s', (_name, more, empty) => expect(isEmptyDigest([part(), part(more)])).toBe(empty));

describe('what fits into forty seconds', () => {
  const sections = ['needs', 'good', 'comments', 'before'] as const;
  const entriesOf = (child: DigestChild) => sections.flatMap((section) => child[section]);

  it('is what weighs most of each child, in its order, with a count of the rest', () => {
    const full = () => part({ needs: many(work, 5), comments: many(comment, 3), good: many(work, 2) });
    const [one] = fitDigest([full()]);
    expect([one?.needs.length, one?.good.length, one?.comments.length, one?.more]).toEqual([4, 2, 2, 2]);
    const fitted = fitDigest([full(), part(), full()]);
    expect(fitted.map((child) => entriesOf(child).length)).toEqual([4, 0, 4]);
    expect(fitted.every(({ needs }, index) => index === 1 || needs.length > 0)).toBe(true);
  });

  it('takes turns between its sections, in this order', () => {
    const named = (of: (name: string) => DigestEntry, name: string, n: number) =>
      Array.from({ length: n }, (_, i) => of(`${name}${i}`));
    const [one] = fitDigest([
      part({
        needs: named(work, 'n', 9),
        good: named(work, 'g', 9),
        comments: named(comment, 'c', 9),
        before: named(work, 'b', 9),
      }),
    ]);
    // Turns: needs 0 2 4 6, good 1 5, comments 1 4, before 3 6: the first eight of them.
    expect([one?.needs.length, one?.good.length, one?.comments.length, one?.before.length]).toEqual([
      3, 2, 2, 1,
    ]);
    expect(one?.more).toBe(28);
  });

  it('says of a figure once what it says, and of several children less each', () => {
    const child = part({
      needs: [figure('kelp')],
      changed: ['kelp', 'tides', 'reefs', 'maps', 'ropes'].map(moved),
      coming: coming(5),
    });
    const [alone] = fitDigest([child]);
    expect(alone?.changed.map(({ courseId }) => courseId)).toEqual(['tides', 'reefs', 'maps']);
    expect([alone?.coming.works, alone?.coming.big.length, alone?.more]).toEqual([5, 3, 1]);
    const [first] = fitDigest([child, part(), part()]);
    expect([first?.changed.length, first?.coming.big.length]).toEqual([1, 1]);
  });

  it('of any children loses nothing uncounted, and gives nobody nothing who has something', () => {
    const few = fc.integer({ min: 0, max: 5 });
    const anyChild = fc.tuple(few, few, few, few).map(([needs, good, comments, before]) =>
      part({
        ...{ needs: many(work, needs), good: many(work, good) },
        ...{ comments: many(comment, comments), before: many(work, before) },
      }),
    );
    fc.assert(
      fc.property(fc.array(anyChild, { minLength: 1, maxLength: 6 }), (children) => {
        const fitted = fitDigest(children);
        expect(fitted.flatMap(entriesOf).length).toBeLessThanOrEqual(Math.max(8, children.length));
        children.forEach((child, index) => {
          const kept = fitted[index];
          if (!kept) throw new Error('a child is gone');
          expect(entriesOf(kept).length + kept.more).toBe(entriesOf(child).length);
          for (const section of sections) {
            expect(child[section].slice(0, kept[section].length)).toEqual(kept[section]);
          }
          if (child.needs.length > 0) expect(kept.needs.length).toBeGreaterThan(0);
        });
      }),
    );
  });
});

describe('a digest in words', () => {
  const said = (child: DigestChild, language: Language = 'en') => {
    const { sections, more } = digestSections(language, child);
    const all: Record<string, string[] | string | null> = { more };
    for (const { title, lines } of sections) all[title] = lines.map(({ text }) => text);
    return all;
  };

  it('goes from good news to what is open from before, and names course, words and day', () => {
    const [kept] = fitDigest([
      part({
        good: [figure('ropes')],
        needs: [work('Keel'), work('Maps', { reasons: [...work('Maps').reasons, ...work('Bays').reasons] })],
        comments: [comment('You may redo it until Friday.')],
        coming: coming(2),
        changed: [moved('tides')],
        before: [work('Reefs')],
        more: 3,
      }),
    ]);
    expect(said(kept ?? part())).toEqual({
      'Good news': ['ropes fell from 90.0 to 80.0'],
      'Needs you': ['Keel: missing (Charts)', '2 loose ends in Charts: Maps and Bays'],
      'Teachers wrote': ['Nell Saltmarsh, Charts, Thu, Sep 10: “You may redo it until Friday.”'],
      'Next 7 days': ['Tue, Sep 15: Test 0 (Charts)', 'Tue, Sep 15: Test 1 (Charts)'],
      Attendance: ['There on all 5 school days, on time.'],
      Moved: ['tides: 90.0 → 80.0'],
      'Open from before': ['Reefs: missing (Charts)'],
      more: '3 more in Cadro.',
    });
  });

  it('names a work once that has two reasons, and others beside the one that ends first', () => {
    const [keel, maps] = [work('Keel').reasons, work('Maps').reasons];
    const ending = keel.flatMap((each) =>
      each.about === 'work'
        ? [{ ...each, rule: 'deadline' as const, work: { ...each.work, deadline: instant(4) } }]
        : [],
    );
    const line = (reasons: DigestEntry['reasons']) =>
      said(part({ needs: [work('Keel', { reasons })] }))['Needs you'];
    expect(line([...ending, ...keel])).toEqual(['Keel can be made up until Fri, Sep 11 (Charts)']);
    expect(line([...ending, ...keel, ...maps])).toEqual([
      'Keel can be made up until Fri, Sep 11 (Charts), also Maps',
    ]);
  });

  it('quotes in Spanish as Spanish does', () => {
    expect(said(part({ comments: [comment('Bien.')] }), 'es')).toMatchObject({
      'Comentarios de los maestros': ['Nell Saltmarsh, Charts, jue 10 sept: «Bien.»'],
    });
  });

  it.each([
    ['Short.', 'Short.'],
    [
      'One two three. Four five six seven eight nine ten. ' + 'word '.repeat(9) + 'end.',
      'One two three. Four five six seven eight nine ten. …',
    ],
    ['word '.repeat(20).trim(), `${'word '.repeat(15).trim()} …`],
    ['word '.repeat(15).trim(), 'word '.repeat(15).trim()],
  ])('quotes whole sentences where there is room: %#', (text, quoted) => {
    expect(said(part({ comments: [comment(text)] }))).toMatchObject({
      'Teachers wrote': [`Nell Saltmarsh, Charts, Thu, Sep 10: “${quoted}”`],
    });
  });

  it.each([
    [{ works: 0, big: [] }, ['Nothing due.']],
    [{ works: 1, big: [] }, ['1 assignment due.']],
    [{ ...coming(1), works: 4 }, ['Tue, Sep 15: Test 0 (Charts)', 'And 3 more.']],
  ])('says what is coming: %#', (given, lines) => {
    expect(said(part({ coming: given }))).toMatchObject({ 'Next 7 days': lines });
  });

  it.each(languages)('says attendance in %s by its own units', (language) => {
    const [whole, ...rest] = [
      { schoolDays: 5, daysMissed: 0, lessonsMissed: 0, unexplained: 0, late: 0 },
      { schoolDays: 5, daysMissed: 2, lessonsMissed: 3, unexplained: 2, late: 1 },
      { schoolDays: 5, daysMissed: 1, lessonsMissed: 1, unexplained: 0, late: 2 },
      { schoolDays: 0, daysMissed: 0, lessonsMissed: 0, unexplained: 0, late: 0 },
      { schoolDays: 1, daysMissed: 0, lessonsMissed: 0, unexplained: 0, late: 0 },
    ].map((attendance) => JSON.stringify(said(part({ attendance }), language)));
    expect(new Set([whole, ...rest]).size).toBe(5);
    expect(rest[0]).toMatch(/3 (classes|clases) (on|en) 2 (of|de) 5/);
  });
});
