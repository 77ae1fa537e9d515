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
