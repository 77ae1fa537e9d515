import { existsSync } from 'node:fs';
import { join } from 'node:path';

const root = join(__dirname, '..', '..', '..');
/** The build that the test command has made; without one the sources are run through the loader of TypeScript. */
const build = process.env['CADRO_BUILD_DIR'];

/** How a program is started, the built one where there is a build. @returns arguments of Node. */
export function programArgs(source: string, built: string): string[] {
  const path = build && join(build, built);
  return path && existsSync(path) ? ['--enable-source-maps', path] : ['--import', 'tsx', join(root, source)];
}
