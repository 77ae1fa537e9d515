import fc from 'fast-check';
import { checked, handing, type Held } from './handing';

const mine: Held = {
  ...{ kind: 'guardian', ownerId: 'maren', askedBy: null, askedState: null, askedWord: null },
};
const asked: Held = {
  ...mine,
  ownerId: 'tobiah',
  askedBy: 'maren',
  askedState: 'asked',
  askedWord: 'Could you?',
};
const maren = { me: 'maren', others: ['tobiah'] };
const tobiah = { me: 'tobiah', others: ['maren'] };

it.each<[string, Held, Parameters<typeof handing>[1], typeof maren, unknown]>([
  ['nothing of it', mine, { note: 'He is on it.' }, maren, null],
  [
    'to the other, with a word',
    mine,
    { handTo: { kind: 'guardian', id: 'tobiah' }, note: 'Could you?' },
    maren,
    asked,
  ],
  [
    'to everyone',
    asked,
    { handTo: { kind: 'everyone' } },
    maren,
    { ...mine, kind: 'everyone', ownerId: null },
  ],
  ['to the child', mine, { handTo: { kind: 'child' } }, maren, { ...mine, kind: 'child', ownerId: null }],
  ['to oneself', asked, { handTo: { kind: 'guardian', id: 'maren' } }, maren, mine],
  ['a yes', asked, { reply: 'accept' }, tobiah, { ...asked, askedState: 'accepted' }],
  ['back', asked, { reply: 'return', note: 'Not this week.' }, tobiah, mine],
])('hands over: %s', (_name, held, change, who, after) => {
  const done = handing(held, change, who);
  expect(done && 'held' in done ? done.held : done).toEqual(after);
});

it.each<[string, Held, Parameters<typeof handing>[1], typeof maren, string]>([
  ['a stranger', mine, { handTo: { kind: 'guardian', id: 'wren' } }, maren, 'handTo'],
  ['a yes of who was not asked', asked, { reply: 'accept' }, maren, 'reply'],
  ['a second yes', { ...asked, askedState: 'accepted' }, { reply: 'accept' }, tobiah, 'reply'],
  ['a yes to nothing', mine, { reply: 'accept' }, maren, 'reply'],
  ['both at once', asked, { reply: 'accept', handTo: { kind: 'everyone' } }, tobiah, 'reply'],
])('is refused: %s', (_name, held, change, who, fault) =>
  expect(handing(held, change, who)).toEqual({ fault }),
);

it('keeps who ticked what, and tells what was ticked just now', () => {
  const before = [
    { id: 'a', text: 'Find the log', done: true, by: 'Maren' },
    { id: 'b', text: 'Pack it', done: false, by: null },
    { id: 'c', text: 'Ask Wren', done: true, by: 'Maren' },
  ];
  const wanted = [
    { id: 'b', text: 'Pack it', done: true },
    { id: 'a', text: 'Find the log book', done: true },
    { id: 'c', text: 'Ask Wren', done: false },
    { id: 'd', text: 'Glue', done: false },
  ];
  expect(checked(before, wanted, 'Tobiah')).toEqual({
    list: [
      { id: 'b', text: 'Pack it', done: true, by: 'Tobiah' },
      { id: 'a', text: 'Find the log book', done: true, by: 'Maren' },
      { id: 'c', text: 'Ask Wren', done: false, by: null },
      { id: 'd', text: 'Glue', done: false, by: null },
    ],
    ticked: ['Pack it'],
  });
});

it('loses nothing and ticks nothing by itself', () => {
  const check = fc.record({ id: fc.uuid(), text: fc.string({ minLength: 1 }), done: fc.boolean() });
  fc.assert(
    fc.property(fc.uniqueArray(check, { selector: ({ id }) => id }), (wanted) => {
      const { list } = checked([], wanted, 'Maren');
      expect(list.map(({ id, text, done }) => ({ id, text, done }))).toEqual(wanted);
      expect(checked(list, wanted, 'Tobiah')).toEqual({ list, ticked: [] });
    }),
  );
});
