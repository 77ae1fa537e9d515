import { execFileSync } from 'node:child_process';
import { existsSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { ensureBuild } from '../lib/build.mjs';
import { Cluster, requireFolder } from '../lib/postgres.mjs';
import { startPrepared } from '../lib/prepared.mjs';
import { startSchoolHost } from '../lib/schoolHost.mjs';
import { endCommand, root, run, workFolder } from '../lib/steps.mjs';
import { jestEnvironment } from '../test/jest.mjs';
import { scopeEnvironment, scopes } from '../test/scopes.mjs';
import { faultsIn, withFault } from './faults.mjs';

/*
 * Puts small faults into the code, one at a time, and lets the tests that have to do with it look: what they do not
 * notice, nobody would. `npm run mutate -- --seed 7 --count 200 --layer core`, or `--only path` for every fault of
 * one file or folder.
 */
const { values } = parseArgs({
  options: {
    seed: { type: 'string', default: '1' },
    count: { type: 'string', default: '100' },
    layer: { type: 'string' },
    only: { type: 'string' },
    workers: { type: 'string', default: '2' },
    // Where the tests take long: only so many files of tests are asked, the nearest ones.
    nearest: { type: 'string', default: 'Infinity' },
  },
});
/** Logic alone: drawings are looked at, and words are read. */
const layers = {
  core: /^core\/src\//,
  contract: /^contract\/src\//,
  server: /^server\/src\//,
  app: /^app\/src\/.*\.ts$/,
};
const none =
  /\.test\.tsx?$|\/tests\/|\/testing\/|\/words?\/|[wW]ords\.ts$|\/index\.ts$|\.worker\.ts$|\/cli\/|\/demo\/|\/i18n\/(en|es)\/|\/theme\/|\/draw\w+\.ts$|(Page|Paper)\.ts$/;
/** No test file takes as long on a busy machine: one that does is in a loop. */
const silenceMs = 150_000;
const nearestFirst = join(root, 'tools', 'mutate', 'nearestFirst.cjs');
const jest = join(root, 'node_modules', '.bin', 'jest');

const known = JSON.parse(readFileSync(join(root, 'tools', 'mutate', 'equivalent.json'), 'utf8'));
/** Faults that change nothing, put aside by hand with the reason. */
const isKnown = ({ path, what }, code) =>
  known.some((each) => each.path === path && each.what === what && code.includes(each.text));

const git = (...args) => execFileSync('git', args, { cwd: root, encoding: 'utf8' });

/** All faults of the layers that are asked for, in the order of their files. */
function allFaults(wanted) {
  const isLogic = (path) =>
    wanted.some((layer) => layers[layer].test(path)) && /\.ts$/.test(path) && !none.test(path);
  return git('ls-files')
    .split('\n')
    .filter((path) => isLogic(path) && (!values.only || path.startsWith(values.only)))
    .flatMap((path) => {
      const code = readFileSync(join(root, path), 'utf8');
      const lines = code.split('\n');
      return faultsIn(path, code).filter((fault) => !isKnown(fault, lines[fault.line - 1] ?? ''));
    });
}

/** As many as are asked for, drawn by the seed. */
function chosen(faults) {
  const random = xoroshiro128plus(Number(values.seed));
  const left = [...faults];
  const picked = [];
  while (picked.length < Number(values.count) && left.length > 0) {
    picked.push(...left.splice(uniformInt(random, 0, left.length - 1), 1));
  }
  return picked;
}

/** A checkout of its own, so that faults never stand in the code one works on. */
function checkout(number) {
  const folder = join(workFolder, `mutants-${values.layer ?? 'all'}-${number}`);
  rmSync(folder, { recursive: true, force: true });
  git('worktree', 'prune');
  git('worktree', 'add', '--detach', folder, 'HEAD');
  const { workspaces } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'));
  const installed = ['.', ...workspaces].map((each) => join(each, 'node_modules'));
  for (const each of installed) {
    if (existsSync(join(root, each))) symlinkSync(join(root, each), join(folder, each));
  }
  return folder;
}

const once = ['--silent', '--forceExit'];
const related = (...paths) => ['--findRelatedTests', ...paths];

/** Tests that fail already would notice everything. */
async function requireGreen(paths, { folder, env }) {
  const args = [...related(...paths), ...once, '--maxWorkers=2'];
  const { code, output } = await run(jest, args, { cwd: folder, env, allowFailure: true });
  if (code !== 0) throw new Error(`The tests fail before any fault is put in:\n${output.slice(-4000)}`);
}

/** Whether the tests that have to do with a file notice a fault in it. */
async function isNoticed(fault, folder, env) {
  const { path } = fault;
  const file = join(folder, path);
  const code = readFileSync(file, 'utf8');
  writeFileSync(file, withFault(code, fault));
  // A fault can make a loop that never ends: its tests are ended with it, and it counts as noticed.
  let timer;
  const watch = (child) => {
    clearTimeout(timer);
    timer = setTimeout(() => endCommand(child), silenceMs);
  };
  let tests;
  const { code: ended } = await run(
    jest,
    [...related(path), ...once, '--bail', '--maxWorkers=1', '--testSequencer', nearestFirst],
    {
      cwd: folder,
      env: { ...env, FAULTY_FILE: file, NEAREST: values.nearest },
      allowFailure: true,
      onStart: (child) => watch((tests = child)),
      onLine: () => watch(tests),
    },
  );
  clearTimeout(timer);
  writeFileSync(file, code);
  return ended !== 0;
}

function tell(results) {
  const rooms = new Map();
  for (const { path, noticed } of results) {
    const room = path.split('/').slice(0, 3).join('/').replace('/src/', '/').replace(/\.ts$/, '');
    const told = rooms.get(room) ?? { noticed: 0, all: 0 };
    rooms.set(room, { noticed: told.noticed + (noticed ? 1 : 0), all: told.all + 1 });
  }
  for (const [room, { noticed, all }] of [...rooms].sort()) {
    console.log(`${room.padEnd(28)} ${noticed} of ${all} noticed`);
  }
  const noticed = results.filter((each) => each.noticed).length;
  const share = results.length === 0 ? 0 : Math.round((100 * noticed) / results.length);
  console.log(`\n${noticed} of ${results.length} noticed, ${share} % (seed ${values.seed})`);
}

/** A checkout with what its tests need started: they run as `npm test` runs them. */
async function workplace(number, { needsDatabase, buildDir }) {
  const folder = checkout(number);
  const env = { ...jestEnvironment, ...scopeEnvironment(scopes.test), CADRO_BUILD_DIR: buildDir };
  const leave = () => git('worktree', 'remove', '--force', folder);
  if (!needsDatabase) return { folder, env, leave };
  const cluster = new Cluster(join(folder, '.cadro', 'postgres'), { durable: false });
  await startPrepared(cluster, buildDir);
  const schools = await startSchoolHost({ buildDir, logs: join(folder, '.cadro', 'logs') });
  return {
    folder,
    env: { ...env, TEST_DATABASE_URL: cluster.url('%db%'), SCHOOL_HOST_URL: schools.url },
    leave: async () => {
      await schools.stop();
      await cluster.remove();
      leave();
    },
  };
}

async function main() {
  const wanted = values.layer ? [values.layer] : Object.keys(layers);
  const queue = chosen(allFaults(wanted));
  requireFolder(workFolder);
  const needsDatabase = queue.some(({ path }) => layers.server.test(path));
  // The tests start built programs: those of what is right, too.
  const { folder: buildDir } = needsDatabase ? await ensureBuild(console.log) : { folder: '' };
  const numbers = Array.from({ length: Number(values.workers) }, (_, index) => index + 1);
  const places = [];
  // One after the other: the first makes the databases that all copy.
  for (const each of numbers) places.push(await workplace(each, { needsDatabase, buildDir }));
  const results = [];
  const work = async ({ folder, env }) => {
    for (let fault = queue.shift(); fault; fault = queue.shift()) {
      const noticed = await isNoticed(fault, folder, env);
      const { path, line, what } = fault;
      results.push({ path, noticed });
      console.log(`${noticed ? 'noticed ' : 'survived'}  ${path}:${line}  ${what}`);
    }
  };
  try {
    await requireGreen([...new Set(queue.map(({ path }) => path))], places[0]);
    await Promise.all(places.map(work));
  } finally {
    for (const { leave } of places) await leave();
  }
  tell(results);
}

await main();
