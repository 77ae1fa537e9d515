import { spawn, type ChildProcess } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { setTimeout as wait } from 'node:timers/promises';
import { alertRoutes } from '@cadro/contract';
import { createTransport } from 'nodemailer';
import type { Agent } from 'supertest';
import { deliver } from '../../alerts';
import { MailServer } from '../../testing/mailServer';
import { programArgs } from '../../testing/programs';
import { World } from '../../testing/world';

/* As in operation: a real mail server, whose certificate nobody knows at first. */
let world: World;
let maren: Agent;
let server: MailServer;
const begun: ChildProcess[] = [];
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
  maren = await world.signedIn('maren');
  server = await MailServer.start();
});
afterAll(async () => {
  for (const each of begun) each.kill('SIGKILL');
  await server.stop();
  await world.stop();
});

/** The worker as it is started, until its log says something. @returns what it has said. */
async function workerUntil(says: RegExp | null, env: Record<string, string>): Promise<() => string> {
  const { config } = world;
  const child = spawn(process.execPath, programArgs('server/src/main/worker.ts', 'server/worker.cjs'), {
    env: {
      ...process.env,
      ...{
        DATABASE_URL: config.databaseUrl,
        CADRO_SECRET: config.secret,
        CADRO_PUBLIC_URL: config.publicUrl,
      },
      ...{ CADRO_LOG_LEVEL: 'info', CADRO_DEMO_SCHOOL_URL: config.demoSchoolUrl ?? '' },
      ...{ CADRO_INBOUND_MAIL_KEY: config.inboundMailKey, SMTP_URL: `smtp://127.0.0.1:${server.port}` },
      ...env,
    },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  begun.push(child);
  let said = '';
  child.stdout.on('data', (bytes: Buffer) => (said += bytes.toString()));
  while (says && !says.test(said)) {
    if (child.exitCode !== null) throw new Error(`the worker ended: ${said}`);
    await wait(50);
  }
  return () => said;
}
async function ends(): Promise<void> {
  for (const child of begun.splice(0)) {
    child.kill('SIGTERM');
    while (child.exitCode === null && child.signalCode === null) await wait(20);
  }
}
/** A mail that only tries the way. @returns its id. */
const tried = async (): Promise<string> =>
  (await maren.post(alertRoutes.test.path).send({ channel: 'mail' }).expect(202)).body.id;
const stateOf = (id: string) => world.db('deliveries').where({ id }).first('state', 'fault', 'not_before');

it('whose certificate nobody knows gets no mail, and the log says what to set; then it gets it', async () => {
  const first = await tried();
  const said = await workerUntil(/takes no mail/, {});
  expect(said()).toMatch(/its certificate is not trusted; give NODE_EXTRA_CA_CERTS/);
  await ends();
  expect(await stateOf(first)).toMatchObject({ state: 'waiting', fault: { reason: 'mail-away' } });
  await tried();
  await workerUntil(null, { NODE_EXTRA_CA_CERTS: server.certificate });
  const mail = await server.brought(/^To: .*maren@test\.example/m);
  await ends();
  expect(mail).toContain('with esmtps');
  expect(mail).toMatch(/^Auto-Submitted: auto-generated\r?$/m);
  expect(mail).toMatch(/^List-Unsubscribe:\s*</m);
});

describe('what it says of a receiver', () => {
  const transport = () =>
    createTransport({
      ...{ host: '127.0.0.1', port: server.port, tls: { ca: readFileSync(server.certificate) } },
    });
  const send = async (to: string, id?: string) => {
    await world.db('guardians').where({ id: guardianId }).update({ email: to });
    await world.db('alert_settings').update({ mail_bounced_at: null });
    const { db, clock, config } = world;
    const delivery = id ?? (await putOne());
    await deliver({ db, clock, config, transport: transport() }, [delivery]);
    return delivery;
  };
  let guardianId = '';
  let keys = 0;
  /** Something that waits to go out. */
  const putOne = async (): Promise<string> => {
    const [row] = await world
      .db('deliveries')
      .insert({
        ...{ guardian_id: guardianId, channel: 'mail', about: 'test', state: 'waiting', told: '[]' },
        ...{ key: `server:${(keys += 1)}`, at: await world.clock.now(), made_at: await world.clock.now() },
      })
      .returning<{ id: string }[]>('id');
    return row?.id ?? '';
  };
  beforeAll(async () => {
    guardianId = await world.personId('maren');
  });

  it.each([
    ['that there is none', 'gone@test.example', 'bounced', '5.1.1', true],
    ['that the mailbox is full', 'full@test.example', 'failed', '5.2.2', false],
  ])('%s', async (_what, to, state, status, stopped) => {
    const id = await send(to);
    expect(await stateOf(id)).toMatchObject({ state, fault: { reason: 'mail-refused', status } });
    const { mail_bounced_at } = (await world
      .db('alert_settings')
      .where({ guardian_id: guardianId })
      .first<{ mail_bounced_at: Date | null } | undefined>('mail_bounced_at')) ?? { mail_bounced_at: null };
    expect(mail_bounced_at !== null).toBe(stopped);
  });

  it('that it shall come again: it does, and is taken', async () => {
    const id = await send('grey@test.example');
    const waits = await stateOf(id);
    expect(waits).toMatchObject({ state: 'waiting', fault: { reason: 'mail-answered', status: '451' } });
    expect(waits.not_before.getTime()).toBeGreaterThan((await world.clock.now()).getTime());
    server.knowSender();
    await send('grey@test.example', id);
    expect(await stateOf(id)).toMatchObject({ state: 'sent', fault: null });
    await server.brought(/^To: .*grey@test\.example/m);
  });

  it('later, in a mail of its own: the address is dead', async () => {
    const id = await send('later@remote.example');
    expect(await stateOf(id)).toMatchObject({ state: 'sent' });
    const bounce = await server.brought(/^Diagnostic-Code:/m);
    expect(bounce).toMatch(/^Status: 5\.0\.0\r?$/m);
    expect(bounce).toMatch(/^Diagnostic-Code: smtp; 550.5\.1\.1 no such user/m);
    await world.nobody
      .post('/api/inbound-mail')
      .set('authorization', `Bearer ${world.config.inboundMailKey}`)
      .type('message/rfc822')
      .send(bounce)
      .expect(202);
    expect(await stateOf(id)).toMatchObject({ state: 'bounced', fault: { reason: 'mail-returned' } });
  });
});
