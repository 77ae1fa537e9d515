import type { CourseDetail, FigureStep } from '@cadro/contract';
import { i18next, makeFormat } from '../i18n';
import { courseOnPage, openWith, questionLines } from './bring';
import { timesOf } from './times';
import { stateWords, whenWords, whereWords } from './words';
import { startTexts } from '../testing/texts';

startTexts('en');
const { t } = i18next;
const format = makeFormat('en', 'America/Halifax', '2026-10-21T19:40:00Z');

const step = (title: string, delta: number | null, at: string): FigureStep => ({
  ...{ itemId: title, title, possible: 20, at, delta, posted: 3, before: null },
  after: { status: 'scored', at: null, earned: 17, late: false, levels: {} },
});
const course = (more: object = {}): CourseDetail =>
  ({
    ...{ id: 'c', title: 'Boat-building', scale: { outOf: 4, decimals: 1 }, moved: [] },
    grade: { display: 3.1, decimals: 1, letter: null },
    figures: { ifLeft: 2.4, ifMadeUp: 3.3 },
    asOf: '2026-10-21T19:40:00Z',
    ...more,
  }) as unknown as CourseDetail; // what a page reads of a course

describe('a course on the page', () => {
  it('says how it stands and how far it can fall and rise', () => {
    expect(courseOnPage({ t, format }, course())).toMatchObject({
      ...{ title: 'Boat-building', figure: '3.1', span: '2.4 if left, 3.3 if made up' },
    });
  });

  it.each([
    ['nothing is open', { ifLeft: 3.1, ifMadeUp: 3.1 }],
    ['what is open changes nothing one sees', { ifLeft: 3.09, ifMadeUp: 3.12 }],
    ['there is no figure', { ifLeft: null, ifMadeUp: null }],
  ])('has no span where %s', (_name, figures) => {
    expect(courseOnPage({ t, format }, course({ figures })).span).toBe('');
  });

  it('names the three of its latest changes that moved it most, the latest first', () => {
    const moved = [
      step('Long ago', 0.9, '2026-09-10T12:00:00Z'),
      ...Array.from({ length: 16 }, (_, at) =>
        step(`Small ${at}`, 0.004, `2026-10-0${(at % 9) + 1}T12:00:00Z`),
      ),
      step('Oars', -0.3, '2026-10-12T12:00:00Z'),
      step('First', null, '2026-10-13T12:00:00Z'),
      step('Knots', 0.2, '2026-10-14T12:00:00Z'),
      step('Tar', 0.02, '2026-10-15T12:00:00Z'),
      step('Rope', 0.1, '2026-10-16T12:00:00Z'),
    ];
    expect(courseOnPage({ t, format }, course({ moved })).moved).toEqual([
      '“Rope” graded 17 of 20 (0.1 points up)',
      '“Knots” graded 17 of 20 (0.2 points up)',
      '“Oars” graded 17 of 20 (0.3 points down)',
    ]);
  });
});

const followUp = (id: string, courseId: string | null, more: object = {}) => ({
  ...{ id, studentId: 's', courseId, title: `Follow-up ${id}`, step: 'noticed' as const },
  ...more,
});
const all = [
  followUp('1', 'boats'),
  followUp('2', 'tides'),
  followUp('3', null),
  followUp('4', 'boats', { step: 'settled' }),
  followUp('5', 'boats', { studentId: 'other' }),
];

it.each([
  ['a teacher: about their courses', ['boats'], ['1']],
  ['somebody who teaches none: about no course', [], ['3']],
])('what is open with %s', (_name, courseIds, ids) => {
  const open = openWith(all, { studentId: 's', courseIds: new Set(courseIds) });
  expect(open.map(({ id }) => id)).toEqual(ids);
});

it('what is asked is what is open and what one wants to know, without what is left out', () => {
  const questions = [{ id: 'q-1', text: 'May he bring the oar home?' }];
  const waiting = followUp('1', 'boats', { step: 'waiting-on-school' });
  expect(
    questionLines({ t }, [waiting, followUp('2', 'boats')], { questions, hidden: ['follow-up:2'] }),
  ).toEqual([
    { id: 'follow-up:1', text: 'Follow-up 1: we’ve asked the school and are waiting' },
    { id: 'q-1', text: 'May he bring the oar home?', own: true },
  ]);
});

it.each([
  ['15:10', '15:30', { from: '15:10', to: '15:30' }],
  [' 8:05', '9:00 ', { from: '08:05', to: '09:00' }],
  ['15:30', '15:10', null],
  ['15:10', '15:10', null],
  ['24:00', '24:30', null],
  ['3', '4', null],
  ['', '', null],
])('%j to %j', (from, to, times) => expect(timesOf(from, to)).toEqual(times));

it('is said by the school’s clock, with its place, and what became of it', () => {
  const at = { startsAt: '2026-11-03T19:10:00Z', endsAt: '2026-11-03T19:30:00Z' };
  expect(whenWords(t, format, at)).toBe('Tue, Nov 3, 3:10 PM to 3:30 PM');
  expect(whereWords(t, { way: 'in-person', place: 'Boat shed' })).toBe('In person, Boat shed');
  expect(whereWords(t, { way: 'phone', place: null })).toBe('By phone');
  expect(stateWords(t, { state: 'called-off' })).toBe('The school canceled this one');
  expect(stateWords(t, { state: 'stands' })).toBe('');
});
