import type { AlertReason, CourseFigures, NamedLooseEnd, OpenKind } from '@cadro/contract';
import { countedGrade } from '../../gradebook';
import {
  closedDoors,
  triage,
  type AlertFacts,
  type CourseFacts,
  type FamilyFacts,
  type FollowUpFacts,
  type MeetingSeen,
} from '.';

const now = '2026-10-21T18:00:00Z';
const end = (itemId: string, kind: OpenKind, more: Partial<NamedLooseEnd> = {}): NamedLooseEnd => ({
  itemId,
  kind,
  title: itemId,
  dueAt: '2026-10-12T12:00:00Z',
  deadline: '2026-11-06T23:59:00Z',
  credit: 1,
  recoverable: true,
  impact: 5,
  remarked: false,
  doubt: null,
  ...more,
});
const course = (
  id: string,
  figures: Partial<CourseFigures>,
  looseEnds: NamedLooseEnd[] = [],
): CourseFacts => ({
  id,
  studentId: 's',
  title: id,
  outOf: 100,
  decimals: 1,
  looseEnds,
  closed: [],
  doubtful: null,
  leftAs: 0,
  termEnd: '2026-11-06T23:59:00Z',
  readAt: now,
  grade: countedGrade({ decimals: 1 }, { posted: 90, display: 90, letter: 'A' }),
  figures: {
    posted: 90,
    display: 90,
    letter: 'A',
    categories: [],
    standards: [],
    ifLeft: 90,
    ifMadeUp: 90,
    best: 90,
    looseEnds: [],
    chances: [],
    trend: { class: 'steady', slope: 0 },
    ...figures,
  },
});
const family = (more: Partial<FamilyFacts>): FamilyFacts => ({
  now,
  courses: [],
  comments: [],
  absences: [],
  followUps: [],
  replies: [],
  asks: [],
  meetings: [],
  alerts: [],
  ...more,
});
const followUp = (more: Partial<FollowUpFacts>): FollowUpFacts => ({
  id: 'f',
  itemIds: more.itemId ? [more.itemId] : [],
  takenAt: '2026-10-20T18:00:00Z',
  studentId: 's',
  courseId: null,
  courseTitle: null,
  itemId: null,
  topic: 'other',
  absence: null,
  title: 'a',
  lookAgainOn: '2026-10-21',
  due: false,
  written: false,
  askedOfMe: null,
  ...more,
});
const kinds = (facts: FamilyFacts) => triage(facts).map(({ kind, courseId }) => `${kind} ${courseId}`);

it.each([
  ['2026-10-21T18:00:00Z', []],
  ['2026-10-30T18:00:00Z', ['underneath empty', 'underneath k']],
])('puts a course that would come to nothing first, as its term ends: %s', (at, said) => {
  const nothing = { posted: null, display: null, letter: null, ifLeft: 0 };
  const courses = [
    ...(said.length > 0 ? [course('k', { ifLeft: 60 }, [end('a', 'overdue')])] : []),
    {
      ...course('empty', nothing, [end('b', 'incomplete')]),
      grade: countedGrade({ decimals: 1 }, { posted: null, display: null, letter: null }),
    },
  ];
  expect(kinds(family({ now: at, courses }))).toEqual(said);
});

it('says nothing of a slide once the term is over', () => {
  const courses = [course('k', { trend: { class: 'slipping', slope: -3 } })];
  expect(kinds(family({ courses }))).toEqual(['slipping k']);
  expect(kinds(family({ courses, now: '2026-11-07T18:00:00Z' }))).toEqual([]);
});

it('counts a fall without what may only be on its way, and says how far it would go with it', () => {
  const sure = end('a', 'overdue');
  const late = end('b', 'overdue', { doubt: 'doubtful' });
  const facts = (ifLeft: number): FamilyFacts =>
    family({
      courses: [
        { ...course('k', { ifLeft: 70 }, [sure, late]), doubtful: { ifLeft, titles: ['Reading card'] } },
      ],
    });
  expect(triage(facts(80))).toMatchObject([
    {
      ...{ kind: 'underneath', ifLeft: 80, looseEnds: [{ itemId: 'a' }] },
      ...{ stake: expect.closeTo(0.1, 9) as number, doubtful: { ifLeft: 70, titles: ['Reading card'] } },
    },
  ]);
  expect(triage(facts(89.5))).toEqual([]);
});

