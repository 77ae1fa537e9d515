import { cpSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { build } from 'esbuild';
import { root } from './steps.mjs';

/** Published as an ES module only: it becomes part of the bundle, which is none. */
const inside = ['email-reply-parser', 'otplib'];

const dependenciesOf = (layer) => {
  const { dependencies } = JSON.parse(readFileSync(join(root, layer, 'package.json'), 'utf8'));
  return Object.keys(dependencies).filter((name) => !name.startsWith('@cadro/') && !inside.includes(name));
};

/**
 * What layers name as their own dependencies is found in node_modules when they run; our layers, and what only they need,
 * are in the bundle.
 */
const dependenciesOutside = (layers) => {
  const outside = new Set(layers.flatMap(dependenciesOf));
  return {
    name: 'dependencies-outside',
    setup({ onResolve }) {
      onResolve({ filter: /^[^./]/ }, ({ path }) => {
        const [, name] = /^((?:@[^/]+\/)?[^/]+)/.exec(path) ?? [];
        return outside.has(name) ? { path, external: true } : undefined;
      });
    },
  };
};

/** Of our own modules only those are taken along of which something is used: a thread that draws a page needs no database. */
const onlyWhatIsUsed = {
  name: 'only-what-is-used',
  setup({ onResolve, resolve }) {
    onResolve({ filter: /^(\.|@cadro\/)/ }, async ({ path, kind, pluginData, ...from }) => {
      if (pluginData?.asked) return undefined;
      const { importer, resolveDir } = from;
      const found = await resolve(path, { kind, importer, resolveDir, pluginData: { asked: true } });
      return found.errors.length > 0 ? { errors: found.errors } : { path: found.path, sideEffects: false };
    });
  },
};

const bundle = (entryPoints, outdir, plugins) =>
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
    plugins,
  });

const commands = [
  'migrate',
  'loadStory',
  'addSource',
  'cadro',
  'rebuildFigures',
  'figures',
  'offers',
  'plan',
];

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
  'gradebook/out/out.worker.ts',
  'alerts/digests/digest.worker.ts',
  'household/codes/letters.worker.ts',
].map(serverSource);

const bundleThreads = (folder) => bundle(threads, folder, [dependenciesOutside(['server']), onlyWhatIsUsed]);

/** Server, worker and their commands as plain JavaScript, each in one file, with what they read beside them. */
export async function bundleServer(folder) {
  await bundle(
    [
      ...['start', 'server', 'worker'].map((name) => serverSource(`main/${name}.ts`)),
      ...commands.map((name) => serverSource(`main/cli/${name}.ts`)),
    ],
    join(folder, 'server'),
    [dependenciesOutside(['server'])],
  );
  await bundleThreads(join(folder, 'server'));
  cpSync(join(root, 'server', 'assets'), join(folder, 'server', 'assets'), { recursive: true });
}

/** The benchmarks, with the server's threads beside them: what is measured is what runs. */
export async function bundleBench(folder) {
  await bundle(['bench/src/main.ts'], join(folder, 'bench'), [dependenciesOutside(['bench', 'server'])]);
  await bundleThreads(join(folder, 'bench'));
  cpSync(join(root, 'server', 'assets'), join(folder, 'bench', 'assets'), { recursive: true });
}

/** The stand-ins of the demo and the tests: started hundreds of times, with all that they need in one file. */
export const bundleSchool = (folder) => bundle(['school/src/main.ts'], join(folder, 'school'), []);

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
    const params = { [constants.BROTLI_PARAM_QUALITY]: 9, [constants.BROTLI_PARAM_SIZE_HINT]: bytes.length };
    writeFileSync(`${path}.br`, brotliCompressSync(bytes, { params }));
  }
}
