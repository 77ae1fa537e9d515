import { spawn } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { Cluster, requireFolder } from './lib/postgres.mjs';
import { ensureDependencies, ensureSystem } from './lib/prerequisites.mjs';
import { root, step, workFolder } from './lib/steps.mjs';

/* The benchmarks. Those that ask a database get one of their own, which is thrown away afterwards. */
const names = process.argv.slice(2);
const needsDatabase = names.length === 0 || ['alerts', 'bundle', 'rows'].some((name) => names.includes(name));
const folder = join(workFolder, `bench-${process.pid}`);
let cluster;

async function main() {
  requireFolder(workFolder);
  await step('Dependencies', ensureDependencies);
  const env = { ...process.env };
  if (needsDatabase) {
    await step('System packages', (tell) => ensureSystem(['postgresql'], tell));
    cluster = new Cluster(join(folder, 'postgres'), { durable: false });
    await step('Database', () => cluster.start());
    await cluster.ensureDatabase('bench');
    env.BENCH_DATABASE_URL = cluster.url('bench');
  }
  await step('Build', async () => {
    // The dependencies may just have been installed: what needs them is loaded now.
    const { bundleBench } = await import('./lib/bundle.mjs');
    await bundleBench(folder);
  });
  const program = [join(folder, 'bench', 'main.cjs'), ...names];
  const child = spawn(process.execPath, program, { cwd: root, env, stdio: 'inherit' });
  process.exitCode = await new Promise((done) => child.once('exit', (code) => done(code ?? 1)));
}

main()
  .catch((error) => {
    console.error(error instanceof Error ? error.message : error);
    process.exitCode = 1;
  })
  .finally(async () => {
    await cluster?.remove();
    rmSync(folder, { recursive: true, force: true });
  });