describe('the triage of the Brief', () => {
  it('says nothing when everything is in order', () => {
    expect(triage(family({ courses: [course('calm', {})] }))).toEqual([]);
  });

  it('puts the deepest fall first, and what ends soon before what can wait', () => {
    const courses = [
      course('small', { ifLeft: 88 }, [end('a', 'overdue')]),
      course('deep', { ifLeft: 70 }, [end('b', 'overdue')]),
      course('soon', { ifLeft: 75 }, [end('c', 'overdue', { deadline: '2026-10-23T12:00:00Z' })]),
    ];
    expect(kinds(family({ courses }))).toEqual(['underneath soon', 'underneath deep', 'underneath small']);
  });

  it('hurries for the next last day, and asks for nothing whose last day has passed', () => {
    const gone = '2026-10-20T12:00:00Z';
    const passed = course('passed', { ifLeft: 75 }, [end('a', 'overdue', { deadline: gone })]);
    const both = course('both', { ifLeft: 75 }, [
      end('a', 'overdue', { deadline: gone }),
      end('b', 'overdue'),
    ]);
    const matters = triage(family({ courses: [passed, both] }));
    expect(Object.fromEntries(matters.map(({ courseId, expiresAt }) => [courseId, expiresAt]))).toEqual({
      both: '2026-11-06T23:59:00Z',
    });
    expect(matters[0]).toMatchObject({ looseEnds: [{ itemId: 'b' }] });
  });

  it('names a second chance where it is worth more than the loose ends beside it', () => {
    const again = (impact: number) => end('again', 'again', { impact });
    const named = (...ends: NamedLooseEnd[]) => {
      const [matter] = triage(family({ courses: [course('k', {}, ends)] }));
      return matter?.kind === 'mendable' ? matter.looseEnds.map(({ itemId }) => itemId) : [];
    };
    expect(named(again(4))).toEqual(['again']);
    expect(named(again(7), end('a', 'missing'))).toEqual(['again', 'a']);
    expect(named(end('a', 'missing'), again(4))).toEqual(['a']);
  });

  it('makes one matter of a course, whatever is wrong with it', () => {
    const trend = { class: 'slipping', slope: -3 } as const;
    const facts = family({
      courses: [course('k', { ifLeft: 80, trend }, [end('a', 'overdue'), end('b', 'missing')])],
    });
    const [matter, ...others] = triage(facts);
    expect(others).toEqual([]);
    expect(matter).toMatchObject({ kind: 'underneath', slipping: true, looseEnds: [{ itemId: 'a' }] });
  });

  it('gives marks two days to travel before overdue work is a matter', () => {
    const due = (dueAt: string) =>
      family({ courses: [course('k', { ifLeft: 80 }, [end('a', 'overdue', { dueAt })])] });
    expect(triage(due('2026-10-20T18:00:00Z'))).toEqual([]);
    expect(triage(due('2026-10-19T18:00:00Z'))).toHaveLength(1);
  });

  it('is silent about work of which two sources say different things', () => {
    const of = (doubt: NamedLooseEnd['doubt']) =>
      triage(family({ courses: [course('k', { ifLeft: 80 }, [end('a', 'overdue', { doubt })])] })).length;
    expect([of('doubtful'), of(null)]).toEqual([0, 1]);
  });

  it('leaves what is in hand to its follow-up, which comes back on its date', () => {
    const work = followUp({ courseId: 'k', itemId: 'a', topic: 'work' });
    const courses = [course('k', { ifLeft: 80 }, [end('a', 'overdue')])];
    expect(triage(family({ courses, followUps: [work] }))).toEqual([]);
    const [matter, ...others] = triage(family({ courses, followUps: [{ ...work, due: true }] }));
    expect(others).toEqual([]);
    expect(matter).toMatchObject({ kind: 'look-again', courseId: 'k', stillKind: 'overdue' });
  });

  it('lets a follow-up speak for its own child only, though a brother sits in the same course', () => {
    const ofBrother = { studentId: 'brother' };
    const trend = { class: 'slipping', slope: -3 } as const;
    const comment = {
      ...ofBrother,
      courseId: 'k',
      courseTitle: 'k',
      itemId: 'a',
      itemTitle: 'a',
      subject: 'work' as const,
      text: 'a',
      author: 'W',
      writtenAt: now,
    };
    const facts = family({
      courses: [
        { ...course('k', { ifLeft: 80 }, [end('a', 'overdue')]), ...ofBrother },
        { ...course('j', { trend }), ...ofBrother },
      ],
      absences: [{ ...ofBrother, unexplainedOn: ['2026-10-20'], leftEarlyOn: [], lessons: [] }],
      followUps: [
        followUp({ topic: 'work', courseId: 'k', itemId: 'a' }),
        followUp({ topic: 'course', courseId: 'j' }),
        followUp({ topic: 'attendance' }),
      ],
    });
    expect(kinds(facts)).toEqual(['underneath k', 'slipping j', 'absence null']);
    const calm = family({ comments: [comment], followUps: facts.followUps });
    expect(kinds(calm)).toEqual(['comment k']);
  });

  it('says of a work that came back what the record shows now, not what it once showed', () => {
    const followUps = [followUp({ courseId: 'k', itemId: 'a', topic: 'work', due: true })];
    const shown = (looseEnds: NamedLooseEnd[]) =>
      triage(family({ courses: [course('k', {}, looseEnds)], followUps }));
    expect(shown([end('a', 'missing')])).toMatchObject([{ stillKind: 'missing' }]);
    expect(shown([])).toMatchObject([{ stillKind: null }]);
  });

  it('does the same for a slipping course and for absences', () => {
    const trend = { class: 'slipping', slope: -3 } as const;
    const facts = family({
      courses: [course('k', { trend })],
      absences: [{ studentId: 's', unexplainedOn: ['2026-10-20'], leftEarlyOn: [], lessons: [] }],
    });
    expect(kinds(facts)).toEqual(['slipping k', 'absence null']);
    const followUps = [followUp({ topic: 'course', courseId: 'k' }), followUp({ topic: 'attendance' })];
    expect(triage({ ...facts, followUps })).toEqual([]);
    const another = [followUp({ topic: 'course', courseId: 'j' }), followUp({ topic: 'other' })];
    expect(kinds({ ...facts, followUps: another })).toEqual(['slipping k', 'absence null']);
  });

  it('does not repeat a comment on work that has a matter already', () => {
    const comment = (itemId: string) => ({
      studentId: 's',
      courseId: 'k',
      courseTitle: 'k',
      itemId,
      itemTitle: itemId,
      subject: 'work' as const,
      text: itemId,
      author: 'W',
      writtenAt: now,
    });
    const courses = [course('k', { ifLeft: 80 }, [end('a', 'overdue')])];
    expect(kinds(family({ courses, comments: [comment('a')] }))).toEqual(['underneath k']);
    expect(kinds(family({ courses, comments: [comment('a'), comment('z')] }))).toEqual([
      'underneath k',
      'comment k',
    ]);
  });

  it('calls leaving early a matter from the second time on', () => {
    const absence = (leftEarlyOn: string[]) =>
      family({ absences: [{ studentId: 's', unexplainedOn: [], leftEarlyOn, lessons: [] }] });
    expect(triage(absence(['2026-10-19']))).toEqual([]);
    expect(triage(absence(['2026-10-19', '2026-10-20']))).toMatchObject([{ kind: 'absence' }]);
  });

  it.each<[OpenKind, string[]]>([
    ['missing', ['mendable k']],
    ['zero', ['mendable k']],
    ['at-floor', ['mendable k']],
    ['overdue', ['underneath k']],
    ['incomplete', ['underneath k']],
    ['unmarked', []],
  ])('a fall of ten points by work that is %s: %j', (kind, said) =>
    expect(kinds(family({ courses: [course('k', { ifLeft: 80 }, [end('a', kind)])] }))).toEqual(said),
  );

  it('is no matter under a figure that is not there, or without work under it', () => {
    const open = [end('a', 'overdue')];
    expect(triage(family({ courses: [course('k', { posted: null, ifLeft: 60 }, open)] }))).toEqual([]);
    expect(triage(family({ courses: [course('k', { ifLeft: null }, open)] }))).toEqual([]);
    expect(triage(family({ courses: [course('k', { ifLeft: 60 }, [])] }))).toEqual([]);
  });

  it.each([
    [89, ['underneath k']],
    [89.1, []],
  ])('a fall to %d of 100 is, from one point of a hundred on', (ifLeft, said) =>
    expect(kinds(family({ courses: [course('k', { ifLeft }, [end('a', 'overdue')])] }))).toEqual(said),
  );

  it.each([
    [0.5, ['mendable k']],
    [0.49, []],
    [null, []],
  ])('a gain of %d of 100 is, from half a point on', (impact, said) =>
    expect(kinds(family({ courses: [course('k', {}, [end('a', 'missing', { impact })])] }))).toEqual(said),
  );

  it('measures a stake on the scale of its course, and adds up what can be mended', () => {
    const small = {
      ...course('k', {}, [end('a', 'missing', { impact: 1 }), end('b', 'zero', { impact: 0.5 })]),
    };
    const [matter] = triage(family({ courses: [{ ...small, outOf: 20 }] }));
    expect(matter?.stake).toBeCloseTo(0.075, 12);
    const fallen = { ...course('k', { posted: 18, ifLeft: 15 }, [end('a', 'overdue')]), outOf: 20 };
    expect(triage(family({ courses: [fallen] }))[0]?.stake).toBeCloseTo(0.15, 12);
  });

  it('takes the course of its own child for a follow-up, though a sister sits in the same', () => {
    const followUps = [followUp({ courseId: 'k', itemId: 'a', topic: 'work', due: true })];
    const hers = { ...course('k', {}, [end('a', 'zero', { impact: 90 })]), studentId: 'sister' };
    const other = course('j', {}, [end('a', 'missing', { impact: 80 })]);
    const own = { ...course('k', {}, [end('a', 'incomplete', { impact: 10 })]), outOf: 20 };
    const matters = triage(family({ courses: [hers, other, own], followUps }));
    expect(matters.find(({ kind }) => kind === 'look-again')).toMatchObject({
      ...{ stillKind: 'incomplete', stake: 0.5, studentId: 's', courseId: 'k' },
    });
  });

  it('puts somebody’s word before what is new of less weight', () => {
    const followUps = [followUp({ courseId: 'k', due: true })];
    expect(triage(family({ followUps }))[0]).toMatchObject({ stake: 0.15, expiresAt: null });
    expect(
      triage(family({ followUps: [followUp({ courseId: 'k', due: true, lookAgainOn: null })] })),
    ).toEqual([]);
  });

  it('rests with its course, until something new is due', () => {
    const followUps = [followUp({ topic: 'course', courseId: 'k', takenAt: '2026-10-15T18:00:00Z' })];
    const before = end('a', 'overdue');
    const later = end('b', 'overdue', { dueAt: '2026-10-17T12:00:00Z' });
    const courses = (...ends: NamedLooseEnd[]) => [course('k', { ifLeft: 75 }, ends)];
    expect(triage(family({ courses: courses(before), followUps }))).toEqual([]);
    expect(triage(family({ courses: courses(before, later), followUps }))).toMatchObject([
      { kind: 'underneath', looseEnds: [{ itemId: 'b' }] },
    ]);
  });

  it('rests for each of the works that one follow-up is about', () => {
    const courses = [course('k', { ifLeft: 75 }, [end('a', 'overdue'), end('b', 'overdue')])];
    const followUps = [followUp({ topic: 'work', courseId: 'k', itemIds: ['a', 'b'] })];
    expect(triage(family({ courses, followUps }))).toEqual([]);
  });

  it('names what waits for its score in the last week of the term, and not before or in hand', () => {
    const courses = [course('k', {}, [end('a', 'unmarked', { deadline: null, impact: null })])];
    const last = { courses, now: '2026-11-02T18:00:00Z' };
    expect(triage(family(last))).toMatchObject([
      { kind: 'waiting', looseEnds: [{ itemId: 'a' }], expiresAt: '2026-11-06T23:59:00Z' },
    ]);
    expect(triage(family({ courses }))).toEqual([]);
    expect(triage(family({ ...last, now: '2026-11-07T18:00:00Z' }))).toEqual([]);
    const followUps = [followUp({ topic: 'work', courseId: 'k', itemId: 'a' })];
    expect(triage(family({ ...last, followUps }))).toEqual([]);
  });

  describe('a door that has closed', () => {
    const gone = (id: string, deadline: string, kind: OpenKind = 'missing') =>
      end(id, kind, { recoverable: false, deadline });
    const closed = (ends: NamedLooseEnd[], before: NamedLooseEnd[] = []) =>
      closedDoors(family({ courses: [{ ...course('k', {}, ends), closed: before, leftAs: 0.5 }] }));
    it('is news for three days, course by course, and no matter', () => {
      const ends = [
        gone('a', '2026-10-19T12:00:00Z'),
        gone('b', '2026-10-20T12:00:00Z'),
        gone('c', '2026-10-17T12:00:00Z'),
      ];
      expect(closed(ends)).toMatchObject([
        {
          courseId: 'k',
          countsAs: 0.5,
          closedAt: '2026-10-20T12:00:00Z',
          works: [{ itemId: 'a' }, { itemId: 'b' }],
        },
      ]);
      expect(triage(family({ courses: [course('k', { ifLeft: 70 }, ends)] }))).toEqual([]);
    });
    it('is that of the term that has ended, too, and none of what is open or only waits', () => {
      expect(closed([], [gone('a', '2026-10-20T12:00:00Z', 'incomplete')])).toHaveLength(1);
      expect(closed([end('a', 'missing'), gone('b', '2026-10-20T12:00:00Z', 'unmarked')])).toEqual([]);
      expect(closed([gone('a', '2026-10-20T12:00:00Z', 'at-floor')])).toEqual([]);
    });
    it.each([
      ['2026-10-20T11:00:00Z', 0],
      ['2026-10-20T13:00:00Z', 1],
      [null, 1],
    ])('last read %s: so many are closed of one whose last day was 12:00: %i', (readAt, many) => {
      const courses = [{ ...course('k', {}, [gone('a', '2026-10-20T12:00:00Z')]), readAt }];
      expect(closedDoors(family({ courses }))).toHaveLength(many);
    });
  });

  describe('what an alert has told', () => {
    const told = (more: Partial<AlertFacts> = {}): AlertFacts => ({
      ...{ id: 'a', key: 'figure:s:k', kind: 'figure', studentId: 's', courseId: 'k', courseTitle: 'k' },
      reasons: [],
      leading: [],
      ...more,
    });
    it('joins the matter that says the same of the same child', () => {
      const courses = [course('k', { ifLeft: 80 }, [end('a', 'overdue')])];
      const [matter, ...others] = triage(family({ courses, alerts: [told()] }));
      expect(others).toEqual([]);
      expect(matter).toMatchObject({ kind: 'underneath', alertIds: ['a'] });
      const brother = triage(family({ courses, alerts: [told({ studentId: 'brother' })] }));
      expect(brother.map(({ kind }) => kind)).toEqual(['underneath', 'alert']);
    });
    it('becomes one where no other does, unless somebody has it in hand', () => {
      expect(triage(family({ alerts: [told()] }))).toMatchObject([{ kind: 'alert', alertIds: ['a'] }]);
      const followUps = [followUp({ topic: 'course', courseId: 'k' })];
      expect(triage(family({ alerts: [told()], followUps }))).toEqual([]);
    });
    it('weighs as much as the heaviest of its reasons, and ends with the first that ends', () => {
      const work = (impact: number | null, deadline: string | null) =>
        ({
          about: 'work',
          rule: 'loose-end',
          outOf: 20,
          work: { itemId: 'i', impact, deadline },
        }) as AlertReason;
      const figure = (before: number | null, now: number) =>
        ({ about: 'figure', rule: 'fallen', outOf: 20, before, now }) as AlertReason;
      const stake = (...reasons: AlertReason[]) => {
        const [matter] = triage(family({ alerts: [told({ reasons })] }));
        return [matter?.stake, matter?.expiresAt];
      };
      expect(stake()).toEqual([0, null]);
      expect(stake({ about: 'comment' } as AlertReason)).toEqual([0.02, null]);
      expect(stake(work(2, '2026-11-02T12:00:00Z'), work(5, '2026-11-01T12:00:00Z'))).toEqual([
        0.25,
        '2026-11-01T12:00:00Z',
      ]);
      expect(stake(work(null, null))).toEqual([0.02, null]);
      expect(stake(figure(18, 15), work(2, null))).toEqual([0.15, null]);
      expect(stake(figure(null, 15))).toEqual([0.02, null]);
    });
    it('is in hand when all of its works are, whatever one of them is', () => {
      const work = (itemId: string) =>
        ({
          about: 'work',
          rule: 'loose-end',
          outOf: 100,
          work: { itemId, impact: 3, deadline: null },
        }) as AlertReason;
      const alerts = [told({ kind: 'work', reasons: [work('a'), work('b')] })];
      const taken = (itemId: string) => followUp({ id: itemId, topic: 'work', courseId: 'k', itemId });
      expect(triage(family({ alerts, followUps: [taken('a'), taken('b')] }))).toEqual([]);
      expect(kinds(family({ alerts, followUps: [taken('a')] }))).toEqual(['alert k']);
    });
    it.each(['good', 'comment', 'upkeep'] as const)('is no matter of its own when it is of %s', (kind) =>
      expect(triage(family({ alerts: [told({ kind })] }))).toEqual([]),
    );
  });
});

