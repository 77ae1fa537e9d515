import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root, run, StepError, workFolder } from './steps.mjs';

const debian = {
  postgresql: () => postgresBin() !== null,
  // The proxy of the tests: TLS in front, as in operation.
  'nginx-light': () => existsSync('/usr/sbin/nginx'),
  // A pooler in front of PostgreSQL, as some have.
  pgbouncer: () => existsSync('/usr/sbin/pgbouncer'),
  // A mail server that takes what Cadro sends, as it is in operation.
  'exim4-daemon-light': () => existsSync('/usr/sbin/exim4'),
  // A calendar program that reads the invitations which Cadro sends.
  khal: () => existsSync('/usr/bin/khal'),
  // What judges the mail that Cadro sends, with the rules in its package.
  spamassassin: () => existsSync('/usr/bin/spamassassin'),
  // The browser without windows: smaller than the whole one, and a quarter faster.
  'chromium-headless-shell': () => existsSync('/usr/bin/chromium-headless-shell'),
};

/** Where PostgreSQL's programs are, or null. */
export function postgresBin() {
  const base = '/usr/lib/postgresql';
  if (!existsSync(base)) return null;
  const versions = readdirSync(base).sort((a, b) => Number(b) - Number(a));
  const found = versions
    .map((version) => join(base, version, 'bin'))
    .find((bin) => existsSync(join(bin, 'initdb')));
  return found ?? null;
}

/** Installs Debian packages that are missing; who may not install is told the command. */
export async function ensureSystem(packages, tell) {
  const missing = packages.filter((name) => !debian[name]());
  if (missing.length === 0) return 'all there';
  const command = `apt-get update && apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  if (process.getuid?.() !== 0) {
    throw new StepError(
      `Cadro needs ${missing.join(' and ')} from Debian. Run this, then start again: sudo sh -c '${command}'`,
    );
  }
  tell(`installing ${missing.join(', ')}`);
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  await run('apt-get', ['update'], { env });
  await run('apt-get', ['install', '-y', '--no-install-recommends', ...missing], { env });
  return `installed ${missing.join(', ')}`;
}

const hashOf = (...files) => {
  const hash = createHash('sha256');
  for (const file of files) hash.update(readFileSync(file));
  return hash.digest('hex');
};

/** Installs what the lock file names, unless this very lock file has been installed already. */
export async function ensureDependencies(tell) {
  mkdirSync(workFolder, { recursive: true });
  const stamp = join(workFolder, 'dependencies');
  const wanted = hashOf(join(root, 'package-lock.json'));
  const known = existsSync(stamp) ? readFileSync(stamp, 'utf8') : '';
  if (known === wanted && existsSync(join(root, 'node_modules', '.bin', 'tsx'))) return 'unchanged';
  tell('npm ci, a minute or two');
  await run('npm', ['ci', '--no-audit', '--no-fund'], { env: { NODE_ENV: 'development' } });
  writeFileSync(stamp, wanted);
  return 'installed from the lock file';
}
