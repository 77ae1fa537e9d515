import { i18next, makeFormat } from '../../i18n';
import { letterDraft } from './letterDraft';
import { startTexts } from '../../testing/texts';

startTexts('en');
const { t } = i18next;
const format = makeFormat('en', 'America/Halifax', '2026-10-21T19:40:00Z');
const write = (
  purpose: 'ahead' | 'explain' | 'object',
  lessons: Parameters<typeof letterDraft>[2]['lessons'],
  reason = '',
) =>
  letterDraft(t, format, {
    ...{ purpose, child: 'Isolde', guardian: 'Maren Aldervane', lessons, reason },
    opening: 'Dear Attendance desk,',
  });
const rowing = (on: string) => ({ on, period: '7', courseTitle: 'Rowing geometry' });

it('names the child, the days in their order, the lessons and the reason', () => {
  const { subject, text } = write('explain', [rowing('2026-10-20'), rowing('2026-10-19')], ' She rows. ');
  expect(subject).toBe('Isolde: absence on October 19 and October 20');
  expect(text.split('\n')).toEqual([
    ...['Dear Attendance desk,', '', 'Isolde was absent. The reason:'],
    ...['October 19: Rowing geometry', 'October 20: Rowing geometry', ''],
    ...['Reason: She rows.', '', 'Thank you, and best wishes', 'Maren Aldervane'],
  ]);
});

it('says the whole day for a whole day, and the period for a lesson without a name', () => {
  const { text } = write('ahead', [
    { on: '2026-10-28', period: null, courseTitle: null },
    { on: '2026-10-29', period: '3', courseTitle: null },
    { on: '2026-10-29', period: '4', courseTitle: 'Tide tables' },
  ]);
  expect(text).toContain('October 28: the whole day\nOctober 29: period 3 and Tide tables');
  expect(text).not.toContain('Reason');
});

it('says what is right where a mark looks wrong', () =>
  expect(write('object', [rowing('2026-10-19')], 'She was in class.').text).toContain(
    'What’s right: She was in class.',
  ));

it('has the year where it is another', () =>
  expect(write('ahead', [{ on: '2027-01-11', period: null, courseTitle: null }]).subject).toBe(
    'Isolde: absent January 11, 2027',
  ));
