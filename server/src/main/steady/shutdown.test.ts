import type { ChildProcess } from 'node:child_process';
import { entryRoutes } from '@cadro/contract';
import { setTimeout as wait } from 'node:timers/promises';
import { cookieAt, startServer, type Running } from '../../testing/running';
import { World } from '../../testing/world';
import { note } from './note';

let world: World;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
});
const begun: ChildProcess[] = [];
afterAll(async () => {
  for (const child of begun) child.kill('SIGKILL');
  await world.stop();
});

async function started(): Promise<Running> {
  const running = await startServer(world);
  begun.push(running.process);
  return running;
}

it('answers every write it has taken, ends its streams first, and is gone within its time', async () => {
  const running = await started();
  const cookie = await cookieAt(running.url);
  const stream = await fetch(`${running.url}/api/alerts/live`, { headers: { cookie } });
  expect(stream.status).toBe(200);
  const streamed = stream.text();
  const write = async (title: string): Promise<'answered' | 'refused'> => {
    const answer = await fetch(`${running.url}${entryRoutes.create.path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify(note(title)),
    }).catch(() => null);
    return answer?.status === 201 ? 'answered' : 'refused';
  };
  const writes = Array.from({ length: 40 }, (_none, index) => write(`Under load ${index}`));
  await Promise.race(writes); // one has been answered, the others are under way
  running.process.kill('SIGTERM');
  const outcomes = await Promise.all(writes);
  const { code } = await running.ended;
  const kept = await world.db('calendar_entries').where('title', 'like', 'Under load%');
  expect(outcomes.filter((outcome) => outcome === 'answered')).toHaveLength(kept.length);
  expect(kept.length).toBeGreaterThan(1);
  // One that is late ends itself with another code.
  expect(code).toBe(0);
  expect(await streamed).toContain('retry:');
});

it('says that it is ending, and takes nobody new', async () => {
  const running = await started();
  await fetch(`${running.url}/readyz?for=requests`).then(({ status }) => expect(status).toBe(200));
  running.process.kill('SIGTERM');
  const { code } = await running.ended;
  expect(code).toBe(0);
  await wait(50);
  await expect(fetch(`${running.url}/healthz`)).rejects.toThrow();
});
