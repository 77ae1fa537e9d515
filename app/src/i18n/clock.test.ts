import { isTime, timeOf } from './clock';

it.each([
  ['', null],
  [' 8:05 ', '08:05'],
  ['08.05', '08:05'],
  ['17:30', '17:30'],
  ['5 pm', '17:00'],
  ['5:30 PM', '17:30'],
  ['5:30 p. m.', '17:30'],
  ['12 am', '00:00'],
  ['12:15 pm', '12:15'],
  ['noon', 'noon'],
  ['13 pm', '13 pm'],
  ['5', '5'],
])('%j is the time %j', (text, time) => expect(timeOf(text)).toBe(time));

it.each([
  ['00:00', true],
  ['23:59', true],
  ['24:00', false],
  ['8:05', false],
  [null, false],
])('%j stands on a clock: %s', (time, stands) => expect(isTime(time)).toBe(stands));
