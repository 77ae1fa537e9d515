import { spawnSync } from 'node:child_process';
import { programArgs } from '../testing/programs';
import { tablesAlone } from '../testing/databases';

const whole = {
  DATABASE_URL: 'postgres://nobody@127.0.0.1:1/nothing',
  CADRO_SECRET: 'x'.repeat(32),
  SMTP_URL: 'smtp://127.0.0.1:1',
  CADRO_INBOUND_MAIL_KEY: 'k',
};

/** The program as it is started, in an environment of its own. */
function started(env: Readonly<Record<string, string>>) {
  const { status, stderr, stdout } = spawnSync(
    process.execPath,
    programArgs('server/src/main/start.ts', 'server/start.cjs'),
    { env: { PATH: process.env['PATH'] ?? '', ...env }, encoding: 'utf8', timeout: 60_000 },
  );
  return { status, said: `${stdout}${stderr}`.trim().split('\n') };
}
const without = (name: keyof typeof whole) =>
  Object.fromEntries(Object.entries(whole).filter(([key]) => key !== name));

it.each([
  ['no database is named', without('DATABASE_URL'), /^DATABASE_URL is not set/],
  [
    'the secret is too short',
    { ...whole, CADRO_SECRET: 'short' },
    /^CADRO_SECRET needs at least 32 characters$/,
  ],
  [
    'the port is none',
    { ...whole, CADRO_PORT: 'front door' },
    /^CADRO_PORT must be a number from 0 to 65535$/,
  ],
  ['the database is away', whole, /^DATABASE_URL: nothing listens at its address.*\(ECONNREFUSED\)$/],
])('where %s, one line says so and it ends', (_name, env, line) => {
  const { status, said } = started(env);
  expect(said).toEqual([expect.stringMatching(line)]);
  expect(status).toBe(1);
});

it('a database of a later version is left alone', async () => {
  const { url, db, drop } = await tablesAlone(1);
  try {
    await db('migrations').insert({ name: '999_later', batch: 9, migration_time: new Date(0) });
    const { status, said } = started({ ...whole, DATABASE_URL: url });
    expect(said).toEqual([
      'DATABASE_URL: this database has been migrated by a later version (999_later): start that version, or restore a backup from before',
    ]);
    expect(status).toBe(1);
  } finally {
    await drop();
  }
});
