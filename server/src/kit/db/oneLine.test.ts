import { Socket } from 'node:net';
import { sendTogether, sharedBy } from './oneLine';

it('sends what is asked in one turn of the loop in one piece', async () => {
  const pieces: string[] = [];
  const stream = new Socket();
  stream._write = (chunk: Buffer, _, done) => (pieces.push(chunk.toString()), done());
  stream._writev = (chunks, done) => (pieces.push(chunks.map(({ chunk }) => String(chunk)).join('')), done());
  // Sockets that are not connected keep what they are given to themselves.
  Object.defineProperty(stream, 'connecting', { value: false });
  for (const asked of ['a', 'b', 'c']) {
    sendTogether({ connection: { stream } });
    stream.write(asked);
  }
  expect(pieces).toEqual([]);
  await new Promise(setImmediate);
  expect(pieces).toEqual(['abc']);
  sendTogether({ connection: { stream } });
  stream.write('d');
  await new Promise(setImmediate);
  expect(pieces).toEqual(['abc', 'd']);
});

it('is taken once by those who use it at the same time, and given back by the last of them', async () => {
  let taken = 0;
  const given: number[] = [];
  const line = sharedBy(
    () => Promise.resolve((taken += 1)),
    (back) => given.push(back),
  );
  const [one, other] = await Promise.all([line.take(), line.take()]);
  expect([one, other, taken]).toEqual([1, 1, 1]);
  line.give(one);
  expect(given).toEqual([]);
  line.give(other);
  expect(given).toEqual([1]);
  expect(await line.take()).toBe(2);
});

it('is asked for again after it could not be had, by whoever comes next', async () => {
  const tries: (() => Promise<string>)[] = [
    () => Promise.reject(new Error('none')),
    () => Promise.resolve('here'),
  ];
  const line = sharedBy(
    () => tries.shift()?.() ?? Promise.reject(new Error('no more')),
    () => undefined,
  );
  const both = await Promise.allSettled([line.take(), line.take()]);
  expect(both.map(({ status }) => status)).toEqual(['rejected', 'rejected']);
  expect(await line.take()).toBe('here');
});
