import { localeOf, plainly } from './locale';

it.each([
  ['en', 'Mon, Oct 19, 3:30 PM', '2.5'],
  ['es', 'lun, 19 oct, 3:30 pm', '2.5'],
])('dates, times and figures in %s', (language, moment, figure) => {
  const written = new Intl.DateTimeFormat(localeOf(language), {
    ...{
      weekday: 'short',
      day: 'numeric',
      month: 'short',
      hour: 'numeric',
      minute: '2-digit',
      timeZone: 'UTC',
    },
  }).format(new Date('2026-10-19T15:30:00Z'));
  expect(plainly(written)).toBe(moment);
  expect(new Intl.NumberFormat(localeOf(language)).format(2.5)).toBe(figure);
});

it('a language that Cadro does not know is its own', () => expect(localeOf('pt')).toBe('pt'));

it.each([
  ['Mañana, 8:05 a.m.', 'Mañana, 8:05 am'],
  ['3:30\u202fp.\u00a0m.', '3:30 pm'],
  ['3:30\u202fPM', '3:30 PM'],
])('%s is written %s', (from, to) => expect(plainly(from)).toBe(to));
