import { test as base } from '@playwright/test';
import { copyFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { startStack } from '../../tools/lib/stack.mjs';
import { run } from '../../tools/lib/steps.mjs';
import { Guardian } from './guardian';

/** What the test command hands over: a cluster with the story loaded, and the built app. */
interface Given {
  readonly psql: string;
  /** Address of a database of the cluster; `%db%` stands for its name. */
  readonly databaseUrl: string;
  readonly storyState: string;
  readonly buildDir: string;
  readonly secret: string;
  readonly folder: string;
}

export interface RunningStack {
  readonly url: string;
  readonly schoolUrl: string;
  readonly env: Readonly<Record<string, string>>;
  /** What the operator does at the command line; answers what is said there, line by line. */
  readonly operator: (args: readonly string[], env?: Record<string, string>) => Promise<string[]>;
}

function given(): Given {
  const text = process.env['CADRO_E2E'];
  if (!text) throw new Error('CADRO_E2E is not set: start the browser tests through npm test');
  return JSON.parse(text) as Given;
}

/**
 * Database, schools, server and worker of its own: with a copy of the story, or fresh, as on the first day of a Cadro that
 * knows of no demo.
 */
async function startOwn(name: string, fresh: boolean) {
  const { psql, databaseUrl, storyState, buildDir, secret, folder } = given();
  const database = `e2e_${name}`;
  const admin = databaseUrl.replace('%db%', 'postgres');
  const sql = (text: string) => run(psql, ['-X', '-q', '-d', admin, '-c', text]);
  await sql(`drop database if exists ${database} with (force)`);
  await sql(`create database ${database} template ${fresh ? 'template1' : 'story'}`);
  const home = join(folder, database);
  mkdirSync(home, { recursive: true });
  const schoolState = join(home, 'school.json');
  if (!fresh) copyFileSync(storyState, schoolState);
  const stack = await startStack(
    {
      databaseUrl: databaseUrl.replace('%db%', database),
      secret,
      buildDir,
      schoolState,
      logs: join(home, 'logs'),
      demo: !fresh,
    },
    async (starting) => {
      // A run that is ended takes its processes with it.
      process.once('SIGTERM', () => void starting.stop().then(() => process.exit(1)));
      await Promise.all([starting.startSchool(), fresh && starting.command('migrate')]);
      // The story is there already, and only learns from the schools where they are now.
      if (!fresh) await starting.command('loadStory');
      await Promise.all([starting.startServer(), starting.startWorker()]);
    },
  );
  const { env } = stack;
  const running: RunningStack = {
    ...{ url: env.CADRO_PUBLIC_URL, schoolUrl: `http://127.0.0.1:${env.SCHOOL_PORT}`, env },
    operator: async (args, more = {}) => {
      const program = join(buildDir, 'server', 'cadro.cjs');
      const { output } = await run(process.execPath, [program, ...args], { env: { ...env, ...more } });
      return output.trim().split('\n');
    },
  };
  return { stack, running };
}

export const test = base.extend<
  { guardian: Guardian },
  { running: RunningStack; story: string; fresh: boolean }
>({
  /** A file that needs the story from its first evening on gives itself a name here, and has a stack of its own. */
  story: ['shared', { option: true, scope: 'worker' }],
  fresh: [false, { option: true, scope: 'worker' }],
  running: [
    async ({ story, fresh }, use, { workerIndex }) => {
      const { stack, running } = await startOwn(`${story}_${workerIndex}`, fresh);
      await use(running);
      await stack.stop();
    },
    { scope: 'worker', timeout: 600_000 },
  ],
  baseURL: async ({ running }, use) => use(running.url),
  guardian: async ({ page, story }, use, { project }) => {
    const guardian = new Guardian(page, project.name === 'wide');
    guardian.alone = story !== 'shared';
    await use(guardian);
  },
});
export { expect } from '@playwright/test';

/** What is the same however wide the screen is: it is tried at one size. */
export const once = { tag: '@once' };
