/** What an address carries is taken off it when the app begins, and given out once. */
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
