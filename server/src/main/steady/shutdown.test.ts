import { spawn, type ChildProcess } from 'node:child_process';
import { entryRoutes, householdRoutes } from '@cadro/contract';
import { setTimeout as wait } from 'node:timers/promises';
import { programArgs } from '../../testing/programs';
import { password, sessionCookieOf, World } from '../../testing/world';
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

interface Running {
  readonly process: ChildProcess;
  readonly url: string;
  readonly ended: Promise<{ code: number | null; tookMs: number }>;
}

/** The server as it is started, at a port of the system's choice. */
async function started(): Promise<Running> {
  const { config } = world;
  const child = spawn(process.execPath, programArgs('server/src/main/server.ts', 'server/server.cjs'), {
    env: {
      ...process.env,
      DATABASE_URL: config.databaseUrl,
      CADRO_SECRET: config.secret,
      CADRO_PORT: '0',
      CADRO_LOG_LEVEL: 'info',
      SMTP_URL: config.smtpUrl,
      CADRO_INBOUND_MAIL_KEY: config.inboundMailKey,
      CADRO_PUBLIC_URL: config.publicUrl,
      CADRO_DEMO_SCHOOL_URL: config.demoSchoolUrl ?? '',
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  begun.push(child);
  const port = await new Promise<string>((done, fail) => {
    let said = '';
    child.stdout.on('data', (bytes: Buffer) => {
      said += bytes.toString();
      const [, found] = /"port":(\d+)[^\n]*"listening"/.exec(said) ?? [];
      if (found) done(found);
    });
    child.once('exit', () => fail(new Error(`it ended: ${said}`)));
  });
  const ended = new Promise<{ code: number | null; tookMs: number }>((done) => {
    let toldMs = 0;
    const kill = child.kill.bind(child);
    child.kill = (signal) => {
      toldMs = performance.now();
      return kill(signal);
    };
    child.once('exit', (code) => done({ code, tookMs: performance.now() - toldMs }));
  });
  return { process: child, url: `http://127.0.0.1:${port}`, ended };
}

async function cookieAt(url: string): Promise<string> {
  const answer = await fetch(`${url}${householdRoutes.signIn.path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: 'maren@test.example', password }),
  });
  expect(answer.status).toBe(200);
  return sessionCookieOf({ headers: { 'set-cookie': answer.headers.get('set-cookie') } });
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
  const writes = Array.from({ length: 60 }, (_none, index) => write(`Under load ${index}`));
  await Promise.race(writes); // one has been answered, the others are under way
  running.process.kill('SIGTERM');
  const outcomes = await Promise.all(writes);
  const { code, tookMs } = await running.ended;
  const kept = await world.db('calendar_entries').where('title', 'like', 'Under load%');
  expect(outcomes.filter((outcome) => outcome === 'answered')).toHaveLength(kept.length);
  expect(kept.length).toBeGreaterThan(1);
  expect([code, tookMs < 13_000]).toEqual([0, true]);
  expect(await streamed).toContain('retry:');
}, 60_000);

it('says that it is ending, and takes nobody new', async () => {
  const running = await started();
  await fetch(`${running.url}/readyz?for=requests`).then(({ status }) => expect(status).toBe(200));
  running.process.kill('SIGTERM');
  const { code } = await running.ended;
  expect(code).toBe(0);
  await wait(50);
  await expect(fetch(`${running.url}/healthz`)).rejects.toThrow();
}, 30_000);
