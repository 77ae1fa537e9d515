import { screen } from '@testing-library/react';
import type { ChildDay, DayMark, LessonOfDay, TouchedWork } from '@cadro/contract';
import { startTexts } from '../../testing/texts';
import { show, signedInAs } from '../../testing/show';
import { Cost } from './Cost';
import { Events, Lessons } from './Lessons';
import { WithTheSchool } from './WithTheSchool';

/* One day of one child, with the odd days it must have words for. */
startTexts('en');
beforeEach(async () => void (await signedInAs()));

const mark = (kind: DayMark['kind'], more: Partial<DayMark> = {}): DayMark => ({
  ...{
    period: '7',
    courseId: 'r',
    courseTitle: 'Rowing geometry',
    code: 'U',
    kind,
    excused: false,
    label: null,
  },
  ...{ by: 'school', note: null, markedBy: null, instead: [] },
  ...more,
});
const lesson = (more: Partial<LessonOfDay> = {}): LessonOfDay => ({
  ...{ period: '7', startsAt: '14:40', endsAt: '15:30', courseId: 'r', courseTitle: 'Rowing geometry' },
  ...{ room: '12', teacher: { id: 't', name: 'Jory Sandhaven', contactable: true } },
  ...{ mark: null, done: null, homework: null, files: [] },
  ...more,
});
const work = (more: Partial<TouchedWork> = {}): TouchedWork => ({
  ...{
    itemId: 'w',
    courseId: 'r',
    courseTitle: 'Rowing geometry',
    title: 'Currents: worksheet',
    possible: 10,
  },
  ...{ assigned: false, due: true, dueAt: '2026-10-22T02:59:00Z', status: 'open', earned: null },
  ...{ kind: null, remarked: false, doubtful: false, open: true, deadline: null },
  ...more,
});
const day = (more: Partial<ChildDay> = {}): ChildDay => ({
  ...{ studentId: 'i', on: '2026-10-20', today: '2026-10-21', open: true, rotationDay: 'A', closedFor: null },
  ...{ dayMark: null, lessons: [], events: [], touched: [], inHand: [] },
  ...{ missed: { absent: 0, unexplained: 0, trip: 0 }, before: null, after: null, ahead: [] },
  desk: { id: 'd', name: 'Attendance desk', contactable: true },
  ...more,
});
const said = (words: RegExp | string) => screen.queryByText(words) !== null;

describe('the lessons', () => {
  it('say when, where, with whom, what was done and what was given', () => {
    show(
      <Lessons
        day={day({
          lessons: [lesson({ done: 'We drew currents.', homework: 'Page 12', mark: mark('present') })],
        })}
      />,
    );
    for (const words of [
      '2:40 PM–3:30 PM',
      'period 7',
      '12 · Jory Sandhaven',
      'Done: We drew currents.',
      'Homework: Page 12',
    ])
      expect(said(words)).toBe(true);
    // Who was there needs no word.
    expect(said('there')).toBe(false);
  });

  it.each<[string, LessonOfDay, string]>([
    ['absent, no reason given', lesson({ mark: mark('absent') }), '2026-10-20'],
    [
      'absent, explained · ferry late',
      lesson({ mark: mark('absent', { excused: true, note: 'ferry late' }) }),
      '2026-10-20',
    ],
    ['came in late · was “U” before', lesson({ mark: mark('tardy', { instead: ['U'] }) }), '2026-10-20'],
    ['on a trip · from your own file', lesson({ mark: mark('activity', { by: 'household' }) }), '2026-10-20'],
    ['not taken yet', lesson(), '2026-10-21'],
  ])('say: %s', (words, one, on) => {
    show(<Lessons day={day({ on, lessons: [one] })} />);
    expect(said(words)).toBe(true);
  });

  it.each<[string, Partial<ChildDay>, string | null]>([
    ['nothing of a lesson that is still to come', { on: '2026-10-22', lessons: [lesson()] }, null],
    ['that nothing is planned', {}, 'No classes are planned.'],
    [
      'what the calendar leaves open',
      { open: null },
      'The school’s calendar doesn’t say whether there’s school.',
    ],
    [
      'a day that is marked as a whole',
      { dayMark: mark('absent', { excused: true }) },
      'The whole day: absent, explained.',
    ],
  ])('say %s', (_name, more, words) => {
    show(<Lessons day={day(more)} />);
    expect(said('not taken yet')).toBe(false);
    if (words) expect(said(words)).toBe(true);
  });

  it('are none on a day without school', () => {
    const { container } = show(<Lessons day={day({ open: false })} />);
    expect(container.textContent).toBe('');
  });
});

