import { chromium, type Browser, type BrowserContext, type LaunchOptions, type Page } from '@playwright/test';
import { householdRoutes, outlookRoutes, workRoutes, type Work } from '@cadro/contract';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { quantile } from './measure';

/*
 * What it takes to open the app: the scripts up to a Brief that can be read, beside an app of the same stack that does
 * nothing; what it asks the server for; how long a slow phone is held up after the first paint; and a long list beside a
 * short one.
 */
interface Given {
  readonly url: string;
  readonly maren: string;
  readonly buildDir: string;
  readonly browser: LaunchOptions;
}
const given = JSON.parse(process.env['BENCH_STACK'] ?? '{}') as Given;
const empty = process.env['BENCH_EMPTY'] ?? '';
const phone = { viewport: { width: 390, height: 844 }, locale: 'en-GB' };
const rounds = 7;
/** How much slower a cheap phone is than this machine. */
const slower = 4;
const scriptFolder = join('_expo', 'static', 'js', 'web');

/* What is run in the page. */
const scriptsLoaded = `performance.getEntriesByType('resource').map(({ name }) => name).filter((name) => name.endsWith('.js'))`;
const watchTasks = `window.tasks = [];
  new PerformanceObserver((list) => window.tasks.push(...list.getEntries())).observe({ type: 'longtask', buffered: true });`;
const longestAfterPaint = `(() => {
  const [paint] = performance.getEntriesByName('first-contentful-paint');
  return Math.max(0, ...window.tasks.filter(({ startTime }) => startTime > paint.startTime).map(({ duration }) => duration));
})()`;

type Sizes = readonly [raw: number, gzip: number, brotli: number];

function sizesOf(folder: string, names: readonly string[]): Sizes {
  let [raw, gzip, brotli] = [0, 0, 0];
  for (const name of names) {
    const bytes = readFileSync(join(folder, scriptFolder, name));
    raw += bytes.length;
    gzip += gzipSync(bytes, { level: 9 }).length;
    brotli += brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 11 } }).length;
  }
  return [raw, gzip, brotli];
}

/** @param serviceWorkers they would answer in the place of what is held back */
async function signedIn(
  browser: Browser,
  serviceWorkers: 'allow' | 'block' = 'block',
): Promise<BrowserContext> {
  const context = await browser.newContext({ ...phone, serviceWorkers });
  const cookies = given.maren.split('; ').map((pair) => {
    const [name = '', ...value] = pair.split('=');
    return { name, value: value.join('='), url: given.url };
  });
  await context.addCookies(cookies);
  return context;
}

/** The Brief is there when its title and its first matter are. */
async function briefOf(page: Page): Promise<void> {
  await page.goto(`${given.url}/brief`);
  await page.getByRole('heading', { level: 1 }).waitFor();
  await page.getByRole('list').first().getByRole('listitem').first().waitFor();
}

/** The scripts of a first load, and how many of the server's answers the Brief cannot do without: all others are held back. */
async function firstLoad(browser: Browser) {
  const context = await signedIn(browser);
  const page = await context.newPage();
  const needed = new Set<string>([householdRoutes.me.path, outlookRoutes.brief.path]);
  const asked: string[] = [];
  await page.route('**/api/**', async (route) => {
    const { pathname } = new URL(route.request().url());
    if (!needed.has(pathname)) return; // never answered
    asked.push(pathname);
    await route.continue();
  });
  await briefOf(page);
  const scripts = await page.evaluate<string[]>(scriptsLoaded);
  await context.close();
  return { asked, scripts: scripts.map((url) => decodeURIComponent(url.split('/').at(-1) ?? '')) };
}

/** The longest task after the first paint on a slow phone, in ms. */
async function longestTask(browser: Browser): Promise<number> {
  const context = await signedIn(browser, 'allow');
  const page = await context.newPage();
  const session = await context.newCDPSession(page);
  await session.send('Emulation.setCPUThrottlingRate', { rate: slower });
  await page.addInitScript({ content: watchTasks });
  await briefOf(page);
  // Long enough that what goes on without a connection has been set up beside it.
  await page.waitForTimeout(8000);
  const longest = await page.evaluate<number>(longestAfterPaint);
  await context.close();
  return longest;
}

/** How long Work takes to open with so many rows, in ms: those of the demo over and over. */
async function workOpens(browser: Browser, count: number): Promise<number> {
  const context = await signedIn(browser);
  const page = await context.newPage();
  await page.route(`**${workRoutes.work.path}*`, async (route) => {
    const answer = await route.fetch();
    const work = (await answer.json()) as Work;
    const rows = Array.from({ length: count }, (_, index) => {
      const row = work.rows[index % work.rows.length];
      return row && { ...row, itemId: `${row.itemId}-${index}` };
    });
    await route.fulfill({ response: answer, json: { ...work, rows } });
  });
  await briefOf(page);
  await page.waitForTimeout(500);
  const begun = performance.now();
  await page.getByRole('link', { name: 'Work', exact: true }).click();
  await page.getByRole('checkbox').first().waitFor();
  const ms = performance.now() - begun;
  await context.close();
  return ms;
}

const spread = (values: readonly number[], digits: number): string => {
  const [low, middle, high] = [0, 0.5, 1].map((share) => quantile(values, share).toFixed(digits));
  return `${middle} (of ${values.length} between ${low} and ${high})`;
};

/** Prints what opening the app takes, as ratios where there is something to compare it with. */
export async function benchApp(): Promise<void> {
  const browser = await chromium.launch(given.browser);
  try {
    const { asked, scripts } = await firstLoad(browser);
    const own = sizesOf(join(given.buildDir, 'app'), scripts);
    const bare = sizesOf(
      empty,
      readdirSync(join(empty, scriptFolder)).filter((name) => name.endsWith('.js')),
    );
    console.log('app: scripts of a first load, up to the Brief, beside the empty stack');
    console.log('                  Cadro kB    empty kB    ratio (at most 1.2)');
    for (const [index, name] of ['as they run', 'gzip', 'brotli 11'].entries()) {
      const [ours = 0, theirs = 0] = [own[index], bare[index]];
      console.log(
        `${name.padEnd(14)} ${(ours / 1000).toFixed(0).padStart(11)} ${(theirs / 1000).toFixed(0).padStart(11)} ${(ours / theirs).toFixed(3).padStart(8)}`,
      );
    }
    console.log(`requests that a Brief needs (at most 2): ${asked.length}, ${asked.join(' and ')}`);
    const tasks: number[] = [];
    for (let round = 0; round < rounds; round += 1) tasks.push(await longestTask(browser));
    console.log(
      `longest task after the first paint, ${slower} × slower (at most 200 ms): ${spread(tasks, 0)}`,
    );
    const [few, many]: [number[], number[]] = [[], []];
    for (let round = 0; round < rounds; round += 1) {
      few.push(await workOpens(browser, 50));
      many.push(await workOpens(browser, 5_000));
    }
    const ratios = many.map((ms, round) => ms / (few[round] ?? NaN));
    console.log(`Work opens with 50 rows, ms:    ${spread(few, 0)}`);
    console.log(`Work opens with 5,000 rows, ms: ${spread(many, 0)}`);
    console.log(`ratio (at most 2):              ${spread(ratios, 2)}`);
  } finally {
    await browser.close();
  }
}
