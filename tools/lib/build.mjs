import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, run, workFolder } from './steps.mjs';

const skipped = new Set(['node_modules', 'dist', '.expo', 'conformance']);

function* filesBelow(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true }).sort((a, b) =>
    a.name < b.name ? -1 : 1,
  )) {
    if (skipped.has(entry.name) || /\.test\.tsx?$/.test(entry.name)) continue;
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* filesBelow(path);
    else yield path;
  }
}

function fingerprint() {
  const hash = createHash('sha256');
  for (const file of [
    join(root, 'package-lock.json'),
    ...['app', 'core', 'contract'].flatMap((name) => [...filesBelow(join(root, name))]),
  ]) {
    hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  return hash.digest('hex').slice(0, 16);
}

/** Builds the app for the web, unless these very sources have been built already. Returns its folder. */
export async function ensureApp(tell) {
  const base = join(workFolder, 'app');
  const folder = join(base, fingerprint());
  if (existsSync(join(folder, 'index.html'))) return { folder, note: 'unchanged' };
  tell('expo export, about a minute');
  const fresh = `${folder}.new`;
  rmSync(base, { recursive: true, force: true });
  mkdirSync(base, { recursive: true });
  const env = { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' };
  await run('npx', ['expo', 'export', '-p', 'web', '--output-dir', fresh], {
    cwd: join(root, 'app'),
    env,
    log: join(workFolder, 'logs', 'build.log'),
  });
  renameSync(fresh, folder);
  writeFileSync(join(base, 'current'), folder);
  return { folder, note: 'built' };
}