it('what is on has its kind, its time and its door', () => {
  show(
    <Events
      day={day({
        events: [
          {
            ...{
              kind: 'live-lesson',
              title: 'Seeing through fog',
              courseTitle: 'Lighthouse optics',
              place: null,
            },
            ...{
              on: '2026-10-22',
              lastOn: '2026-10-22',
              startsAt: '16:30',
              endsAt: '17:10',
              href: '/files/fog.txt',
            },
          },
        ],
      })}
    />,
  );
  expect(said('online class · 4:30 PM–5:10 PM · Lighthouse optics')).toBe(true);
  expect(screen.getByRole('link', { name: /Open the online class/ }).getAttribute('href')).toBe(
    '/files/fog.txt',
  );
});

describe('what it cost', () => {
  const missed = { absent: 1, unexplained: 1, trip: 0 };
  const lessons = [lesson({ mark: mark('absent') })];

  it('is nothing when nothing was missed', () => {
    expect(show(<Cost day={day()} />).container.textContent).toBe('');
  });

  it('names the lesson, the work with its state, and offers to catch up', () => {
    show(<Cost day={day({ missed, lessons, touched: [work()] })} />);
    expect(said('1 class missed: Rowing geometry.')).toBe(true);
    const link = screen.getByRole('link', {
      name: /^Currents: worksheet\. Rowing geometry\. due that day\. /,
    });
    expect(link.getAttribute('href')).toBe('/courses/i/r/w');
    expect(screen.queryByRole('button', { name: 'Make a plan to catch up (1 assignment)' })).not.toBeNull();
  });

  it('counts a trip as one, with the lessons it took', () => {
    const trip = [
      lesson({ mark: mark('activity') }),
      lesson({ period: '6', courseTitle: 'Letters', mark: mark('activity') }),
    ];
    show(<Cost day={day({ missed: { absent: 0, unexplained: 0, trip: 2 }, lessons: trip })} />);
    expect(said('The trip took up 2 classes: Rowing geometry and Letters.')).toBe(true);
    expect(said('No assignments were given or due in them.')).toBe(true);
  });

  it('says so when all of it is in', () => {
    show(
      <Cost day={day({ missed, lessons, touched: [work({ status: 'scored', earned: 9, open: false })] })} />,
    );
    expect(said('9 of 10')).toBe(true);
    expect(said('Everything is turned in.')).toBe(true);
    expect(screen.queryByRole('button')).toBeNull();
  });

  it.each<[string, Partial<ChildDay>, 'look-only' | undefined]>([
    [
      'is in hand already',
      { inHand: [{ followUpId: 'f', title: 'Catch up', purpose: 'catch-up', open: true, lessons: [] }] },
      undefined,
    ],
    ['is only looked at', {}, 'look-only'],
  ])('offers no catching up when it %s', async (_name, more, role) => {
    await signedInAs(role);
    show(<Cost day={day({ missed, lessons, touched: [work()], ...more })} />);
    expect(screen.queryByRole('button')).toBeNull();
  });
});

describe('with the school', () => {
  const links = () => screen.queryAllByRole('link').map(({ textContent }) => textContent);
  const absent = {
    lessons: [lesson({ mark: mark('absent') })],
    missed: { absent: 1, unexplained: 1, trip: 0 },
  };
  const explained = { followUpId: 'f', title: 'Isolde: absence', purpose: 'explain' as const, lessons: [] };
  it.each<[string, Partial<ChildDay>, string[]]>([
    ['a mark without a reason', absent, ['Explain the absence', 'Attendance looks wrong']],
    [
      'an explained one',
      { lessons: [lesson({ mark: mark('absent', { excused: true }) })] },
      ['Attendance looks wrong'],
    ],
    ['a day to come', { on: '2026-10-28', lessons: [lesson()] }, ['Report an absence in advance']],
    ['a day gone by without marks', { lessons: [lesson()] }, []],
    ['a day without school', { open: false }, []],
    ['a school without a desk', { ...absent, desk: null }, []],
  ])('%s', (_name, more, expected) => {
    show(<WithTheSchool day={day(more)} />);
    expect(links()).toEqual(expected);
  });

  it('what is in hand leads there, and is not asked for twice', () => {
    show(<WithTheSchool day={day({ ...absent, inHand: [{ ...explained, open: true }] })} />);
    expect(screen.getByRole('link', { name: 'Isolde: absence. open' }).getAttribute('href')).toBe(
      '/talk/follow-ups/f',
    );
    expect(links()).not.toContain('Explain the absence');
  });

  it('shows who may only look what has come of it, and nothing to write', async () => {
    await signedInAs('look-only');
    show(<WithTheSchool day={day({ ...absent, inHand: [{ ...explained, open: false }] })} />);
    expect(screen.getAllByRole('link')).toHaveLength(1);
    expect(said('settled')).toBe(true);
  });
});
