import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, run, workFolder } from './steps.mjs';

const skipped = new Set(['node_modules', 'dist', '.expo', 'conformance', 'testing']);

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

/** Hash of everything that the sources of some layers are built into, and of other files that matter to what is made. */
export function fingerprint(layers, others = []) {
  const hash = createHash('sha256');
  const own = [join(root, 'package-lock.json'), join(root, 'tools', 'lib', 'bundle.mjs'), ...others];
  for (const file of [...own, ...layers.flatMap((name) => [...filesBelow(join(root, name))])]) {
    hash.update(file.slice(root.length)).update(readFileSync(file));
  }
  return hash.digest('hex').slice(0, 16);
}

/**
 * One part of the build in a folder, unless it was made of these very sources.
 * @returns whether it had to be made.
 */
async function part(folder, name, layers, make) {
  const stamp = join(folder, `${name}.made`);
  const made = fingerprint(layers);
  const target = join(folder, name);
  if (existsSync(target) && existsSync(stamp) && readFileSync(stamp, 'utf8') === made) return false;
  const fresh = join(folder, `.${name}.new`);
  rmSync(fresh, { recursive: true, force: true });
  mkdirSync(fresh, { recursive: true });
  await make(fresh);
  rmSync(target, { recursive: true, force: true });
  rmSync(stamp, { force: true });
  renameSync(join(fresh, name), target);
  rmSync(fresh, { recursive: true, force: true });
  writeFileSync(stamp, made);
  return true;
}

async function exportApp(folder) {
  const env = { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' };
  await run('npx', ['expo', 'export', '-p', 'web', '--output-dir', join(folder, 'app')], {
    cwd: join(root, 'app'),
    env,
    log: join(workFolder, 'logs', 'build.log'),
  });
}

/**
 * Builds all there is to run: server and worker as plain JavaScript, the app for the web, the demo's stand-ins. What
 * has not changed is left as it is.
 * @returns the folder, and what was done.
 */
export async function ensureBuild(tell, folder = join(workFolder, 'build')) {
  // The dependencies may just have been installed: what needs them is loaded now.
  const { bundleOffline, bundleSchool, bundleServer, compressFiles } = await import('./bundle.mjs');
  mkdirSync(folder, { recursive: true });
  const made = [];
  const ensure = async (name, layers, make) => {
    if (await part(folder, name, layers, make)) made.push(name);
  };
  await ensure('server', ['server', 'core', 'contract'], bundleServer);
  await ensure('school', ['school', 'contract'], bundleSchool);
  await ensure('app', ['app', 'core', 'contract'], async (fresh) => {
    tell('expo export, about a minute');
    await exportApp(fresh);
    await bundleOffline(join(fresh, 'app'));
    compressFiles(join(fresh, 'app'));
  });
  return { folder, note: made.length > 0 ? `built ${made.join(', ')}` : 'unchanged' };
}
