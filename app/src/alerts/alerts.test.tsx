import { act, fireEvent, screen } from '@testing-library/react';
import type { Alert, AlertSettings, Delivery, Digest, Rehearsal } from '@cadro/contract';
import { presetRules, usualDelivery } from '@cadro/core';
import { i18next, makeFormat } from '../i18n';
import { store } from '../store';
import { show, signedInAs } from '../testing/show';
import { aGuardian } from '../testing/family';
import { AlertList } from './AlertList';
import { alertsApi } from './api';
import { DeliveryScreen } from './DeliveryScreen';
import { deliveryWords } from './deliveryWords';
import { DigestScreen } from './DigestScreen';
import { RehearsalLine, RehearsalView } from './rules/RehearsalView';
import { startTexts } from '../testing/texts';

startTexts('en');
const [child] = aGuardian().children;
const studentId = child?.id ?? '';
const name = child?.givenName ?? '';
const alert = (more: Partial<Alert> = {}): Alert => ({
  id: '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6',
  key: 'figure:a:b',
  kind: 'figure',
  studentId,
  courseId: 'c',
  courseTitle: 'Tide tables',
  state: 'open',
  raisedAt: '2026-10-14T19:40:00Z',
  newsAt: '2026-10-14T19:40:00Z',
  overAt: null,
  leading: ['fallen:1'],
  titled: [],
  silencedUntil: null,
  deliveries: [],
  reasons: [
    {
      ...{ id: 'fallen:1', at: '2026-10-14T15:00:00Z', sourceName: 'Gannet Head', about: 'figure' },
      ...{ rule: 'fallen', before: 88.8, since: '2026-10-12T18:00:00Z', now: 81.3, ifLeft: null },
      ...{ letterBefore: 'B', letterNow: 'B', limit: null, perWeek: null, outOf: 100, decimals: 1 },
      moved: [],
    },
  ],
  ...more,
});
const delivery = (more: Partial<Delivery> = {}): Delivery => ({
  ...{ id: '2d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6', channel: 'mail', about: 'alert', alertId: null },
  ...{ state: 'sent', at: '2026-10-21T19:00:00Z', notBefore: null, tries: 1, fault: null },
  ...more,
});
const settings = (more: Partial<AlertSettings> = {}): AlertSettings => ({
  rules: presetRules('usual'),
  preset: 'usual',
  delivery: usualDelivery('America/Halifax', 'en'),
  phoneConfirmed: null,
  email: 'maren@aldervane.example',
  mailStoppedAt: null,
  mailBouncedAt: null,
  textsOffered: true,
  devices: [],
  pushKey: 'key',
  arrivedUrl: null,
  silences: [],
  courses: [],
  deliveries: [],
  today: '2026-10-21',
  ...more,
});
const given = {
  alerts: (alerts: Alert[]) =>
    store.dispatch(
      alertsApi.util.upsertQueryData(
        'alerts',
        { state: 'open' },
        { alerts, counts: { open: alerts.length, read: 2, done: 3 } },
      ),
    ),
  none: (q: string) =>
    store.dispatch(
      alertsApi.util.upsertQueryData(
        'alerts',
        { state: 'open', q },
        { alerts: [], counts: { open: 0, read: 0, done: 0 } },
      ),
    ),
  mailBouncedAt: (mailBouncedAt: string | null) =>
    store.dispatch(
      alertsApi.util.upsertQueryData('alertCounts', undefined, { open: 0, read: 2, done: 3, mailBouncedAt }),
    ),
  settings: (more: Partial<AlertSettings> = {}) =>
    store.dispatch(alertsApi.util.upsertQueryData('alertSettings', undefined, settings(more))),
};

beforeAll(async () => {
  await signedInAs();
  await given.mailBouncedAt(null);
});

