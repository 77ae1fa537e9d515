import { languages, type FollowUpSummary, type ItemDetail, type Matter } from '@cadro/contract';
import { outcomeWords } from '../followups';
import { storyPoints } from '../gradebook';
import { i18next, makeFormat } from '../i18n';
import { aGrade } from '../testing/grades';
import { matterWords } from './matterWords';
import { startTexts } from '../testing/texts';

startTexts('en');
const formatOf = (language: string) => makeFormat(language, 'America/Halifax', '2026-10-21T19:40:00Z');
const common = {
  key: 'k',
  studentId: 's',
  courseId: 'c',
  courseTitle: 'Boat-building',
  stake: 0.1,
  expiresAt: null,
  alertIds: [],
};
const figures = { grade: aGrade(82.2, 'B'), outOf: 100, decimals: 1 };
const end = {
  itemId: 'i',
  title: 'Reef survey',
  kind: 'missing',
  dueAt: null,
  deadline: '2026-11-07T03:59:00Z',
  credit: 0.5,
  impact: 2.27,
  recoverable: true,
  remarked: false,
  doubt: null,
} as const;

/** One of each kind; a new kind that is not here does not compile. */
const matters: { readonly [K in Matter['kind']]: Extract<Matter, { kind: K }> } = {
  underneath: {
    ...common,
    ...figures,
    kind: 'underneath',
    ifLeft: 70,
    doubtful: null,
    looseEnds: [
      { ...end, kind: 'incomplete' },
      { ...end, itemId: 'j' },
    ],
    slipping: true,
  },
  mendable: {
    ...common,
    ...figures,
    kind: 'mendable',
    looseEnds: [end, { ...end, itemId: 'j' }],
    slipping: true,
  },
  slipping: { ...common, ...figures, kind: 'slipping', perWeek: -1.4583 },
  waiting: {
    ...common,
    ...figures,
    kind: 'waiting',
    looseEnds: [{ ...end, kind: 'unmarked', deadline: null, credit: null, impact: null }],
    termEnd: '2026-11-07T03:59:00Z',
  },
  comment: {
    ...common,
    kind: 'comment',
    comments: [
      {
        itemId: 'i',
        itemTitle: 'Seed log',
        subject: 'score',
        text: 'Lovely.',
        author: 'Basil Marrowby',
        writtenAt: '2026-10-19T18:06:00Z',
      },
    ],
  },
  absence: {
    ...common,
    courseId: null,
    courseTitle: null,
    kind: 'absence',
    unexplainedOn: ['2026-10-20'],
    leftEarlyOn: [],
    lessons: ['Kelp chemistry', 'Tide tables'],
  },
  'look-again': {
    ...common,
    kind: 'look-again',
    followUpId: 'f',
    itemId: 'i',
    title: 'Keel model',
    lookAgainOn: '2026-10-22',
    stillKind: 'overdue',
    written: false,
  },
  handed: {
    ...common,
    kind: 'handed',
    followUpId: 'f',
    title: 'Keel model',
    by: 'Maren Aldervane',
    word: 'Could you ask him tonight?',
  },
  asked: {
    ...common,
    courseId: null,
    courseTitle: null,
    kind: 'asked',
    announcementId: 'n',
    title: 'Lamp night',
    schoolName: 'Gannet Head Upper School',
    wish: 'count',
    helpers: false,
  },
  meeting: {
    ...common,
    ...{ courseId: null, courseTitle: null, kind: 'meeting', meetingId: 'm', what: 'ahead' },
    ...{ teacherName: 'Wren Thornwick', way: 'in-person', place: 'Boat shed' },
    startsAt: '2026-10-23T18:10:00Z',
  },
  reply: {
    ...common,
    courseId: null,
    courseTitle: null,
    kind: 'reply',
    threadId: 't',
    author: 'Wren Thornwick',
    text: 'It stood under the sail cloth.',
    receivedAt: '2026-10-23T19:40:00Z',
  },
  alert: {
    ...common,
    kind: 'alert',
    about: 'figure',
    alertIds: ['a'],
    leading: ['fallen:1'],
    reasons: [
      {
        ...{ id: 'fallen:1', at: '2026-10-19T18:06:00Z', sourceName: 'Millrace', about: 'figure' },
        ...{ rule: 'fallen', before: 92.5, since: '2026-10-12T18:00:00Z', now: 87.2, ifLeft: null },
        ...{ letterBefore: null, letterNow: null, limit: null, perWeek: null, outOf: 100, decimals: 1 },
        moved: [],
      },
    ],
  },
};

