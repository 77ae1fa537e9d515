import { act, fireEvent, screen } from '@testing-library/react';
import { pageOfEvent, type Calendar, type CalendarEvent } from '@cadro/contract';
import { attendanceApi } from '../../attendance/api';
import { startTexts } from '../../testing/texts';
import { childChosen, layerSwitched, store } from '../../store';
import { show, signedInAs } from '../../testing/show';
import { DayEvents } from './DayEvents';
import { Layers } from './Layers';
import { MonthView } from './MonthView';
import { AgendaView } from './WeekView';

startTexts('en');
beforeEach(async () => {
  await signedInAs();
  await store.dispatch(
    attendanceApi.util.upsertQueryData('days', undefined, { today: '2026-10-21', children: [] }),
  );
  store.dispatch(childChosen(null));
});
const event = (title: string, more: Partial<CalendarEvent> = {}): CalendarEvent => ({
  ...{ key: title, layer: 'due', studentIds: ['i'], title, detail: null, on: '2026-10-22' },
  ...{ startsAt: null, endsAt: null, timeZone: 'America/Halifax', place: null, href: null },
  ...{ settled: false, marks: null, link: null },
  lastOn: more.on ?? '2026-10-22',
  ...more,
});
const calendar = (events: CalendarEvent[], more: Partial<Calendar> = {}): Calendar => ({
  ...{ from: '2026-09-28', to: '2026-11-01', today: '2026-10-21', events, clusters: [], undated: [] },
  ...more,
});
const away = { absent: 1, unexplained: 1, late: 0, trip: 0, wholeDay: false };