describe('the list', () => {
  it('says of each alert whose it is, what, and since when it is no longer so', async () => {
    await given.alerts([
      alert(),
      alert({ id: '3d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6', key: 'x', overAt: '2026-10-19T12:00:00Z' }),
    ]);
    show(<AlertList />);
    expect(screen.getAllByRole('listitem')).toHaveLength(2);
    expect(screen.getAllByText('Tide tables fell from 88.8 to 81.3')).toHaveLength(2);
    expect(screen.getByText('Over since Mon, Oct 19')).toBeTruthy();
    expect(screen.getByRole('radio', { name: 'Open (2)' })).toBeTruthy();
    expect(
      screen.getAllByRole('link', { name: new RegExp(`^${name} · Grades: Tide tables fell`) }),
    ).toHaveLength(2);
  });

  it('is whole again when the search is folded', async () => {
    await given.alerts([alert()]);
    await given.none('kelp');
    show(<AlertList />);
    fireEvent.click(screen.getByRole('button', { name: 'Search' }));
    fireEvent.change(screen.getByLabelText('Search alerts'), { target: { value: 'kelp' } });
    expect(screen.getByText('No alerts match.')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Search' }));
    expect(screen.queryByLabelText('Search alerts')).toBeNull();
    expect(screen.getAllByRole('listitem')).toHaveLength(1);
  });

  it('says that mail no longer comes through, until it does', async () => {
    const words = /^Mail to .*@.* came back, so we’ve stopped sending it\.$/;
    await given.alerts([alert()]);
    await given.mailBouncedAt('2026-10-20T12:00:00Z');
    const { unmount } = show(<AlertList />);
    expect(screen.getByText(words)).toBeTruthy();
    expect(screen.getAllByRole('link', { name: 'How to reach me' })).toHaveLength(2);
    unmount();
    await given.mailBouncedAt(null);
    show(<AlertList />);
    expect(screen.queryByText(words)).toBeNull();
  });

  it('says why it is empty', async () => {
    await given.alerts([]);
    show(<AlertList />);
    expect(screen.getByText(/^Nothing open\./)).toBeTruthy();
  });
});

describe('what became of a message', () => {
  const format = makeFormat('en', 'America/Halifax', '2026-10-21T19:40:00Z');
  it.each<[Partial<Delivery>, string]>([
    [{}, 'Mail: sent 4:00 PM'],
    [{ channel: 'text' }, 'Text message: sent 4:00 PM'],
    [{ state: 'waiting', notBefore: '2026-10-22T10:00:00Z' }, 'Mail: waiting until tomorrow, 7:00 AM'],
    [
      {
        ...{ state: 'waiting', notBefore: '2026-10-21T20:00:00Z', tries: 3 },
        fault: { reason: 'mail-away', status: null },
      },
      'Mail: not sent yet, the mail server couldn’t be reached; next try 5:00 PM',
    ],
    [
      { channel: 'text', state: 'failed', fault: { reason: 'text-answered', status: '500' } },
      'Text message: didn’t reach you, the text service answered 500',
    ],
    [
      { state: 'bounced', fault: { reason: 'mail-returned', status: '5.1.1' } },
      'Mail: came back, the mail server couldn’t deliver it (5.1.1)',
    ],
    [
      { state: 'dropped', fault: { reason: 'mail-stopped', status: null } },
      'Mail: not sent, you had stopped mail',
    ],
  ])('%j', (more, words) => expect(deliveryWords(i18next.t, format, delivery(more))).toBe(words));
});

describe('how it reaches one', () => {
  it('offers what can be set, and to keep it only once something has changed', async () => {
    await given.settings();
    show(<DeliveryScreen />);
    expect(screen.queryByRole('button', { name: 'Save these rules' })).toBeNull();
    fireEvent.click(screen.getByRole('radio', { name: 'Every day' }));
    expect(screen.queryByRole('radio', { name: 'Monday' })).toBeNull();
    expect(screen.getByRole('button', { name: 'Save these rules' })).toBeTruthy();
    fireEvent.click(screen.getByRole('radio', { name: 'Every week' }));
    for (const day of ['Monday', 'Saturday', 'Sunday'])
      expect(screen.getByRole('radio', { name: day })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Save these rules' })).toBeNull();
  });

  it('refuses a number and a zone that are none before it is sent', async () => {
    await given.settings();
    show(<DeliveryScreen />);
    fireEvent.change(screen.getByLabelText('Number for text messages'), { target: { value: '0170 1' } });
    expect(screen.getByText('A number starts with + and the country code.')).toBeTruthy();
    fireEvent.change(screen.getByLabelText('Your time zone'), { target: { value: 'Sea/Middle' } });
    expect(screen.getByText('There’s no such time zone.')).toBeTruthy();
  });

  it('says that mail came back, or was stopped, and offers it again', async () => {
    await given.settings({ mailBouncedAt: '2026-10-21T19:00:00Z' });
    const first = show(<DeliveryScreen />);
    expect(screen.getByText(/^Mail to maren@aldervane\.example came back,/)).toBeTruthy();
    first.unmount();
    await act(async () => {
      await given.settings({ mailStoppedAt: '2026-10-21T19:00:00Z', textsOffered: false });
    });
    show(<DeliveryScreen />);
    expect(screen.getByText('You’ve stopped all mail.')).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Send mail again' })).toBeTruthy();
    expect(screen.getByText('Text messages haven’t been set up here.')).toBeTruthy();
  });
});

describe('a rehearsal', () => {
  const telling = (day: number): Rehearsal['tellings'][number] => ({
    ...{ key: `k${day}`, kind: 'figure', studentId, again: false, rules: ['fallen'], inDigest: day === 1 },
    at: `2026-10-${String(day).padStart(2, '0')}T19:40:00Z`,
    headline: `Told on the ${day}.`,
  });
  const slide = (daysEarlier: number | null): Rehearsal['slides'][number] => ({
    ...{
      studentId,
      courseId: `c${daysEarlier}`,
      courseTitle: 'Tide tables',
      shownAt: '2026-10-14T19:40:00Z',
    },
    ...{ from: 88.8, to: 81.3, outOf: 100, decimals: 1, daysEarlier },
  });
  const answer: Rehearsal = {
    fromOn: '2026-09-07',
    toOn: '2026-10-21',
    lastMonth: 15,
    tellings: Array.from({ length: 15 }, (_, index) => telling(index + 1)),
    slides: [slide(3), slide(1), slide(0), slide(-2), slide(null)],
  };

  it('says how many, which, the latest first, and which falls it caught how early', () => {
    show(<RehearsalView answer={answer} />);
    expect(screen.getByText(/^15 this term, since September 7; 1 of them in the digest/)).toBeTruthy();
    for (const words of [
      /you’d have heard 3 days before the grade showed it/,
      /heard 1 day before/,
      /you’d have heard the day the grade showed it/,
      /you’d have heard 2 days later/,
      /: you wouldn’t have heard$/,
    ]) {
      expect(screen.getByText(words)).toBeTruthy();
    }
    const items = screen.getAllByRole('listitem');
    expect(items[0]?.textContent).toContain('Told on the 15.');
    expect(items).toHaveLength(12);
    fireEvent.click(screen.getByRole('button', { name: 'Show all 15' }));
    expect(screen.getAllByRole('listitem')).toHaveLength(15);
  });

  it.each([
    [{ answer: null, done: 0.5, failed: false }, 'Trying 50%'],
    [{ answer, done: 0.5, failed: false }, 'These rules would have sent you 15 alerts in the last 30 days.'],
    [
      { answer: { ...answer, lastMonth: 1 }, done: null, failed: false },
      'These rules would have sent you 1 alert in the last 30 days.',
    ],
    [
      { answer: { ...answer, lastMonth: 0 }, done: null, failed: false },
      'These rules would have sent you nothing in the last 30 days.',
    ],
    [{ answer, done: null, failed: true }, 'It couldn’t be tried just now.'],
  ])('%#', (trying, words) => {
    show(<RehearsalLine {...trying} />);
    expect(screen.getByText(words)).toBeTruthy();
  });
});

describe('the digest', () => {
  const part = (more: Partial<Digest['children'][number]> = {}): Digest['children'][number] => ({
    ...{ studentId, givenName: name, timeZone: 'America/Halifax', good: [], needs: [], before: [] },
    ...{ coming: { works: 0, big: [] }, changed: [], comments: [], more: 0 },
    attendance: { schoolDays: 5, daysMissed: 0, lessonsMissed: 0, unexplained: 0, late: 0 },
    ...more,
  });
  const digest = (children: Digest['children']): Digest => ({
    ...{ id: null, rhythm: 'weekly', fromOn: '2026-10-15', toOn: '2026-10-21' },
    madeAt: '2026-10-21T19:40:00Z',
    children,
  });
  const given = (children: Digest['children']) =>
    store.dispatch(alertsApi.util.upsertQueryData('digest', undefined, digest(children)));

  it('leads to what it says, and says what needs nobody', async () => {
    const { key, kind, courseId, courseTitle, reasons } = alert();
    await given([
      part({
        needs: [{ key, kind, studentId, courseId, courseTitle, reasons }],
        coming: {
          works: 3,
          big: [
            {
              ...{ itemId: 'i', courseId: 'c', courseTitle: 'Tide tables', title: 'Springs' },
              dueAt: '2026-10-23T02:59:00Z',
            },
          ],
        },
        changed: [
          { courseId: 'c', courseTitle: 'Tide tables', before: 88.8, now: 81.3, outOf: 100, decimals: 1 },
        ],
        more: 2,
      }),
    ]);
    show(<DigestScreen />);
    const link = screen.getByRole('link', { name: 'Tide tables fell from 88.8 to 81.3' });
    expect(link.getAttribute('href')).toBe(`/courses/${studentId}/c`);
    const test = screen.getByRole('link', { name: 'Thu, Oct 22: Springs (Tide tables)' });
    expect(test.getAttribute('href')).toBe(`/courses/${studentId}/c/i`);
    expect(screen.getByText('And 2 more.')).toBeTruthy();
    expect(screen.getByText('Tide tables: 88.8 → 81.3')).toBeTruthy();
    expect(screen.getByText('There on all 5 school days, on time.')).toBeTruthy();
    expect(screen.getByText('2 more in Cadro.')).toBeTruthy();
  });

  it('has one line when there is nothing', async () => {
    await given([part()]);
    show(<DigestScreen />);
    expect(screen.getByText('Nothing new, and nothing that needs you.')).toBeTruthy();
  });
});
