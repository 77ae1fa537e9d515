import type { Child, CourseSummary } from '@cadro/contract';
import { i18next, makeFormat } from '../i18n';
import { startTexts } from '../testing/texts';
import { begunOf } from './FirstMinutes';

startTexts('en');
const t = i18next.t;
const format = makeFormat('en', 'America/Halifax', '2026-10-21T19:40:00Z');
const child = { id: 'c', givenName: 'Caspian', schoolName: 'Millrace Middle School', byHand: false } as Child; // what is read of one
const course = (more: object = {}) =>
  ({
    ...{ id: 'b', studentId: 'c', title: 'Boat-building', ended: null, nextDue: null },
    ...{ figures: null, grade: { figure: null, letter: null }, scale: { method: 'points' } },
    ...more,
  }) as CourseSummary; // as above

it.each([
  [
    'a school that is read for the first time',
    {},
    [],
    /^Cadro is reading Caspian’s records from Millrace/,
    null,
  ],
  [
    'a child of whom nothing is written down',
    { byHand: true },
    [],
    /^There’s nothing written down for Caspian/,
    '/courses/c/new',
  ],
  [
    'a course written down without a score',
    { byHand: true },
    [course()],
    /^Caspian has 1 course and no grade yet\.$/,
    '/courses/c/b/write',
  ],
  [
    'courses without grades',
    {},
    [course(), course()],
    /^Caspian has 2 courses and no grade yet\.$/,
    '/alerts/rules',
  ],
  [
    'a new term',
    {},
    [
      course({
        ended: { title: 'First quarter' },
        nextDue: { title: 'Oar plan', dueAt: '2026-11-12T12:00:00Z' },
      }),
    ],
    /^A new term for Caspian: 1 course, nothing graded yet\. First due: Oar plan, Thu, Nov 12\.$/,
    '/work',
  ],
])('%s: what is so, and one step', (_name, more, courses, words, href) => {
  const begun = begunOf(t, format, { ...child, ...more }, { courses, read: false, may: true });
  expect(begun?.words).toMatch(words);
  expect(begun?.step?.href ?? null).toBe(href);
});

it('says nothing of a child with a grade', () =>
  expect(
    begunOf(t, format, child, {
      courses: [course(), course({ grade: { figure: null, letter: 'B' } })],
      read: true,
      may: true,
    }),
  ).toBeNull());

it('does not say that it is reading a school that it has read', () =>
  expect(begunOf(t, format, child, { courses: [], read: true, may: true })?.words).toMatch(
    /lists no courses/,
  ));

it('offers to write down to nobody who may only look', () =>
  expect(
    begunOf(t, format, { ...child, byHand: true }, { courses: [], read: false, may: false })?.step,
  ).toBeNull());
