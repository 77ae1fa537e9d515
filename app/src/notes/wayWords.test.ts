import i18next from 'i18next';
import type { TeacherWays } from '@cadro/contract';
import { startTexts } from '../testing/texts';
import { wayWords } from './wayWords';

startTexts('en');
const ways = (more: Partial<TeacherWays> = {}): TeacherWays => ({
  ...{ assignments: 12, dueWeekday: null, place: null, gradedDays: null, answeredDays: null, letters: 0 },
  ...more,
});

it.each([
  ['organises', ways({ dueWeekday: { weekday: 5, count: 9 } }), /due on a Friday \(9 of 12 assignments\)\.$/],
  ['organises', ways({ gradedDays: 1 }), /graded within 1 school day of the due date\.$/],
  ['lives', ways({ place: { name: 'Blue tray', count: 8 } }), /^Blue tray \(8 of 12 assignments\)$/],
  ['replies', ways({ answeredDays: 2, letters: 3 }), /within 2 school days/],
  ['replies', ways({ letters: 1 }), /^Hasn’t answered your 1 letter yet\.$/],
] as const)('of %s', (aspect, given, said) => expect(wayWords(i18next.t, aspect, given)).toMatch(said));

it.each(['organises', 'lives', 'replies'] as const)('says nothing of %s that nothing speaks for', (aspect) =>
  expect(wayWords(i18next.t, aspect, ways())).toBeNull(),
);
