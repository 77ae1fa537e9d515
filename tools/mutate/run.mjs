import { execFileSync } from 'node:child_process';
import { readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { Cluster, requireFolder } from '../lib/postgres.mjs';
import { endCommands, root, run, workFolder } from '../lib/steps.mjs';
import { faultsIn, withFault } from './faults.mjs';

/*
 * Puts small faults into the code, one at a time, and lets the tests that have to do with it look: what they do not
 * notice, nobody would. `npm run mutate -- --seed 7 --count 200 --layer core`
 */
const { values } = parseArgs({
  options: {
    seed: { type: 'string', default: '1' },
    count: { type: 'string', default: '100' },
    layer: { type: 'string' },
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
  /\.test\.tsx?$|\/testing\/|\/words?\/|[wW]ords\.ts$|\/index\.ts$|\.worker\.ts$|\/cli\/|\/demo\/|\/i18n\/\w+\.\w\w\.ts$/;
const timeoutMs = 60_000;

function chosen(faults) {
  const random = xoroshiro128plus(Number(values.seed));
  const left = [...faults];
  const picked = [];
  while (picked.length < Number(values.count) && left.length > 0) {
    picked.push(...left.splice(uniformInt(random, 0, left.length - 1), 1));
  }
  return picked;
}

const known = JSON.parse(readFileSync(join(root, 'tools', 'mutate', 'equivalent.json'), 'utf8'));
/** Faults that change nothing, put aside by hand with the reason. */
const isKnown = ({ path, what }, code) =>
  known.some((each) => each.path === path && each.what === what && code.includes(each.text));

const git = (...args) => execFileSync('git', args, { cwd: root, encoding: 'utf8' });

async function main() {
  const wanted = values.layer ? [values.layer] : Object.keys(layers);
  const files = git('ls-files')
    .split('\n')
    .filter(
      (path) => wanted.some((layer) => layers[layer].test(path)) && /\.ts$/.test(path) && !none.test(path),
    );
  const faults = files.flatMap((path) => {
    const lines = readFileSync(join(root, path), 'utf8');
    return faultsIn(path, lines).filter((fault) => !isKnown(fault, lines.split('\n')[fault.line - 1] ?? ''));
  });
  const folder = join(workFolder, 'mutants');
  requireFolder(workFolder);
  rmSync(folder, { recursive: true, force: true });
  git('worktree', 'prune');
  git('worktree', 'add', '--detach', folder, 'HEAD');
  symlinkSync(join(root, 'node_modules'), join(folder, 'node_modules'));
  const cluster = new Cluster(join(workFolder, `mutants-postgres-${process.pid}`), { durable: false });
  const env = { NODE_ENV: 'test', TZ: 'UTC' };
  if (wanted.includes('server')) {
    await cluster.start();
    env.TEST_DATABASE_URL = cluster.url('%db%');
  }
  const rooms = new Map();
  try {
    for (const fault of chosen(faults)) {
      const { path, line, what } = fault;
      const file = join(folder, path);
      const code = readFileSync(file, 'utf8');
      writeFileSync(file, withFault(code, fault));
      const layer = path.split('/')[0];
      const args = [
        '--selectProjects',
        layer,
        '--findRelatedTests',
        path,
        '--bail',
        '--silent',
        '--forceExit',
      ];
      // A fault can make a loop that never ends: its tests are ended with it, and it counts as noticed.
      const timer = setTimeout(() => void endCommands(), timeoutMs);
      const { code: ended } = await run(join(root, 'node_modules', '.bin', 'jest'), args, {
        cwd: folder,
        env,
        allowFailure: true,
      });
      clearTimeout(timer);
      writeFileSync(file, code);
      const room = path.split('/').slice(0, 3).join('/').replace('/src/', '/').replace(/\.ts$/, '');
      const told = rooms.get(room) ?? { killed: 0, survived: 0 };
      rooms.set(room, told);
      if (ended === 0) {
        told.survived += 1;
        console.log(`survived  ${path}:${line}  ${what}`);
      } else told.killed += 1;
    }
  } finally {
    git('worktree', 'remove', '--force', folder);
    if (wanted.includes('server')) await cluster.remove();
  }
  const sum = { killed: 0, survived: 0 };
  for (const [room, { killed, survived }] of [...rooms].sort()) {
    console.log(`${room.padEnd(28)} ${killed} of ${killed + survived} noticed`);
    sum.killed += killed;
    sum.survived += survived;
  }
  const all = sum.killed + sum.survived;
  console.log(
    `\n${sum.killed} of ${all} noticed, ${all === 0 ? 0 : Math.round((100 * sum.killed) / all)} % (seed ${values.seed})`,
  );
}

await main();
