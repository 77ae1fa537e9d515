/** @jest-environment node */
import { inTurn } from './turns';

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
