import { test as base } from '@playwright/test';
import { copyFileSync, mkdirSync } from 'node:fs';
import { basename, join } from 'node:path';
import { startStack } from '../../tools/lib/stack.mjs';
import { run } from '../../tools/lib/steps.mjs';
import { lookOf, type Look } from '../table.mjs';
import { given } from './given';
import { Guardian } from './guardian';

export interface RunningStack {
  readonly url: string;
  readonly schoolUrl: string;
  readonly env: Readonly<Record<string, string>>;
  /** What the operator does at the command line; answers what is said there, line by line. */
  readonly operator: (args: readonly string[], env?: Record<string, string>) => Promise<string[]>;
}

/**
 * Database, schools, server and worker of its own: with a copy of the story, or fresh, as on the first day of a Cadro that
 * knows of no demo.
 */
async function startOwn(name: string, fresh: boolean) {
  const { psql, databaseUrl, storyState, buildDir, secret, folder, schoolHost, delaySeed } = given();
  const database = `e2e_${name}`;
  const admin = databaseUrl.replace('%db%', 'postgres');
  const sql = (text: string) => run(psql, ['-X', '-q', '-d', admin, '-c', text]);
  await sql(`drop database if exists ${database} with (force)`);
  await sql(`create database ${database} template ${fresh ? 'template_empty' : 'story'}`);
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
      schoolHost,
      ...(delaySeed === null ? {} : { delaySeed }),
    },
    async (starting) => {
      // A run that is ended takes its processes with it.
      process.once('SIGTERM', () => void starting.stop().then(() => process.exit(1)));
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

/** The sizes at which Cadro is looked at, in points. */
export const viewports = { phone: { width: 390, height: 844 }, wide: { width: 1280, height: 800 } } as const;

export const test = base.extend<
  { guardian: Guardian; look: Look | null },
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
  // eslint-disable-next-line no-empty-pattern -- Playwright reads off this pattern that the fixture needs no other.
  look: async ({}, use, info) => {
    const file = basename(info.file);
    await use(info.project.name === 'pictures' ? null : lookOf(file, info.tags, given().run));
  },
  viewport: async ({ look, viewport }, use) => use(look ? viewports[look.size] : viewport),
  hasTouch: async ({ look, hasTouch }, use) => use(look ? look.size === 'phone' : hasTouch),
  // Movements are drawn frame by frame by the processor; the rest sees them.
  contextOptions: async ({ look, contextOptions }, use) =>
    use(look && given().run === 'assigned' ? { ...contextOptions, reducedMotion: 'reduce' } : contextOptions),
  colorScheme: async ({ look, colorScheme }, use) => use(look ? look.theme : colorScheme),
  guardian: async ({ page, story, look }, use) => {
    const guardian = new Guardian(page, look?.size === 'wide');
    guardian.alone = story !== 'shared';
    await use(guardian);
  },
});
export { expect } from '@playwright/test';

/** What is the same however wide the screen is: it is tried at one size. */
export const once = { tag: '@once' };
