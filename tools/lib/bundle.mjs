import { cpSync, existsSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { build } from 'esbuild';
import { injectManifest } from 'workbox-build';
import { root } from './steps.mjs';

/** Published as an ES module only: it becomes part of the bundle, which is none. */
const inside = ['file-type', 'otplib'];

/** What a layer has a version of its own of is not found from where the build stands: it is in the bundle, too. */
const standsBeside = (layer, name) => existsSync(join(root, layer, 'node_modules', name));

const dependenciesOf = (layer) => {
  const { dependencies } = JSON.parse(readFileSync(join(root, layer, 'package.json'), 'utf8'));
  return Object.keys(dependencies).filter(
    (name) => !name.startsWith('@cadro/') && !inside.includes(name) && !standsBeside(layer, name),
  );
};

/** What layers name as their own dependencies stays outside; our layers, and what only they need, are in the bundle. */
const dependenciesOutside = (...layers) => layers.flatMap(dependenciesOf);

/** What stays outside even of programs that have their packages inside: machine code, and what reads files beside itself. */
const alwaysOutside = [
  ...['@node-rs/argon2', 'graphile-worker', 'highs', 'pdfkit', 'pg', 'piscina'],
  // Of databases that are not ours, which the query builder would ask for.
  ...['better-sqlite3', 'mariadb', 'mysql', 'mysql2', 'oracledb', 'pg-query-stream', 'sqlite3', 'tedious'],
];

/** None of our modules is imported for being loaded alone (`sideEffects` in package.json): of which nothing is used, stays out. */
const bundle = (entryPoints, outdir, external) =>
  build({
    entryPoints,
    outdir,
    entryNames: '[name]',
    outExtension: { '.js': '.cjs' },
    absWorkingDir: root,
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'cjs',
    // A module that asks where it lies is told where the bundle does.
    define: { 'import.meta.url': 'bundleUrl' },
    banner: { js: "const bundleUrl = require('node:url').pathToFileURL(__filename).href;" },
    sourcemap: true,
    sourcesContent: false,
    logLevel: 'warning',
    // Found in node_modules when the program runs.
    external,
  });

/** With their packages inside: to load those one file at a time would be most of a start. */
const startedOften = ['start', 'server', 'worker', 'cli/migrate', 'cli/loadStory', 'cli/cadro'];
const startedByHand = ['cli/addSource', 'cli/rebuildFigures', 'cli/figures', 'cli/offers', 'cli/plan'];

const serverSource = (path) => join('server', 'src', path);

/** What threads of the server run. */
const threads = [
  'plan/solve.worker.ts',
  'alerts/rehearsal/rehearse.worker.ts',
  'sources/bundle/bundle.worker.ts',
  'sources/imports/family/winnow.worker.ts',
  'sources/mail/mail.worker.ts',
  'calendar/elsewhere/calendar.worker.ts',
  'attendance/marks.worker.ts',
  'gradebook/print/print.worker.ts',
  'messages/paper/paper.worker.ts',
  'sitdown/paper/fridge.worker.ts',
  'gradebook/out/out.worker.ts',
  'alerts/digests/digest.worker.ts',
  'household/codes/letters.worker.ts',
].map(serverSource);

const bundleThreads = (folder) => bundle(threads, folder, dependenciesOutside('server'));

/** Server, worker and their commands as plain JavaScript, each in one file, with what they read beside them. */
export async function bundleServer(folder) {
  const into = join(folder, 'server');
  const programs = (names) => names.map((name) => serverSource(`main/${name}.ts`));
  await bundle(programs(startedOften), into, alwaysOutside);
  await bundle(programs(startedByHand), into, dependenciesOutside('server'));
  await bundleThreads(into);
  cpSync(join(root, 'server', 'assets'), join(folder, 'server', 'assets'), { recursive: true });
}

/** The benchmarks, with the server's threads beside them: what is measured is what runs. */
export async function bundleBench(folder) {
  await bundle(['bench/src/main.ts'], join(folder, 'bench'), dependenciesOutside('bench', 'server'));
  await bundleThreads(join(folder, 'bench'));
  cpSync(join(root, 'server', 'assets'), join(folder, 'bench', 'assets'), { recursive: true });
}

/** The stand-ins: one set of schools for the demo, and a host of many sets for the tests, each program in one file. */
export const bundleSchool = (folder) =>
  bundle(['school/src/main.ts', 'school/src/host.ts'], join(folder, 'school'), []);

/**
 * What goes on without a connection: beside a built app, with the list of all its files but those that are for operators
 * alone. Files whose names tell their version are kept by it.
 */
export async function bundleOffline(appFolder) {
  const swDest = join(appFolder, 'offline.js');
  const swSrc = join(appFolder, '.offline.unlisted.js');
  await build({
    entryPoints: [join(root, 'app', 'offline', 'serviceWorker.ts')],
    outfile: swSrc,
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: { 'process.env.NODE_ENV': '"production"' },
    logLevel: 'warning',
  });
  const { warnings } = await injectManifest({
    ...{ swSrc, swDest, globDirectory: appFolder },
    globPatterns: ['index.html', '*.{css,svg}', 'fonts/**', '_expo/**/*.js', 'assets/**'],
    globIgnores: ['**/operator-*.js', '**/*.{gz,br,map}'],
    dontCacheBustURLsMatching: /-[\da-f]{32}\./,
    maximumFileSizeToCacheInBytes: mostKeptBytes,
  });
  rmSync(swSrc);
  if (warnings.length > 0) throw new Error(warnings.join('\n'));
}
/** No file of the app is larger: one that is would be missing without a connection. */
const mostKeptBytes = 4_000_000;

/** Below this a file is sent as it is. */
const leastBytes = 1024;
const compressible = /\.(html|js|css|json|svg|map|txt|webmanifest)$/;

/** Compresses a built app's files beside them, so that no request has to. */
export function compressFiles(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true })) {
    const path = join(entry.parentPath ?? entry.path, entry.name);
    if (!entry.isFile() || !compressible.test(entry.name) || statSync(path).size < leastBytes) continue;
    const bytes = readFileSync(path);
    writeFileSync(`${path}.gz`, gzipSync(bytes, { level: 9 }));
    const params = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
    writeFileSync(`${path}.br`, brotliCompressSync(bytes, { params }));
  }
}
