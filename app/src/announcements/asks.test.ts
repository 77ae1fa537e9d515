import type { Announcement } from '@cadro/contract';
import { answerOf } from './answerDraft';
import { onShelf, waitsFor, worthALook } from './asks';

const announcement = (id: string, more: Partial<Announcement> = {}): Announcement => ({
  ...{ id, studentIds: ['isolde'], schoolName: 'Gannet Head', courseTitle: null, title: id, text: '' },
  ...{
    postedAt: '2026-10-20T12:00:00Z',
    takenBack: false,
    wish: { kind: 'nothing' },
    stated: true,
    by: null,
  },
  ...{ open: false, helpers: false, href: null, answerTo: null, parts: [], answers: [] },
  ...{ read: true, kept: false, archived: false },
  ...more,
});
const shown = new Set(['isolde', 'caspian']);
const answered = (studentId: string) => ({
  ...{ studentId, answer: { kind: 'yes-no', yes: true } as const, note: null, author: 'Tobiah', mine: false },
  ...{ at: '2026-10-20T18:00:00Z', version: 1, threadId: null, letter: null },
});

it('puts what waits for an answer first, helpers last, then what is new; nothing that is put away', () => {
  const wish = { kind: 'yes-no' } as const;
  const found = worthALook(
    [
      announcement('read'),
      announcement('new', { read: false }),
      announcement('helpers', { open: true, wish, by: '2026-10-22T12:00:00Z', helpers: true }),
      announcement('later', { open: true, wish, by: '2026-10-30T12:00:00Z' }),
      announcement('sooner', { open: true, wish, by: '2026-10-23T12:00:00Z', read: false }),
      announcement('answered', { open: true, wish, answers: [answered('isolde')] }),
      announcement('away', { open: true, wish, archived: true, read: false }),
      announcement('not ours', { studentIds: ['tamsin'], read: false }),
    ],
    shown,
  );
  expect(found.map(({ id }) => id)).toEqual(['sooner', 'later', 'helpers', 'new']);
});

it('waits until every child it is for has an answer', () => {
  const both = announcement('both', { open: true, studentIds: ['isolde', 'caspian'] });
  expect(waitsFor({ ...both, answers: [answered('isolde')] }, shown)).toBe(true);
  expect(waitsFor({ ...both, answers: [answered('isolde'), answered('caspian')] }, shown)).toBe(false);
  expect(waitsFor({ ...both, open: false }, shown)).toBe(false);
});

it.each([
  ['here', { kept: true }, true],
  ['here', { archived: true }, false],
  ['kept', { kept: true }, true],
  ['kept', { kept: true, archived: true }, false],
  ['kept', {}, false],
  ['away', { archived: true }, true],
] as const)('on the shelf %s stands %j: %s', (shelf, state, stands) =>
  expect(onShelf(shelf, announcement('a', state))).toBe(stands),
);

it.each<[Announcement['wish'], string, string, unknown]>([
  [{ kind: 'yes-no' }, '', '', null],
  [{ kind: 'yes-no' }, 'no', '', { kind: 'yes-no', yes: false }],
  [{ kind: 'choice', choices: ['a', 'b'] }, 'b', '', { kind: 'choice', choice: 'b' }],
  [{ kind: 'count', most: 8 }, '', '3', { kind: 'count', count: 3 }],
  [{ kind: 'count', most: 8 }, '', '9', null],
  [{ kind: 'count' }, '', 'many', null],
  [{ kind: 'count' }, '', '-1', null],
  [{ kind: 'line' }, '', '  ', null],
  [{ kind: 'line' }, '', ' Oar and sail ', { kind: 'line', line: 'Oar and sail' }],
  [{ kind: 'form' }, '', '', { kind: 'form' }],
  [{ kind: 'date' }, '', '', null],
])('%j answered by “%s” and “%s” is %j', (wish, picked, line, answer) =>
  expect(answerOf({ wish }, { picked, line })).toEqual(answer),
);
