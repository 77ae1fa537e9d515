import type { FollowUp, Matter, MatterOf, Scale } from '@cadro/contract';
import { creditWords, standardsWords, stateWords, worthWords } from '../gradebook';
import { i18next, makeFormat } from '../i18n';
import { spanDomain, spanSteps } from '@cadro/core';
import { draftFor } from '../messages';
import { aGrade } from '../testing/grades';
import { anItem } from '../testing/items';
import { matterWords } from './matterWords';
import { startTexts } from '../testing/texts';

startTexts('en');
const { t } = i18next;
const format = makeFormat('en', 'America/Halifax', '2026-10-21T19:40:00Z');
const say = (matter: Matter, mayTalk = true) =>
  matterWords(matter, {
    ...{ t, format, child: 'Caspian', mayTalk },
    language: 'en',
    timeZone: 'America/Halifax',
  });
const end = {
  itemId: 'i',
  title: 'Keel model',
  kind: 'overdue',
  dueAt: '2026-10-13T02:59:00Z',
  deadline: '2026-10-28T02:59:00Z',
  credit: 0.75,
  impact: 0.5,
  recoverable: true,
  remarked: false,
  doubt: null,
} as const;
const underneath: MatterOf<'underneath'> = {
  kind: 'underneath',
  key: 'k',
  studentId: 's',
  courseId: 'c',
  courseTitle: 'Boat-building',
  stake: 0.2,
  expiresAt: end.deadline,
  alertIds: [],
  grade: aGrade(3.1),
  outOf: 4,
  decimals: 1,
  ifLeft: 2.37,
  doubtful: null,
  looseEnds: [end],
  slipping: false,
};

describe('a matter in words', () => {
  it('says what is wrong, why, until when, and one next step', () => {
    expect(say(underneath)).toEqual({
      context: 'Boat-building',
      when: 'turn in by Tue, Oct 27',
      title: '3.1 leaves out an open assignment',
      body: 'Keel model was due October 12 and hasn’t been graded, so it doesn’t count yet. If nothing changes, 3.1 drops to 2.4.',
      fall: {
        posted: 3.1,
        left: 2.37,
        outOf: 4,
        postedWords: '3.1 posted, of 4',
        leftWords: '2.4 if left',
        said: 'If nothing changes, 3.1 drops to 2.4.',
        below: 'Keel model: due October 12, not graded yet',
      },
      step: { label: 'Talk with Caspian', href: '/talk/new?studentId=s&courseId=c&itemId=i' },
      why: '/courses/s/c',
    });
  });

  it('says which part of a fall is in doubt', () => {
    const doubtful = { ifLeft: 2.11, titles: ['Reading card'] };
    expect(say({ ...underneath, doubtful }).body).toMatch(
      /3\.1 drops to 2\.4\. The classroom system has Reading card. If that never reaches the gradebook, the grade drops to 2\.1\.$/,
    );
    expect(say({ ...underneath, doubtful }).fall).toBeUndefined();
  });

  it('offers who may only look the reason instead', () => {
    expect(say(underneath, false).step).toEqual({ label: 'Open the course', href: '/courses/s/c' });
  });

  it.each([
    ['zero', 'A zero for Keel model', 'Scored 0, no comment.'],
    [
      'missing',
      'Keel model is missing',
      'Counts as 0 until it’s turned in. Can still be turned in by October 27 for 75% credit. Worth up to +0.5.',
    ],
    [
      'at-floor',
      'Keel model has the lowest score this course gives',
      'That often means nothing was turned in. Can still be turned in by October 27 for 75% credit.',
    ],
  ] as const)('%s', (kind, title, body) => {
    const words = say({ ...underneath, kind: 'mendable', looseEnds: [{ ...end, kind }] });
    expect(words.title).toBe(title);
    expect(words.body).toContain(body);
  });
});

