import type { Archive } from './archive';
import { readRowsOf } from './rows';

/** What a bundle does with what was there of a table before: replaces it, adds to it, or leaves it as it is. */
export type Mode = 'bulk' | 'delta' | 'absent';

export interface Manifest {
  readonly modes: ReadonlyMap<string, Mode>;
  /** What it says of files that is not so. */
  readonly doubts: readonly { readonly file: string; readonly reason: string }[];
}

const isMode = (value: string): value is Mode => value === 'bulk' || value === 'delta' || value === 'absent';

async function propertiesOf(archive: Archive): Promise<Map<string, string> | null> {
  const open = archive.tables.get('manifest.csv');
  if (!open) return null;
  const properties = new Map<string, string>();
  for await (const read of readRowsOf(open)) {
    if (read.fault === undefined) {
      const { propertyname = '', value = '' } = read.fields;
      properties.set(propertyname.toLowerCase(), value.toLowerCase());
    }
  }
  return properties;
}

/**
 * What manifest.csv says of each table. Without one, and of a table it does not name, what is there is all there is.
 * @param tables the names that are read, without their ending.
 */
export async function readManifest(archive: Archive, tables: readonly string[]): Promise<Manifest> {
  const properties = await propertiesOf(archive);
  const modes = new Map<string, Mode>();
  const doubts: { file: string; reason: string }[] = [];
  if (!properties)
    doubts.push({ file: 'manifest.csv', reason: 'is not there: every table is taken as whole' });
  for (const name of tables) {
    const file = `${name}.csv`;
    const isThere = archive.tables.has(file.toLowerCase());
    const said = properties?.get(`file.${name}`.toLowerCase()) ?? (isThere ? 'bulk' : 'absent');
    if (!isMode(said)) doubts.push({ file, reason: `is told as '${said.slice(0, 40)}' in manifest.csv` });
    if (said !== 'absent' && !isThere)
      doubts.push({ file, reason: `is told as ${said.slice(0, 40)} and is not there` });
    modes.set(name, isThere && isMode(said) ? said : 'absent');
  }
  return { modes, doubts };
}