describe('a day', () => {
  const day = (events: CalendarEvent[], clusters: Calendar['clusters'] = []) =>
    show(<DayEvents on="2026-10-22" events={events} clusters={clusters} />);

  it('says whose, what, and where it leads', () => {
    day([
      event('Currents: quiz', {
        ...{ layer: 'test', detail: 'Rowing geometry', startsAt: '11:30' },
        link: { to: 'item', studentId: 'i', courseId: 'k', itemId: 'q' },
      }),
    ]);
    const link = screen.getByRole('link', {
      name: '11:30 AM, Isolde, Currents: quiz, Test · Rowing geometry',
    });
    expect(link.getAttribute('href')).toBe('/courses/i/k/q');
  });

  it('folds what is settled, and shows it at a touch', () => {
    day([event('Reading card', { settled: true }), event('Crossing card', { studentIds: ['c'] })]);
    expect(screen.queryByText('Reading card')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Show 1 settled' }));
    expect(screen.getByText('Reading card')).not.toBeNull();
  });

  it('calls out a day on which much comes together', () => {
    day([event('Quiz')], [{ studentId: 'i', on: '2026-10-22', count: 7, tests: 3 }]);
    expect(screen.getByText(/A heavy day for Isolde: 7 assignments, 3 tests among them/)).not.toBeNull();
  });

  it('says so when there is nothing, and offers to write something down', () => {
    day([]);
    expect(screen.getByText('Nothing on this day.')).not.toBeNull();
    expect(screen.getByRole('link', { name: 'Add something' })).not.toBeNull();
    expect(screen.getByRole('link', { name: 'Caspian’s classes' }).getAttribute('href')).toBe(
      '/days/c/2026-10-22',
    );
  });

  it('offers writing to nobody who may only look', async () => {
    await signedInAs('look-only');
    const own = event('Library books', { layer: 'own', link: { to: 'entry', entryId: 'e' } });
    day([own]);
    expect(screen.queryByRole('link', { name: 'Add something' })).toBeNull();
    expect(screen.queryByRole('checkbox')).toBeNull();
  });

  it('has a tick for what the family wrote itself', () => {
    day([event('Library books', { layer: 'own', link: { to: 'entry', entryId: 'e' } })]);
    expect(screen.getByRole('checkbox', { name: 'Library books: done' }).getAttribute('aria-checked')).toBe(
      'false',
    );
    expect(screen.getByRole('link', { name: /Library books/ }).getAttribute('href')).toBe(
      '/days/entries/e?on=2026-10-22',
    );
  });
});

describe('a full day on a narrow screen', () => {
  const events = [
    ...['Quiz', 'Worksheet', 'Reading'].map((title) => event(title)),
    event('Missed 1 class', { layer: 'attendance', marks: away, settled: true }),
    event('Map key', { studentIds: ['c'] }),
    event('Lamp night', { layer: 'school', studentIds: ['i', 'c'] }),
  ];

  it('stands child by child in few words, and says everything at a touch', () => {
    show(<DayEvents folded on="2026-10-22" events={events} clusters={[]} />);
    expect(screen.getByText('Lamp night')).not.toBeNull();
    expect(screen.queryByText('Quiz')).toBeNull();
    expect(screen.getByRole('button', { name: 'Caspian, 1 due' })).not.toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Isolde, 3 due · out' }));
    expect(screen.getByText('Quiz')).not.toBeNull();
    expect(screen.getByRole('link', { name: 'Isolde’s classes' })).not.toBeNull();
    expect(screen.queryByText('Map key')).toBeNull();
  });

  it('stands as it is where there is little, or one child', () => {
    show(<DayEvents folded on="2026-10-22" events={events.slice(2)} clusters={[]} />);
    expect(screen.getByText('Reading')).not.toBeNull();
  });
});

describe('a month', () => {
  const chosen: string[] = [];
  const month = (events: CalendarEvent[], more: Partial<Calendar> = {}) =>
    show(
      <MonthView
        month="2026-10"
        chosen="2026-10-21"
        calendar={calendar(events, more)}
        events={events}
        onChoose={(on) => chosen.push(on)}
      />,
    );

  it('says each day in words, from Monday to Sunday, with the days around', async () => {
    const events = [
      event('Quiz', { layer: 'test' }),
      event('Worksheet'),
      event('Card', { settled: true }),
      event('Absent from 1 lesson', { layer: 'attendance', studentIds: ['c'], marks: away, settled: true }),
      event('Rope fair', { layer: 'school', studentIds: ['c'] }),
      event('Lantern day', { layer: 'closed', on: '2026-10-30', studentIds: ['i', 'c'] }),
    ];
    await act(async () => void month(events));
    const days = screen.getAllByRole('button');
    expect(days).toHaveLength(35);
    expect(days[0]?.getAttribute('aria-label')).toBe('Monday, September 28');
    expect(days[24]?.getAttribute('aria-label')).toBe(
      'Thursday, October 22, Isolde: 2 assignments open, 1 test among them, Caspian absent or late, Rope fair',
    );
    expect(days[32]?.getAttribute('aria-label')).toBe('Friday, October 30, Lantern day');
  });

  it('marks today and the chosen day, and hands on which one is touched', () => {
    month([]);
    const today = screen.getByRole('button', { name: 'Wednesday, October 21' });
    expect(today.getAttribute('aria-current')).toBe('date');
    expect(today.getAttribute('aria-pressed')).toBe('true');
    fireEvent.click(screen.getByRole('button', { name: 'Thursday, October 29' }));
    expect(chosen).toEqual(['2026-10-29']);
  });

  it('counts a child’s open work, and nothing of the other when one is chosen', () => {
    store.dispatch(childChosen('c'));
    month([event('Quiz'), event('Map key', { studentIds: ['c'] })]);
    const day = screen.getByRole('button', { name: 'Thursday, October 22, Caspian: 1 assignment open' });
    expect(day.querySelectorAll('circle')).toHaveLength(1);
  });
});

it('the next weeks show only days on which something is open', () => {
  const events = [
    event('Quiz'),
    event('Card', { on: '2026-10-23', settled: true }),
    event('Trip', { on: '2026-10-26' }),
  ];
  show(<AgendaView calendar={calendar(events, { from: '2026-10-21', to: '2026-10-31' })} events={events} />);
  expect(screen.getAllByRole('heading').map(({ textContent }) => textContent)).toEqual([
    'Thursday, October 22',
    'Monday, October 26',
  ]);
});

it('layers are switched, and the choice is counted', () => {
  show(<Layers />);
  fireEvent.click(screen.getByRole('button', { name: 'Everything is shown' }));
  fireEvent.click(screen.getByRole('checkbox', { name: 'Due' }));
  expect(screen.getByRole('button', { name: '10 of 11 kinds are shown' })).not.toBeNull();
  expect(store.getState().prefs.hiddenLayers).toEqual(['due']);
  act(() => void store.dispatch(layerSwitched('due')));
});

it.each<[CalendarEvent['link'], string | null]>([
  [{ to: 'follow-up', followUpId: 'f' }, '/talk/follow-ups/f'],
  [{ to: 'day', studentId: 'i', on: '2026-10-19' }, '/days/i/2026-10-19'],
  [{ to: 'plan', studentId: 'i' }, '/work/plan?studentId=i'],
  [null, null],
])('%j leads to %s', (link, page) => expect(pageOfEvent(event('x', { link }))).toBe(page));
