import { readdir, stat } from 'node:fs/promises';
import { join } from 'node:path';
import { systemClock, type Deps } from '../../kit';
import { allSources } from '../store';
import { receiveFile } from './receive';

/** A file that was written to so lately may still be coming. */
const restMs = 30_000;

const filesIn = (folder: string): Promise<string[]> =>
  readdir(folder).then(
    (names) => names.filter((name) => /\.zip$/i.test(name)).sort(),
    () => [], // none is there for this school
  );

/**
 * Takes in what lies in the folder of each school that hands over files, under its name or its id; the folder is only
 * read. What was taken in before is known by what is in it.
 * @returns how many files were new.
 */
export async function lookForBundles(deps: Deps, folder: string): Promise<number> {
  let taken = 0;
  const nowMs = (await systemClock.now()).getTime();
  for (const { id, name, kind, household_id } of await allSources(deps.db)) {
    if (kind !== 'bundles' || household_id !== null) continue;
    // A name is the operator's own; one that would lead elsewhere has no folder here.
    for (const own of [id, ...(/^[^/\\]+$/.test(name) && !name.startsWith('.') ? [name] : [])]) {
      for (const file of await filesIn(join(folder, own))) {
        const path = join(folder, own, file);
        if (nowMs - (await stat(path)).mtimeMs < restMs) continue;
        if ((await receiveFile(deps, id, path, file)) !== null) taken += 1;
      }
    }
  }
  return taken;
}
