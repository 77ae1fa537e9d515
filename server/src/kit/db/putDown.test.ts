import { PutDown } from './putDown';

const numbers = (from: number, to: number) =>
  Array.from({ length: to - from + 1 }, (_, index) => from + index);

it('puts down the first at once, and what comes meanwhile together', async () => {
  const put: number[][] = [];
  const down = new PutDown<number>(async (some) => void put.push([...some]));
  for (const one of numbers(1, 50)) down.add(one);
  expect(put).toEqual([[1]]);
  await down.done();
  expect(put).toEqual([[1], numbers(2, 50)]);
  down.add(51);
  await down.done();
  expect(put.at(-1)).toEqual([51]);
});

it('says what went wrong first when everything else is down', async () => {
  const put: number[] = [];
  const down = new PutDown<number>(async (some) => {
    if (some.includes(1)) throw new Error('the first');
    put.push(...some);
    if (some.includes(2)) throw new Error('another');
  });
  for (const one of numbers(1, 3)) down.add(one);
  await expect(down.done()).rejects.toThrow('the first');
  expect(put).toEqual([2, 3]);
});

it('has nothing to say where nothing came', async () => {
  await expect(new PutDown<number>(async () => undefined).done()).resolves.toBeUndefined();
});
