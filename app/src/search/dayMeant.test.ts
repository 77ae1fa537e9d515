import { dayMeant } from './dayMeant';

it.each([
  ['Oct 19', 'en', '2026-10-19'],
  ['October 19', 'en', '2026-10-19'],
  ['yesterday', 'en', '2026-10-20'],
  ['last friday', 'en', '2026-10-16'],
  ['2026-11-06', 'en', '2026-11-06'],
  ['19 de octubre', 'es', '2026-10-19'],
  ['ayer', 'es', '2026-10-20'],
] as const)('%s means a day', (words, language, on) =>
  expect(dayMeant(words, language, '2026-10-21')).toBe(on),
);

it.each(['Keel model', 'may', 'at 5 pm', 'quiz on friday in the hall', ''])('%s means none', (words) =>
  expect(dayMeant(words, 'en', '2026-10-21')).toBeNull(),
);
