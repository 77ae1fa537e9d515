import { chmodSync, copyFileSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Cluster, requireFolder } from './lib/postgres.mjs';
import { prepared, startPrepared, storySecret as secret } from './lib/prepared.mjs';
import { signIn } from './lib/signIn.mjs';
import { startStack } from './lib/stack.mjs';
import { endCommands, step, StepError, workFolder } from './lib/steps.mjs';

/*
 * Does what docs/operations.md says of backups, with the story in the database: restores a dump on another cluster as a
 * role that is nobody there, and a base backup with its log up to a point in time; then looks whether all of it is there,
 * and whether Cadro runs on it.
 */
const folder = join(workFolder, `backup-${process.pid}`);
const plain = { name: 'family', password: 'harbour-and-rope' };
const clusters = [];
let stack;

function newCluster(name, settings = []) {
  const cluster = new Cluster(join(folder, name), { durable: false, settings });
  clusters.push(cluster);
  return cluster;
}

/** Every table of Cadro's and of its queue, with how many rows it has and what they come to. */
const contents = (cluster, database) =>
  cluster.query(
    `select string_agg(format('%s.%s %s', n.nspname, c.relname, x.said), chr(10) order by n.nspname, c.relname)
     from pg_class c join pg_namespace n on n.oid = c.relnamespace
     cross join lateral (select (xpath('/row/said/text()', query_to_xml(format(
       'select count(*) || '' '' || coalesce(sum(hashtextextended(t::text, 0)), 0) as said from %I.%I t',
       n.nspname, c.relname), false, true, '')))[1]::text as said) x
     where c.relkind = 'r' and n.nspname in ('public', 'graphile_worker')`,
    database,
  );

function same(found, wanted, what) {
  if (found === wanted) return `${wanted.split('\n').length} tables, all as they were`;
  const lines = new Set(found.split('\n'));
  throw new StepError(
    `${what} differs:\n${wanted
      .split('\n')
      .filter((line) => !lines.has(line))
      .join('\n')}`,
  );
}

/** What the operator does on a cluster that has never seen Cadro, where the role that owns the tables makes no others. */
async function prepare(cluster) {
  await cluster.query(`create role ${plain.name} login password '${plain.password}'`);
  for (const role of ['cadro_request', 'cadro_limited']) {
    await cluster.query(`create role ${role} nologin`);
    await cluster.query(`grant ${role} to ${plain.name}`);
  }
  await cluster.query(`create database restored owner ${plain.name}`);
}

/** Cadro on a restored database: somebody signs in and reads. */
async function runOn(databaseUrl, { buildDir, storyState }) {
  const given = { databaseUrl, secret, buildDir, schoolState: storyState, logs: join(folder, 'logs') };
  stack = await startStack(given, async (starting) => {
    await starting.startSchool();
    await starting.command('migrate');
    await starting.startServer();
    await starting.startWorker();
  });
  const url = stack.env.CADRO_PUBLIC_URL;
  const cookie = await signIn(url, 'maren');
  const brief = await fetch(`${url}/api/brief`, { headers: { cookie } });
  const { children = [] } = await brief.json();
  await stack.stop();
  if (!brief.ok) throw new StepError(`the Brief of a restored Cadro was answered ${brief.status}`);
  return `signed in, and read the Brief${children.length > 0 ? ` of ${children.length} children` : ''}`;
}

/** A dump, and what comes of it elsewhere. */
async function throughDump(cluster, built) {
  const file = join(cluster.home, 'cadro.dump');
  await step('Dump', () =>
    cluster.run('pg_dump', ['--format=custom', `--file=${file}`, cluster.url('story')]),
  );
  const other = newCluster('other');
  await step('Another cluster, and a role that is nobody there', async () => {
    await other.start();
    await prepare(other);
  });
  const url = other.url('restored').replace(/\/\/[^@]*@/, `//${plain.name}:${plain.password}@`);
  chmodSync(cluster.home, 0o755);
  await step('Restore', async () => {
    await other.run('pg_restore', ['--no-owner', '--exit-on-error', `--dbname=${url}`, file]);
    return same(await contents(other, 'restored'), await contents(cluster, 'story'), 'the restored database');
  });
  await step('Cadro on it', () => runOn(url, built));
}

/** A base backup and the log since, up to a point in time. */
async function throughTime(cluster, archive) {
  const mark = (what) =>
    cluster.query(
      `insert into login_tries (key, hits, waits_until, resets_at) values ('${what}', 1, now(), now())`,
      'story',
    );
  const later = newCluster('later', [
    ...['-c', `restore_command='cp ${archive}/%f %p'`, '-c', 'recovery_target_name=evening'],
    ...['-c', 'recovery_target_action=promote'],
  ]);
  await step('Base backup', async () => {
    await mark('before the backup');
    mkdirSync(later.home, { recursive: true });
    later.own(later.home);
    await cluster.run('pg_basebackup', [
      '--pgdata',
      later.data,
      '--checkpoint=fast',
      '--dbname',
      cluster.url('postgres'),
    ]);
  });
  let evening = '';
  await step('An evening, and what came after it', async () => {
    await mark('that evening');
    evening = await contents(cluster, 'story');
    await cluster.query(`select pg_create_restore_point('evening')`);
    await mark('the morning after');
    await cluster.query('select pg_switch_wal()');
    await cluster.stop();
  });
  await step('Up to that evening', async () => {
    copyFileSync(cluster.passwordFile, later.passwordFile);
    writeFileSync(join(later.data, 'recovery.signal'), '');
    for (const path of [later.passwordFile, join(later.data, 'recovery.signal')]) later.own(path);
    await later.start();
    while ((await later.query('select pg_is_in_recovery()')) === 't') continue;
    return same(await contents(later, 'story'), evening, 'the database of that evening');
  });
}

async function main() {
  requireFolder(folder);
  const buildDir = await prepared(['postgresql']);
  const cluster = newCluster('first');
  const archive = join(cluster.home, 'archive');
  mkdirSync(archive, { recursive: true });
  cluster.own(archive);
  cluster.settings = ['-c', 'archive_mode=on', '-c', `archive_command='cp %p ${archive}/%f'`];
  let storyState = '';
  await step('Databases', async () => void ({ storyState } = await startPrepared(cluster, buildDir)));
  await throughDump(cluster, { buildDir, storyState });
  await throughTime(cluster, archive);
}

async function finish(error) {
  if (error) console.error(error.message ?? error);
  await stack?.stop();
  await endCommands();
  for (const cluster of clusters) await cluster.remove().catch(() => undefined);
  rmSync(folder, { recursive: true, force: true });
  process.exit(error ? 1 : 0);
}
process.on('SIGINT', () => void finish(new Error('interrupted')));
process.on('SIGTERM', () => void finish(new Error('interrupted')));

main().then(() => finish(), finish);
