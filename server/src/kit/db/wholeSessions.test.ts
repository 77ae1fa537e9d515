import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { freshDatabase } from '../../testing/databases';
import { openClient } from './connections';
import { Listening } from './listening';
import { requireWholeSessions, SessionsNotKept } from './wholeSessions';

/* A real pooler between Cadro and PostgreSQL. */
let direct: URL;
let drop: () => Promise<void>;
let folder: string;
let pooler: ChildProcess | null = null;
beforeAll(async () => {
  const fresh = await freshDatabase();
  ({ drop } = fresh);
  direct = new URL(fresh.url);
  folder = mkdtempSync(join(tmpdir(), 'cadro-pooler-'));
  chmodSync(folder, 0o755);
});
afterEach(() => void pooler?.kill());
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true });
  await drop();
});

const isThere = async (url: string): Promise<boolean> => {
  const client = openClient(url);
  try {
    await client.connect();
    await client.query('select 1');
    return true;
  } catch {
    return false;
  } finally {
    await client.end().catch(() => undefined);
  }
};

/** Starts it on a port that nobody else has: one that is taken ends it, and another is tried. @returns the way through it. */
async function pooledBy(mode: string, size: number): Promise<string> {
  const name = direct.pathname.slice(1);
  for (let tries = 0; tries < 20; tries += 1) {
    const port = 20_000 + ((process.pid * 41 + tries * 911) % 20_000);
    const file = join(folder, 'pooler.ini');
    writeFileSync(
      file,
      `[databases]
${name} = host=127.0.0.1 port=${direct.port} user=${direct.username} password=${direct.password}
[pgbouncer]
listen_addr = 127.0.0.1
listen_port = ${port}
unix_socket_dir =
auth_type = any
pool_mode = ${mode}
default_pool_size = ${size}
`,
    );
    chmodSync(file, 0o644);
    // It does not run as root, as PostgreSQL does not.
    const asOther = process.getuid?.() === 0 ? ['-u', 'postgres'] : [];
    const started = spawn('/usr/sbin/pgbouncer', [...asOther, file], { stdio: 'ignore' });
    pooler = started;
    let ended = false;
    void once(started, 'exit').then(() => (ended = true));
    const url = `postgres://cadro@127.0.0.1:${port}/${name}`;
    for (let asked = 0; asked < 100 && !ended; asked += 1) {
      if (await isThere(url)) return url;
      await wait(50);
    }
    started.kill();
  }
  throw new Error('the pooler did not start');
}

it('is there to be tried', () => {
  expect(spawnSync('/usr/sbin/pgbouncer', ['--version']).status).toBe(0);
});

it.each([1, 5])(
  'one that lends out by transactions is named, with %i connections behind it',
  async (size) => {
    await expect(requireWholeSessions(await pooledBy('transaction', size))).rejects.toThrow(SessionsNotKept);
  },
);

it('one that keeps whole sessions is fine, and what is called out is heard through it', async () => {
  const url = await pooledBy('session', 5);
  await requireWholeSessions(url);
  const caller = openClient(direct.toString());
  await caller.connect();
  const nothing = () => undefined;
  let said: (payload: string) => void = nothing;
  const heard = new Promise<string>((resolve) => (said = resolve));
  const listening = new Listening(url, 'cadro_tried', { said, back: nothing, lost: nothing });
  await listening.begun();
  // It may be heard before the caller has its own answer, and a line that waits for one is not put down.
  await caller.query(`select pg_notify('cadro_tried', 'here')`);
  expect(await heard).toBe('here');
  await listening.close();
  await caller.end();
});

it('PostgreSQL itself is fine, and one that is away is asked later', async () => {
  await requireWholeSessions(direct.toString());
  await requireWholeSessions('postgres://cadro@127.0.0.1:1/none');
});