describe('what a school asks', () => {
  const ask = (id: string, by: string, helpers = false) => ({
    ...{ announcementId: id, studentId: 's', title: id, schoolName: 'Millrace', courseTitle: null },
    ...{ wish: 'yes-no' as const, by, helpers },
  });
  const keys = (...asks: ReturnType<typeof ask>[]) => triage(family({ asks })).map(({ key }) => key);

  it.each([
    ['three days before', '2026-10-24T18:00:00Z', ['asked:n:s']],
    ['a moment earlier', '2026-10-24T18:00:01Z', []],
    ['in its last moment', now, ['asked:n:s']],
    ['once it is over', '2026-10-21T17:59:59Z', []],
  ])('is a matter %s', (_name, by, found) => expect(keys(ask('n', by))).toEqual(found));

  it('comes after what is far below, and who may lend a hand after that', () => {
    const last = '2026-10-22T18:00:00Z';
    const low = course('low', { posted: 90, ifLeft: 70 }, [end('a', 'missing', { impact: 20 })]);
    const asks = [ask('help', last, true), ask('answer', last)];
    expect(triage(family({ courses: [low], asks })).map(({ kind, key }) => [kind, key])).toEqual([
      ['mendable', expect.any(String)],
      ['asked', 'asked:answer:s'],
      ['asked', 'asked:help:s'],
    ]);
  });
});

