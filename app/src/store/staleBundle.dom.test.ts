import { isStale, reloadOnce } from './staleBundle';

const asyncRequire = Object.assign(new Error('x'), { name: 'AsyncRequireError' });

it.each<[unknown, boolean]>([
  [asyncRequire, true],
  [new Error('Loading module http://127.0.0.1/_expo/static/js/web/x.js failed.'), true],
  [new Error('Failed to fetch dynamically imported module'), true],
  [new Error('Cannot read properties of undefined'), false],
  ['Loading module', false],
])('knows code of a version that is gone: %s', (error, stale) => {
  expect(isStale(error)).toBe(stale);
});

it('loads the page anew once for each version', () => {
  const kept = new Map<string, string>();
  const storage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  };
  const reload = jest.fn();
  document.head.innerHTML = '<script src="/_expo/static/js/web/entry-1.js"></script>';
  expect([reloadOnce(storage, reload), reloadOnce(storage, reload)]).toEqual([true, false]);
  document.head.innerHTML = '<script src="/_expo/static/js/web/entry-2.js"></script>';
  expect(reloadOnce(storage, reload)).toBe(true);
  expect(reload).toHaveBeenCalledTimes(2);
  document.head.innerHTML = '<script src="/_expo/static/js/web/entry-3.js"></script>';
  expect(reloadOnce(storage, reload, false)).toBe(false);
  expect(reload).toHaveBeenCalledTimes(2);
});
