import { buffer } from 'node:stream/consumers';
import { ZipFile } from 'yazl';

/** A file of an archive. */
export interface PackedFile {
  /** Folders and name, with slashes. */
  readonly path: string;
  readonly content: string | Uint8Array;
}

/** A name that no file system takes for a way elsewhere, or for nothing: no control and no format characters. */
export const fileNameOf = (text: string): string =>
  text
    .replace(/[\p{Cc}\p{Cf}<>:"/\\|?*]+/gu, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[. ]+|[. ]+$/g, '')
    .slice(0, 80) || 'unnamed';

/** Packs files into one; of two with one path the second gets a number. @param at the time each of them bears. */
export async function zipOf(files: readonly PackedFile[], at: Date): Promise<Buffer> {
  const zip = new ZipFile();
  const taken = new Map<string, number>();
  for (const { path, content } of files) {
    const before = taken.get(path) ?? 0;
    taken.set(path, before + 1);
    const name = before === 0 ? path : path.replace(/(\.\w+)?$/, (extension) => ` ${before + 1}${extension}`);
    zip.addBuffer(Buffer.from(content), name, { mtime: at });
  }
  zip.end();
  // yazl's stream is Node's own, typed as an older one.
  return buffer(zip.outputStream as unknown as NodeJS.ReadableStream);
}
