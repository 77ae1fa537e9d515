/** @jest-environment node */
import { inTurn, ownSince, wentOn } from './turns';

/** A record that only takes a change made on its newest version, and answers as late as it is told to. */
function record() {
  const kept = { version: 1, said: [] as string[] };
  const say = async (words: string, after: Promise<void>) => {
    const { version } = kept;
    await after;
    if (version !== kept.version) throw new Error('somebody else has changed this');
    kept.version += 1;
    kept.said.push(words);
    return kept.version;
  };
  return { kept, say };
}
const later = (ms: number) => new Promise<void>((done) => setTimeout(done, ms));

it('a change waits for the one before it and is made on what that one left', async () => {
  const { kept, say } = record();
  const slow = inTurn('a meeting', () => say('first', later(20)));
  const quick = inTurn('a meeting', () => say('second', Promise.resolve()));
  expect(await Promise.all([slow, quick])).toEqual([2, 3]);
  expect(kept.said).toEqual(['first', 'second']);
});

it('one that fails holds up nothing, and things do not wait for each other', async () => {
  const { kept, say } = record();
  let free: () => void = () => undefined;
  const held = new Promise<void>((done) => (free = done));
  const other = inTurn('another', () => held);
  const fails = inTurn('a meeting', () => Promise.reject(new Error('no')));
  const goesOn = inTurn('a meeting', () => say('after it', Promise.resolve()));
  await expect(fails).rejects.toThrow('no');
  expect(await goesOn).toBe(2);
  expect(kept.said).toEqual(['after it']);
  free();
  await other;
});

it('what was begun earlier is made on what one has done oneself since, and not on what others have', () => {
  wentOn('a talk', 3, 4);
  wentOn('a talk', 4, 5);
  // Somebody else has made six of five.
  wentOn('a talk', 6, 7);
  wentOn('another talk', 5, 6);
  wentOn('a talk', 7, 7);
  expect([3, 4, 5, 6, 7, 9].map((version) => ownSince('a talk', version))).toEqual([5, 5, 5, 7, 7, 9]);
});
