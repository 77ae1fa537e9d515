import type { Readable } from 'node:stream';
import { open, type Entry, type ZipFile } from 'yauzl';
import { BundleError } from './errors';

export interface ArchiveLimits {
  readonly files: number;
  /** Of all files together, unpacked. */
  readonly bytes: number;
  /** How many times as large as its packed form a file may be: text packs to a twentieth, a bomb to a thousandth. */
  readonly ratio: number;
}
export const usualArchiveLimits: ArchiveLimits = { files: 1000, bytes: 4e9, ratio: 200 };

/** A zip whose list of files has been looked at: none of them is outside it, a link, locked, or too large. */
export interface Archive {
  /** The tables in it, each by its name in small letters without the folder. */
  readonly tables: ReadonlyMap<string, () => Promise<Readable>>;
  close(): void;
}

const isLocked = ({ generalPurposeBitFlag }: Entry): boolean => (generalPurposeBitFlag & 1) === 1;
/** What made it on a system with links has put its kind into the upper half. */
const isLink = ({ externalFileAttributes }: Entry): boolean =>
  ((externalFileAttributes >>> 16) & 0o170000) === 0o120000;

function check(entries: readonly Entry[], { bytes, ratio }: ArchiveLimits): void {
  const locked = entries.find(isLocked);
  if (locked) throw new BundleError('encrypted', `${locked.fileName} is locked with a password`);
  const link = entries.find(isLink);
  if (link) throw new BundleError('unsafe', `${link.fileName} is a link`);
  const sum = entries.reduce((total, { uncompressedSize }) => total + uncompressedSize, 0);
  if (sum > bytes) throw new BundleError('too-big', `unpacked it is larger than ${bytes} bytes`);
  const bomb = entries.find(
    ({ uncompressedSize, compressedSize }) =>
      uncompressedSize > 1e6 && uncompressedSize > ratio * Math.max(1, compressedSize),
  );
  if (bomb) throw new BundleError('too-big', `${bomb.fileName} is ${ratio} times as large as it is packed`);
}

/** What a zip's own reader finds wrong with it, in our words. */
function faultOf(error: Error): BundleError {
  if ('code' in error && error.code === 'ENOENT')
    return new BundleError('not-a-zip', 'there is no such file', { cause: error });
  const unsafe = /relative path|absolute path|invalid characters in fileName/.test(error.message);
  return unsafe
    ? new BundleError('unsafe', `a path in it leads outside of it: ${error.message}`, { cause: error })
    : new BundleError('not-a-zip', `it is no zip, or cut: ${error.message}`, { cause: error });
}

const opened = (path: string): Promise<ZipFile> =>
  new Promise((done, fail) =>
    open(path, { lazyEntries: true, autoClose: false, strictFileNames: true }, (error, zip) =>
      error ? fail(faultOf(error)) : done(zip),
    ),
  );

const entriesOf = (zip: ZipFile, { files }: ArchiveLimits): Promise<Entry[]> =>
  new Promise((done, fail) => {
    const entries: Entry[] = [];
    zip.on('entry', (entry: Entry) => {
      entries.push(entry);
      if (entries.length > files) fail(new BundleError('too-many-files', `it has more than ${files} files`));
      else zip.readEntry();
    });
    zip.once('end', () => done(entries));
    zip.once('error', (error: Error) => fail(faultOf(error)));
    zip.readEntry();
  });

const streamOf = (zip: ZipFile, entry: Entry): Promise<Readable> =>
  new Promise((done, fail) =>
    zip.openReadStream(entry, (error, stream) => (error ? fail(faultOf(error)) : done(stream))),
  );

/** What some systems add to an archive, and is none of its own. */
const isOwn = ({ fileName }: Entry): boolean =>
  !fileName.startsWith('__MACOSX/') && !fileName.split('/').some((part) => part.startsWith('.'));

/** The tables by their names; they stand at the top or in one folder. */
function tablesOf(entries: readonly Entry[]): Map<string, Entry> {
  const tables = entries.filter((entry) => isOwn(entry) && /\.csv$/i.test(entry.fileName));
  if (tables.length === 0) throw new BundleError('no-tables', 'there is no CSV file in it');
  const folders = new Set(tables.map(({ fileName }) => fileName.split('/').slice(0, -1).join('/')));
  if (folders.size > 1) throw new BundleError('several-bundles', 'its CSV files stand in several folders');
  const [folder = ''] = folders;
  if (folder.includes('/')) throw new BundleError('no-tables', 'its CSV files stand deeper than one folder');
  return new Map(tables.map((entry) => [entry.fileName.split('/').pop()?.toLowerCase() ?? '', entry]));
}

/**
 * Opens a zip and looks at its list of files before anything is unpacked.
 * @throws BundleError where it is none, or could hurt.
 */
export async function openArchive(path: string, limits = usualArchiveLimits): Promise<Archive> {
  const zip = await opened(path);
  try {
    const entries = await entriesOf(zip, limits);
    check(entries, limits);
    const tables = [...tablesOf(entries)].map(([name, entry]) => [name, () => streamOf(zip, entry)] as const);
    return { tables: new Map(tables), close: () => zip.close() };
  } catch (error) {
    zip.close();
    throw error;
  }
}