describe('a meeting at school', () => {
  const meeting = (startsAt: string, more: Partial<MeetingSeen> = {}): MeetingSeen => ({
    ...{
      id: 'm',
      studentId: 's',
      teacherName: 'Wren Thornwick',
      startsAt,
      way: 'in-person',
      place: 'Boat shed',
    },
    endsAt: new Date(Date.parse(startsAt) + 20 * 60_000).toISOString(),
    ...{ state: 'stands', written: false },
    ...more,
  });
  const found = (startsAt: string, more: Partial<MeetingSeen> = {}) =>
    triage(family({ meetings: [meeting(startsAt, more)] })).map(({ key }) => key);

  it.each<[string, string, Partial<MeetingSeen>, string[]]>([
    ['two days before', '2026-10-23T18:00:00Z', {}, ['meeting:m:ahead']],
    ['a moment earlier', '2026-10-23T18:00:01Z', {}, []],
    ['while it lasts', '2026-10-21T17:50:00Z', {}, ['meeting:m:ahead']],
    ['once it is over', '2026-10-21T17:00:00Z', {}, ['meeting:m:after']],
    ['once something is written down', '2026-10-21T17:00:00Z', { written: true }, []],
    ['when it has been over for long', '2026-10-18T17:00:00Z', {}, []],
    ['that was given back', '2026-10-22T17:00:00Z', { state: 'given-back' }, []],
    ['that the school calls off', '2026-11-20T17:00:00Z', { state: 'called-off' }, ['meeting:m:called-off']],
    ['that was called off, when its day is over', '2026-10-20T17:00:00Z', { state: 'called-off' }, []],
  ])('%s', (_name, startsAt, more, keys) => expect(found(startsAt, more)).toEqual(keys));
});

describe('what another guardian hands over', () => {
  const asked = { by: 'Maren', word: 'Could you?' };
  it('is asked of whom it is asked, instead of the date on which it comes back', () => {
    const followUps = [
      followUp({ id: 'f', title: 'Keel model', due: true, lookAgainOn: '2026-10-20', askedOfMe: asked }),
    ];
    expect(triage(family({ followUps }))).toEqual([
      expect.objectContaining({ kind: 'handed', followUpId: 'f', title: 'Keel model', ...asked }),
    ]);
  });
});
