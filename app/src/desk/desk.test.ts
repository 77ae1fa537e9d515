import type { AskedAnswer, FollowUpEntry } from '@cadro/contract';
import { entryWords } from '../followups/entryWords';
import { i18next } from '../i18n';
import { aRow } from '../testing/works';
import { dueSoon, stillWorth } from './arrange';
import { startTexts } from '../testing/texts';

startTexts('en');

describe('the desk', () => {
  const coming = { group: 'coming', kind: null, recoverable: false } as const;
  const asked = (answer: AskedAnswer) => ({ asked: { answer, on: '2026-10-21' } });

  it('has what is due and has a day, but not what the child has turned in', () => {
    const rows = [
      aRow({ ...coming, itemId: 'tomorrow' }),
      aRow({ ...coming, itemId: 'done', ...asked('handed-in') }),
      aRow({ ...coming, itemId: 'begun', ...asked('begun') }),
      aRow({ ...coming, itemId: 'some day', dueAt: null }),
      aRow({ itemId: 'missing' }),
    ];
    expect(dueSoon(rows).map(({ itemId }) => itemId)).toEqual(['tomorrow', 'begun']);
  });

  it('has of what is open only what can still be made up, in the order of Work', () => {
    const rows = [
      aRow({ itemId: 'most' }),
      aRow({ itemId: 'closed', recoverable: false }),
      aRow({ itemId: 'in doubt', group: 'doubtful', doubt: 'doubtful' }),
      aRow({ itemId: 'with the teacher', group: 'waiting' }),
      aRow({ ...coming, itemId: 'tomorrow' }),
    ];
    expect(stillWorth(rows).map(({ itemId }) => itemId)).toEqual(['most', 'in doubt']);
  });
});

it.each<[AskedAnswer, string]>([
  ['handed-in', 'Isolde says it’s been turned in'],
  ['at-home', 'Isolde says it’s still on the desk'],
  ['begun', 'Isolde says it’s been started'],
  ['not-begun', 'Isolde says it hasn’t been started'],
  ['unclear', 'Isolde says it isn’t clear what to do'],
])('what the child says of its work is a sentence in the follow-up: %s', (answer, words) => {
  const entry: FollowUpEntry = {
    ...{ id: 'asked-1', kind: 'asked', at: '2026-10-21T19:40:00Z', author: 'Isolde' },
    ...{ step: null, lookAgainOn: null, text: null, to: null, answer },
  };
  expect(entryWords(i18next.t, entry, '')).toBe(words);
});
