import { spawn, spawnSync } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { asModule } from '../lib/asModule';

const root = join(__dirname, '..', '..');
const changed = (expression: string): unknown => asModule(join(__dirname, 'changed.mjs'), expression);

it('names every browser test file, and nothing else, in the table of screens', () => {
  const table = asModule(join(root, 'e2e', 'table.mjs'), 'Object.keys(m.table)');
  const specs = readdirSync(join(root, 'e2e', 'src')).filter((name) => name.endsWith('.spec.ts'));
  expect(table).toEqual(specs.sort());
});

it('names every route of the app in the table of screens, and no route that is gone', () => {
  const rows = asModule<Record<string, { screens: string[] }>>(join(root, 'e2e', 'table.mjs'), 'm.table');
  // An empty name stands for every screen: axe looks at all, a journey walks through those that its row names.
  const named = Object.values(rows)
    .flatMap(({ screens }) => screens)
    .filter((screen) => screen !== '');
  const routes = asModule<string[]>(join(__dirname, 'changed.mjs'), 'm.routes()');
  const liesIn = (route: string, screen: string) => `${route}/`.startsWith(`${screen}/`);
  expect(routes.filter((route) => !named.some((screen) => liesIn(route, screen)))).toEqual([]);
  expect(named.filter((screen) => !routes.some((route) => liesIn(route, screen)))).toEqual([]);
});

it('uses all four combinations of size and theme', () => {
  const looks = asModule(
    join(root, 'e2e', 'table.mjs'),
    '[...new Set(Object.values(m.table).map(({ size, theme }) => `${size} ${theme}`))].sort()',
  );
  expect(looks).toEqual(['phone dark', 'phone light', 'wide dark', 'wide light']);
});

it('runs every test at the other size and in the other theme in the rest, and one that is the same at any size on a phone', () => {
  const look = (run: string, ...tags: string[]) =>
    asModule(
      join(root, 'e2e', 'table.mjs'),
      `m.lookOf('courses.spec.ts', ${JSON.stringify(tags)}, ${JSON.stringify(run)})`,
    );
  expect(look('assigned')).toEqual({ size: 'wide', theme: 'dark' });
  expect(look('other size')).toEqual({ size: 'phone', theme: 'light' });
  expect(look('other theme')).toEqual({ size: 'wide', theme: 'light' });
  expect(look('assigned', '@once')).toEqual({ size: 'phone', theme: 'dark' });
  expect(look('other size', '@once')).toEqual({ size: 'phone', theme: 'light' });
  expect(look('assigned', '@phone', '@light')).toEqual({ size: 'phone', theme: 'light' });
});

it.each([
  ['app/src/app/(in)/days/shopping.tsx', ['days', 'keys', 'odd', 'screens', 'trees']],
  ['README.md', []],
  ['core/src/plan/plan.test.ts', []],
  ['e2e/src/push.spec.ts', ['push']],
])('a change of %s reaches the browser tests of its screens', (file, specs) => {
  expect(changed(`m.specsReachedBy(${JSON.stringify([file])})`)).toEqual(
    specs.map((name) => `e2e/src/${name}.spec.ts`),
  );
});

it('a change of what every screen stands on reaches every browser test', () => {
  for (const file of ['app/src/ui/Layout.tsx', 'server/src/kit/index.ts', 'core/src/dates.ts'])
    expect(changed(`m.specsReachedBy(${JSON.stringify([file])}).length`)).toBe(
      readdirSync(join(root, 'e2e', 'src')).filter((name) => name.endsWith('.spec.ts')).length,
    );
});

it('a change of a module reaches the tests of the screens that use it, and no others', () => {
  const reached = changed(`m.specsReachedBy(['server/src/meetings/store.ts'])`);
  expect(reached).toEqual(expect.arrayContaining(['e2e/src/meetings.spec.ts', 'e2e/src/screens.spec.ts']));
  expect(reached).not.toEqual(expect.arrayContaining(['e2e/src/alerts.spec.ts']));
});

it.each([
  [['--only', 'units'], 'There is no part "units": choose among checks, unit, browser, kills.'],
  [['core/src/nowhere.test.ts'], /^There is no test file "core\/src\/nowhere\.test\.ts": name a /],
  [['README.md'], /^There is no test file "README\.md": /],
  [['--quick'], "Unknown option '--quick'. Options are --only PART, --changed and test files."],
] as const)('says in one line what is wrong with %j', (args, said) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(root, 'tools', 'test.mjs'), ...args], {
    encoding: 'utf8',
  });
  expect(status).toBe(1);
  const [line, ...more] = stderr.trimEnd().split('\n');
  if (typeof said === 'string') expect(line).toBe(said);
  else expect(line).toMatch(said);
  expect(more).toEqual([]);
  expect(stdout).toBe('\n0 passed, 1 failed\n');
});

describe('one run at a time', () => {
  const folder = mkdtempSync(join(tmpdir(), 'cadro-lock-'));
  const lock = join(folder, 'test.lock');
  const lockRun = `(m.lockRun(${JSON.stringify(folder)}), true)`;
  afterAll(() => rmSync(folder, { recursive: true, force: true }));

  it('refuses to start beside another run, and names it', () => {
    writeFileSync(lock, String(process.pid));
    expect(() => asModule(join(__dirname, 'lock.mjs'), lockRun)).toThrow(
      `Another test run is under way here: wait until process ${process.pid} ends, or end it with "kill ${process.pid}".`,
    );
  });

  it('takes over the lock of a run that was killed', () => {
    const ended = spawnSync(process.execPath, ['-e', '']).pid;
    writeFileSync(lock, String(ended));
    expect(asModule(join(__dirname, 'lock.mjs'), lockRun)).toBe(true);
    expect(existsSync(lock)).toBe(true);
  });
});

it('ends what a run has left behind, and no process of another run', async () => {
  const start = (run: string) =>
    spawn(process.execPath, ['-e', 'console.log("up"); setInterval(() => undefined, 1000)'], {
      env: { ...process.env, CADRO_TEST_RUN: run },
      detached: true,
      stdio: ['ignore', 'pipe', 'ignore'],
    });
  const [left, other] = [start('left-behind'), start('another')];
  await Promise.all([once(left.stdout, 'data'), once(other.stdout, 'data')]);
  const ended = once(left, 'exit');
  asModule(join(__dirname, 'lock.mjs'), "(m.endProcesses('left-behind'), true)");
  await ended;
  expect([left.signalCode, other.signalCode, other.exitCode]).toEqual(['SIGKILL', null, null]);
  other.kill('SIGKILL');
});