describe.each(languages)('matters in %s', (language) => {
  it.each(Object.keys(matters) as Matter['kind'][])('%s has every word and one next step', async (kind) => {
    await i18next.changeLanguage(language);
    for (const mayTalk of [true, false]) {
      const words = matterWords(matters[kind], {
        t: i18next.t,
        format: formatOf(language),
        child: 'Caspian',
        mayTalk,
        language,
        timeZone: 'America/Halifax',
      });
      for (const text of [words.title, words.body, words.step.label]) {
        expect(text.length).toBeGreaterThan(3);
        expect(text).not.toMatch(/\{\{|undefined|null|NaN|matter\.|kinds\./);
      }
      expect(String(words.step.href)).toMatch(/^\//);
      if (!mayTalk) expect(String(words.step.href)).not.toMatch(/\/talk\/(new|write)/);
    }
    await i18next.changeLanguage('en');
  });
});

describe('what is said', () => {
  const say = (matter: Matter, mayTalk = true) =>
    matterWords(matter, {
      t: i18next.t,
      format: formatOf('en'),
      child: 'Caspian',
      mayTalk,
      language: 'en',
      timeZone: 'America/Halifax',
    });
  it('names how many more there are, and that the course slides too', () => {
    expect(say(matters.mendable).body).toBe(
      'Counts as 0 until it’s turned in. Can still be turned in by November 6 for 50% credit. Worth up to +2.27. And 1 more. The grade has been falling for weeks, too.',
    );
    expect(say(matters.underneath).title).toBe('82.2 leaves out 2 open assignments');
  });
  it('leads from a slipping course and from absences to a talk, and shows the reason', () => {
    expect(say(matters.slipping)).toMatchObject({
      title: 'Down 1.46 points a week',
      step: { label: 'Talk with Caspian', href: '/talk/new?studentId=s&courseId=c' },
      why: '/courses/s/c',
    });
    expect(say(matters.absence)).toMatchObject({
      title: 'Absent without a reason on 1 day',
      body: 'Oct 20. Classes missed: Kelp chemistry and Tide tables. Ask Caspian what happened.',
      step: { href: '/talk/new?studentId=s' },
      why: '/days/attendance/s',
    });
  });
  it('of an alert says and opens what it is told for, whatever else it holds', () => {
    const { alert } = matters;
    const work = (id: string) => ({
      ...{ id, at: '2026-10-19T18:06:00Z', sourceName: 'Millrace', about: 'work' as const },
      ...{ rule: 'loose-end' as const, outOf: 100, decimals: 1 },
      work: {
        ...{ itemId: id, title: id, kind: 'missing' as const, was: null, dueAt: null, deadline: null },
        ...{ credit: null, impact: 2, earned: null, possible: 20 },
      },
    });
    const two = {
      ...alert,
      about: 'work' as const,
      reasons: [work('Keel'), work('Ribs')],
      leading: ['Ribs'],
    };
    expect(say(two)).toMatchObject({
      title: 'Ribs: missing',
      step: { href: `/courses/${alert.studentId}/${alert.courseId}/Ribs` },
    });
  });
  it('asks to look again before it asks to write again', () => {
    const { 'look-again': matter } = matters;
    expect(say(matter)).toMatchObject({
      step: { label: 'Write to the teacher', href: '/talk/write?followUpId=f' },
    });
    const written = say({ ...matter, written: true, stillKind: null });
    expect(written).toMatchObject({ step: { label: 'Open it', href: '/talk/follow-ups/f' }, why: null });
    expect(written.body).toBe(
      'You meant to look again on Thursday, October 22. You have written to the teacher.',
    );
  });
});

describe('the story of a work', () => {
  const item = {
    assignedAt: '2026-09-28T11:40:00Z',
    dueAt: '2026-10-13T02:59:00Z',
    acceptedUntil: '2026-10-28T02:59:00Z',
    possible: 20,
    history: [],
    looseEnd: { kind: 'overdue' },
    state: { status: 'open', at: null, earned: null, late: false, levels: {} },
  } as unknown as ItemDetail; // all that a story reads
  const story = (more: object = {}) =>
    storyPoints(i18next.t, formatOf('en'), { ...item, ...more }, '2026-10-21T19:40:00Z').map(
      ({ when, what, ahead }) => `${when}: ${what}${ahead ? ' (ahead)' : ''}`,
    );
  it('goes from assigned to its last day', () => {
    expect(story()).toEqual([
      'Mon, Sep 28: assigned',
      'Mon, Oct 12, 11:59 PM: due, after 14 days',
      'Wed, Oct 21: today: overdue, not counted yet',
      'Tue, Oct 27: last day to turn it in (ahead)',
    ]);
  });
  it('has every change of the record on it, and no today once it is settled', () => {
    const change = (at: string, status: string, earned: number | null = null) => ({
      at,
      status,
      earned,
      late: false,
      levels: {},
    });
    const history = [change('2026-10-14T12:00:00Z', 'missing'), change('2026-10-19T18:05:00Z', 'scored', 17)];
    expect(story({ history, looseEnd: null, state: history[1] })).toEqual([
      'Mon, Sep 28: assigned',
      'Mon, Oct 12, 11:59 PM: due, after 14 days',
      'Wed, Oct 14: missing',
      'Mon, Oct 19: graded, 17 of 20',
      'Tue, Oct 27: last day to turn it in (ahead)',
    ]);
  });
  it('says of undated work that it has no date', () => {
    expect(story({ dueAt: null, acceptedUntil: null, looseEnd: null })).toEqual([
      'Mon, Sep 28: assigned',
      'Wed, Oct 21: today: no due date',
    ]);
  });
});

it.each<[string, FollowUpSummary['outcome'], { was: string; now: string } | null]>([
  ['open', null, null],
  ['settled by a person', { by: 'guardian' }, null],
  [
    'marked',
    { by: 'record', was: 'overdue', status: 'scored', earned: 17, possible: 20 },
    { was: 'overdue', now: '17 of 20' },
  ],
  [
    'excused',
    { by: 'record', was: 'missing', status: 'excused', earned: null, possible: 20 },
    { was: 'missing', now: 'excused' },
  ],
])('a follow-up that is %s', (_name, outcome, words) => {
  expect(outcomeWords(i18next.t, formatOf('en'), outcome)).toEqual(words);
});
