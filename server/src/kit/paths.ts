import { existsSync } from 'node:fs';
import { join } from 'node:path';

/** Built, assets and workers lie beside the one file this has become; in the sources, where they were written. */
const assets = [join(__dirname, 'assets'), join(__dirname, '..', '..', 'assets')].find((folder) =>
  existsSync(folder),
);

/** Where a file that ships with the server lies. */
export const assetFile = (...path: readonly string[]): string => join(assets ?? __dirname, ...path);

/** Where threads' programs may lie built: beside the one file this has become, and where a build is said to be. */
const builtThreads = [__dirname];
export const lookForThreads = (folder: string): void => void builtThreads.push(folder);

/**
 * How a thread's program is started: the built one, or the source of that name through the loader of TypeScript, which
 * takes seconds.
 * @param folder of the source.
 */
export function threadProgram(folder: string, name: string): { filename: string; execArgv: string[] } {
  const built = builtThreads.map((each) => join(each, `${name}.cjs`)).find((path) => existsSync(path));
  return built === undefined
    ? { filename: join(folder, `${name}.ts`), execArgv: ['--import', 'tsx'] }
    : { filename: built, execArgv: [] };
}
