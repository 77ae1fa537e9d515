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

/** The parts of a build, by their folders: the layers that each is made of, and how. */
async function partsOf(tell) {
  // The dependencies may just have been installed: what needs them is loaded now.
  const { bundleOffline, bundleSchool, bundleServer, compressFiles } = await import('./bundle.mjs');
  return {
    server: { layers: ['server', 'core', 'contract'], make: bundleServer },
    school: { layers: ['school', 'contract'], make: bundleSchool },
    app: {
      layers: ['app', 'core', 'contract'],
      make: async (fresh) => {
        tell('expo export, about a minute');
        await exportApp(fresh);
        await bundleOffline(join(fresh, 'app'));
        compressFiles(join(fresh, 'app'));
      },
    },
  };
}

/** The parts that run in Node: the server with its worker and commands, and the demo's stand-ins. */
export const programs = ['server', 'school'];

/**
 * Builds what there is to run: server and worker as plain JavaScript, the demo's stand-ins, the app for the web. What
 * has not changed is left as it is.
 * @param {(line: string) => void} tell
 * @param {{ folder?: string; names?: readonly string[] }} what the folder of the build, and its parts, else all of them.
 * @returns the folder, and what was done.
 */
export async function ensureBuild(
  tell,
  { folder = join(workFolder, 'build'), names = [...programs, 'app'] } = {},
) {
  const parts = await partsOf(tell);
  mkdirSync(folder, { recursive: true });
  const made = [];
  for (const name of names) {
    const { layers, make } = parts[name];
    if (await part(folder, name, layers, make)) made.push(name);
  }
  return { folder, note: made.length > 0 ? `built ${made.join(', ')}` : 'unchanged' };
}
