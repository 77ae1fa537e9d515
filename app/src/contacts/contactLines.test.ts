import i18next from 'i18next';
import type { Contact } from '@cadro/contract';
import { startTexts } from '../testing/texts';
import { dutiesOf, reachOf } from './contactLines';

startTexts('en');
const contact = (more: Partial<Contact>): Contact => ({
  ...{ id: 'c', kind: 'teacher', name: 'Wren Thornwick', email: null, phone: null, room: null, hours: null },
  ...{ answersFor: null, language: null, courses: [] },
  ...more,
});

it.each([
  [
    'a teacher’s courses with when and where',
    { courses: [{ id: 'a', title: 'Boat-building', room: 'Boat shed', period: '1' }] },
    ['Boat-building · period 1 · Boat shed'],
  ],
  [
    'a room by its number',
    { courses: [{ id: 'a', title: 'Tides', room: '14', period: null }] },
    ['Tides · room 14'],
  ],
  ['what an office answers for', { kind: 'office' as const, answersFor: 'Forms, fees' }, ['Forms, fees']],
  ['nothing where nothing is said', {}, []],
])('says %s', (_name, more, lines) => expect(dutiesOf(i18next.t, contact(more))).toEqual(lines));

it('says every way to reach them, and the language they read in its own name', () => {
  const more = { email: 'r@m.example', phone: '+1 555', room: '9', hours: 'Mondays', language: 'es' };
  expect(reachOf(i18next.t, contact(more))).toEqual([
    ...['r@m.example', '+1 555', 'room 9', 'Mondays', 'Reads español'],
  ]);
  expect(reachOf(i18next.t, contact({}))).toEqual([]);
});