describe('the draft of a letter', () => {
  const followUp = {
    title: 'Keel model',
    topic: 'work',
    courseTitle: 'Boat-building',
    stillKind: 'overdue',
    dueAt: end.dueAt,
    possible: 20,
    teacher: { id: 't', name: 'Wren Thornwick', contactable: true },
    entries: [],
  } as unknown as FollowUp; // all that a draft reads
  const entry = (step: string) => ({ step }) as FollowUp['entries'][number];
  const draft = (more: Partial<FollowUp>) =>
    draftFor(
      { t, format },
      { ...followUp, ...more },
      { name: 'Wren Thornwick', tone: 'plain' },
      { child: 'Caspian', guardian: 'Maren Aldervane', now: '2026-10-22T19:40:00Z' },
    );

  it('has the facts in it, and the guardian’s name under it', () => {
    const { subject, text } = draft({});
    expect(subject).toBe('Caspian: Keel model');
    expect(text).toContain(
      'I am writing about “Keel model” (Boat-building, due October 12, worth 20). The gradebook shows it as overdue today, October 22.',
    );
    expect(text.endsWith('Maren Aldervane')).toBe(true);
  });

  it.each([
    ['nothing was said at home', { entries: [] }, /talked/],
    ['it was talked over, not agreed', { entries: [entry('talked-over')] }, /agreed/],
    ['the record no longer shows it', { stillKind: null }, /shows/],
    ['it is about a course', { topic: 'course', stillKind: null }, /worth|due/],
  ] as const)('claims no more than is so: %s', (_name, more, never) => {
    expect(draft(more as Partial<FollowUp>).text).not.toMatch(never);
  });

  it('tells what was agreed', () => {
    expect(draft({ entries: [entry('agreed')] }).text).toContain('talked it over at home and agreed');
  });
});

describe('numbers that cannot be confused', () => {
  const scale: Scale = { method: 'weighted', outOf: 100, decimals: 1, letters: [] };
  const item = anItem({ dueAt: null });
  const state = (status: 'open' | 'scored' | 'handed-in', earned: number | null = null, late = false) => ({
    status,
    at: null,
    earned,
    late,
    levels: {},
  });
  it.each([
    ['open', 'worth 20', 'no due date'],
    ['handed-in', 'worth 20', 'turned in, not graded yet'],
  ] as const)('%s', (status, worth, words) => {
    const each = { ...item, state: state(status) };
    expect([worthWords(t, format, each, scale), stateWords(t, each)]).toEqual([worth, words]);
  });
  it('marked late', () => {
    const each = { ...item, state: state('scored', 17, true) };
    expect([worthWords(t, format, each, scale), stateWords(t, each)]).toEqual(['17 of 20', 'graded, late']);
  });
  it('a work without points says nothing of points', () => {
    expect(worthWords(t, format, { ...item, possible: 0, state: state('open') }, scale)).toBe('');
  });
  it.each([
    [1, 'full credit'],
    [0.75, '75% credit'],
    [0.5, '50% credit'],
    [0.9, '90% credit'],
  ])('credit %d', (credit, words) => {
    expect(creditWords(t, format, credit)).toBe(words);
  });
  it('not assessed yet is not the same as not met', () => {
    expect(standardsWords(t, [{ met: true }, { met: false }, { met: null }])).toBe(
      '1 of 2 assessed so far are met; 1 comes later',
    );
    expect(standardsWords(t, [{ met: null }])).toBe('Nothing assessed yet');
  });
});

describe('the span’s scale', () => {
  const spanned = (posted: number, ifLeft = 72, ifMadeUp = 88) => ({
    ...{ figures: { posted, ifLeft, ifMadeUp }, grade: { figure: posted, count: null } },
  });
  const letters = [
    { letter: 'A', from: 0.9 },
    { letter: 'D', from: 0.6 },
  ];
  it('shows percents from below the lowest step, and small scales whole', () => {
    expect(spanDomain(spanned(83), { method: 'points', outOf: 100, decimals: 1, letters })).toEqual({
      from: 50,
      to: 100,
    });
    const four: Scale = { method: 'points', outOf: 4, decimals: 1, letters: [] };
    const domain = spanDomain(spanned(3.1, 2.4, 2.9), four);
    expect(domain).toEqual({ from: 0, to: 4 });
    expect(spanSteps(four, domain).map(({ label }) => label)).toEqual(['1', '2', '3', '4']);
  });
  it('makes room for what is above the top', () => {
    expect(spanDomain(spanned(104), { method: 'points', outOf: 100, decimals: 1, letters }).to).toBe(104);
  });
});
