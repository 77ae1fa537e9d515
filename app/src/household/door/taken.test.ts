/** What an address carries is taken off it when the app begins, and whenever another is pasted; and given out once. */
import type * as Taken from './taken';

const begun = (address: string): typeof Taken => {
  window.history.replaceState(null, '', address);
  let taken: typeof Taken | undefined;
  // eslint-disable-next-line @typescript-eslint/no-require-imports -- the module looks at the address as it is loaded
  jest.isolateModules(() => (taken = require('./taken') as typeof Taken));
  if (!taken) throw new Error('not loaded');
  return taken;
};
const address = () => window.location.href.slice(window.location.origin.length);

// First: each time the module is loaded there is one more that hears of an address.
it('takes what is pasted while the page is open, and keeps it where nobody waits for it', () => {
  const { giveTaken, onTaken } = begun('/new');
  const told: string[] = [];
  const stop = onTaken((text) => told.push(text));
  const paste = (text: string) => {
    window.history.replaceState(null, '', `/new${text}`);
    window.dispatchEvent(new Event('popstate'));
  };
  paste('#C8SN');
  expect(address()).toBe('/new');
  paste('');
  expect([told, giveTaken()]).toEqual([['C8SN'], '']);
  stop();
  paste('#3QPT');
  expect(told).toEqual(['C8SN']);
  // Between the moment in which a page is drawn and the one in which it listens.
  onTaken((text) => told.push(text));
  expect([told, giveTaken()]).toEqual([['C8SN', '3QPT'], '']);
});

it.each([
  ['a code', '/new#3QPT-7K9M', '3QPT-7K9M', '/new'],
  ['what is written with signs', '/confirm?from=mail#a%20b', 'a b', '/confirm?from=mail'],
  ['what is no writing of ours', '/new#100%', '100%', '/new'],
  ['nothing', '/brief', '', '/brief'],
])('takes %s', (_what, from, text, left) => {
  const { giveTaken } = begun(from);
  expect(address()).toBe(left);
  expect([giveTaken(), giveTaken()]).toEqual([text, '']);
});
