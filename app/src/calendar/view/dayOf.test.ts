import type { CalendarEvent } from '@cadro/contract';
import { inSight, loadOf, parted } from './dayOf';

const event = (layer: CalendarEvent['layer'], more: Partial<CalendarEvent> = {}): CalendarEvent => ({
  ...{ key: layer, layer, studentIds: ['i'], title: layer, detail: null, on: '2026-10-22' },
  ...{
    lastOn: more.on ?? '2026-10-22',
    startsAt: null,
    endsAt: null,
    timeZone: 'America/Halifax',
    place: null,
  },
  ...{ href: null, settled: false, marks: null, link: null },
  ...more,
});
const away = { absent: 1, unexplained: 1, late: 0, trip: 0, wholeDay: false };

it('shows the chosen children and layers, and what is for everyone', () => {
  const events = [
    event('due'),
    event('due', { studentIds: ['c'] }),
    event('own', { studentIds: [] }),
    event('test'),
  ];
  expect(inSight(events, ['i'], ['test']).map(({ layer, studentIds }) => [layer, studentIds])).toEqual([
    ['due', ['i']],
    ['own', []],
  ]);
});

it('counts the open work of each child, and calls clusters out', () => {
  const events = [
    ...[event('due'), event('test'), event('due', { settled: true })],
    event('due', { studentIds: ['c'], on: '2026-10-23' }),
    event('attendance', { studentIds: ['c'], marks: away, settled: true }),
    event('own', { studentIds: [], on: '2026-10-20', lastOn: '2026-10-24' }),
    event('closed', { studentIds: ['p'] }),
  ];
  const clusters = [{ studentId: 'i', on: '2026-10-22', count: 2, tests: 1 }];
  expect(loadOf(events, clusters, ['i', 'c', 'p'], '2026-10-22')).toMatchObject({
    children: [
      { studentId: 'i', open: 2, tests: 1, cluster: true, away: null },
      { studentId: 'c', open: 0, cluster: false, away },
    ],
    others: [{ layer: 'own' }],
    closed: { layer: 'closed' },
  });
});

it('folds what is settled, but never an absence', () => {
  const { open, settled } = parted([
    event('due'),
    event('due', { key: 'done', settled: true }),
    event('attendance', { settled: true }),
  ]);
  expect(open.map(({ layer }) => layer)).toEqual(['due', 'attendance']);
  expect(settled.map(({ key }) => key)).toEqual(['done']);
});
