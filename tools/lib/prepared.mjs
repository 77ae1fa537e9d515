import { existsSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { ensureBuild, fingerprint } from './build.mjs';
import { Cluster, requireFolder } from './postgres.mjs';
import { ensureDependencies, ensureSystem, postgresBin } from './prerequisites.mjs';
import { startSchoolHost } from './schoolHost.mjs';
import { startStack } from './stack.mjs';
import { root, run, step, workFolder } from './steps.mjs';

/** Builds what is not built yet, of these parts or of all. @returns the folder of the build. */
export async function buildStep(names) {
  let buildDir = '';
  await step(names ? `Build of ${names.join(', ')}` : 'Build', async (tell) => {
    const { folder, note } = await ensureBuild(tell, names ? { names } : {});
    buildDir = folder;
    return note;
  });
  return buildDir;
}

/** Installs and builds what is missing, on however fresh a machine. @returns the folder of the build. */
export async function prepared(packages) {
  requireFolder(workFolder);
  await step('System packages', (tell) => ensureSystem(packages, tell));
  await step('Dependencies', ensureDependencies);
  return buildStep();
}

/** The key that sealed the story's credentials: whoever works on the prepared databases needs the same. */
export const storySecret = 'a secret for tests alone, forty characters';

/** The story's password, hashed at the least cost there is: the many who sign in during tests take no time. */
const passwordHash =
  '$argon2id$v=19$m=8,t=1,p=1$Ioe3z4xagSxTBjUGanObsQ$LqupVAI5/yHt1tjwwF0U2HXc4mEAWdxz5D9J4cs1stI';

/** Loads the story into the database `story`. */
async function loadStory({ cluster, buildDir, schoolState, logs }) {
  await cluster.ensureDatabase('story');
  const made = { databaseUrl: cluster.url('story'), secret: storySecret, buildDir, schoolState, logs };
  const stack = await startStack(made, async (starting) => {
    await starting.command('migrate');
    await starting.startSchool();
    await starting.command('loadStory');
  });
  await stack.stop();
  await cluster.query(`update guardians set password_hash = '${passwordHash}'`, 'story');
  // Without statistics PostgreSQL plans every copy as if its tables were nearly empty.
  await cluster.query('analyze', 'story');
}

/** Makes the databases that server tests copy. */
async function makeTemplates({ cluster, buildDir, logs }) {
  const schools = await startSchoolHost({ buildDir, logs });
  const env = {
    NODE_ENV: 'test',
    TZ: 'UTC',
    TEST_DATABASE_URL: cluster.url('%db%'),
    SCHOOL_HOST_URL: schools.url,
    CADRO_BUILD_DIR: buildDir,
  };
  try {
    await run(process.execPath, ['--import', 'tsx', join('server', 'src', 'testing', 'templates.ts')], {
      env,
    });
  } finally {
    await schools.stop();
  }
}

/** The sources of the templates that no build contains. */
const templateSources = () =>
  readdirSync(join(root, 'server', 'src', 'testing'), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && !entry.name.endsWith('.test.ts'))
    .map((entry) => join(entry.parentPath ?? entry.path, entry.name))
    .sort();

const keptFolder = join(workFolder, 'prepared');

/**
 * Makes the loaded story and the templates of the server tests, unless the very sources that make them have made them
 * before; what other sources made is removed.
 * @returns {Promise<{ cluster: Cluster; storyState: string; note: string }>} a cluster that is not running, for
 *   `Cluster.copyFrom`, and the state of the simulated schools at the end of the story.
 */
async function preparedDatabases(buildDir) {
  const postgresVersion = basename(dirname(postgresBin()));
  const key = fingerprint(['server', 'core', 'contract', 'school'], templateSources());
  const folder = join(keptFolder, `${postgresVersion}-${key}`);
  const cluster = new Cluster(join(folder, 'postgres'), { durable: false });
  const storyState = join(folder, 'story-school.json');
  const complete = join(folder, 'complete');
  if (existsSync(complete) && existsSync(cluster.data)) return { cluster, storyState, note: 'unchanged' };
  if (existsSync(keptFolder))
    for (const other of readdirSync(keptFolder)) {
      await new Cluster(join(keptFolder, other, 'postgres'), { durable: false }).remove();
      rmSync(join(keptFolder, other), { recursive: true, force: true });
    }
  requireFolder(folder);
  const logs = join(folder, 'logs');
  await cluster.start();
  await Promise.all([
    loadStory({ cluster, buildDir, schoolState: storyState, logs }),
    makeTemplates({ cluster, buildDir, logs }),
  ]);
  await cluster.stop();
  writeFileSync(complete, '');
  return { cluster, storyState, note: 'made' };
}

/**
 * Starts a cluster that has not been started before with the prepared databases in it.
 * @returns {Promise<{ storyState: string; note: string }>} the state of the simulated schools at the end of the story.
 */
export async function startPrepared(cluster, buildDir) {
  const { cluster: kept, storyState, note } = await preparedDatabases(buildDir);
  await cluster.copyFrom(kept);
  await cluster.start();
  return { storyState, note };
}
