import { Turns } from './turns';

it('is done for each person one after the other, and refused when the line is full', async () => {
  const turns = new Turns();
  const running: string[] = [];
  let most = 0;
  const work = (who: string) =>
    turns.take(who, async () => {
      running.push(who);
      most = Math.max(most, running.filter((each) => each === who).length);
      await new Promise((done) => setImmediate(done));
      running.splice(running.indexOf(who), 1);
    });
  const settled = await Promise.allSettled([...Array<string>(40).fill('maren'), 'tobiah'].map(work));
  expect(settled.filter(({ status }) => status === 'fulfilled')).toHaveLength(4);
  expect(most).toBe(1);
  await work('maren');
});

it('gives the place of what nobody waits for any more to what is asked instead', async () => {
  const turns = new Turns();
  const done: string[] = [];
  let end: () => void = () => undefined;
  const first = turns.take('maren', () => new Promise<void>((ended) => (end = ended)));
  const ask = (name: string, until?: AbortSignal) =>
    turns.take('maren', async () => void done.push(name), until);
  const asked = Array.from({ length: 20 }, (_none, nth) => {
    const given = new AbortController();
    const answer = ask(`question ${nth}`, given.signal);
    given.abort();
    return answer;
  });
  const last = ask('the last one', new AbortController().signal);
  const beside = ask('one beside it');
  await expect(ask('one too many')).rejects.toMatchObject({ filledBy: 'one' });
  end();
  await Promise.all([first, last, beside]);
  expect((await Promise.allSettled(asked)).every(({ status }) => status === 'rejected')).toBe(true);
  expect(done).toEqual(['the last one', 'one beside it']);
  await expect(ask('given up before', AbortSignal.abort())).rejects.toMatchObject({ name: 'AbortError' });
  await ask('and again');
  expect(done).toHaveLength(3);
});
