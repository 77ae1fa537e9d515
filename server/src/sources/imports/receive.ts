import { createHash } from 'node:crypto';
import { createReadStream } from 'node:fs';
import { addJobs, type Deps } from '../../kit';
import { readingJob } from '../readingJob';
import { beginBundle, dropBundle, hasDigest, haveBundle, putPart } from './bundleStore';

/** A file is kept in parts of this size until it has been read. */
const partBytes = 1024 * 1024;
/** Packed; a district's whole year is a tenth of it. */
const mostBundleBytes = 512 * 1024 * 1024;

/** A file that comes is larger than any bundle. */
export class BundleTooLarge extends Error {
  override readonly name = 'BundleTooLarge';
  readonly code = 'bundle-too-large';
}

async function* inParts(stream: AsyncIterable<Buffer>): AsyncGenerator<Buffer> {
  let waiting: Buffer[] = [];
  let length = 0;
  for await (const chunk of stream) {
    waiting.push(chunk);
    length += chunk.length;
    if (length < partBytes) continue;
    yield Buffer.concat(waiting);
    [waiting, length] = [[], 0];
  }
  if (length > 0) yield Buffer.concat(waiting);
}

/**
 * Takes a file in, part by part, and has the worker read it.
 * @returns its id; null where the very same file is there already.
 * @throws BundleTooLarge
 */
export async function receiveBundle(
  { db, clock }: Deps,
  sourceId: string,
  {
    name,
    stream,
    most = mostBundleBytes,
  }: { readonly name: string; readonly stream: AsyncIterable<Buffer>; readonly most?: number },
): Promise<string | null> {
  const id = await beginBundle(db, sourceId, name, await clock.now());
  const hash = createHash('sha256');
  let bytes = 0;
  let seq = 0;
  try {
    for await (const part of inParts(stream)) {
      bytes += part.length;
      if (bytes > most) throw new BundleTooLarge(`${name} is larger than ${most} bytes`);
      hash.update(part);
      await putPart(db, id, seq, part);
      seq += 1;
    }
    const digest = hash.digest('base64');
    if (await hasDigest(db, sourceId, digest)) {
      await dropBundle(db, id);
      return null;
    }
    await haveBundle(db, id, { digest, bytes });
  } catch (error) {
    await dropBundle(db, id);
    throw error;
  }
  await addJobs(db, [readingJob(sourceId)]);
  return id;
}

/** Takes in a file of this machine. */
export const receiveFile = (
  deps: Deps,
  sourceId: string,
  path: string,
  name: string,
): Promise<string | null> => receiveBundle(deps, sourceId, { name, stream: createReadStream(path) });
