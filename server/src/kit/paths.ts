import { existsSync } from 'node:fs';
import { join } from 'node:path';

/** Built, assets and workers lie beside the one file this has become; in the sources, where they were written. */
const assets = [join(__dirname, 'assets'), join(__dirname, '..', '..', 'assets')].find((folder) =>
  existsSync(folder),
);

/** Where a file that ships with the server lies. */
export const assetFile = (...path: readonly string[]): string => join(assets ?? __dirname, ...path);

/**
 * How a thread's program is started: the built one, or the source of that name through the loader of TypeScript.
 * @param folder of the source.
 */
export function threadProgram(folder: string, name: string): { filename: string; execArgv: string[] } {
  const built = join(__dirname, `${name}.cjs`);
  return existsSync(built)
    ? { filename: built, execArgv: [] }
    : { filename: join(folder, `${name}.ts`), execArgv: ['--import', 'tsx'] };
}
