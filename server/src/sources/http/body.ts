import { PassThrough, type Readable, type Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createBrotliDecompress, createGunzip, createInflate } from 'node:zlib';
import { SourceError } from '../errors';
import type { Budget } from './budget';

const unpackers: Readonly<Record<string, () => Transform>> = {
  gzip: createGunzip,
  'x-gzip': createGunzip,
  deflate: createInflate,
  br: createBrotliDecompress,
};

/** Counts bytes on their way, and breaks off where there are too many. */
async function* upTo(source: AsyncIterable<Buffer>, most: number, where: string, budget?: Budget) {
  let bytes = 0;
  for await (const chunk of source) {
    bytes += chunk.length;
    if (bytes > most)
      throw new SourceError('source-too-much', `${where} answers with more than ${most} bytes`, false);
    budget?.spend({ bytes: chunk.length });
    yield chunk;
  }
}

/**
 * The text of an answer, unpacked; limited before and after, so that a small one cannot become a huge one.
 * @throws SourceError where it is too much, breaks off, or is packed in a way nobody knows.
 */
export async function readBody(
  body: Readable,
  { encoding, where, budget }: { encoding: string; where: string; budget: Budget },
): Promise<string> {
  const packing = encoding.trim().toLowerCase();
  const unpack = packing === '' || packing === 'identity' ? () => new PassThrough() : unpackers[packing];
  const most = budget.limits.answerBytes;
  if (!unpack) {
    body.on('error', () => undefined).destroy();
    throw new SourceError('source-nonsense', `${where} is packed as ${packing.slice(0, 40)}`, false);
  }
  const parts: Buffer[] = [];
  try {
    await pipeline(
      body,
      (wire: AsyncIterable<Buffer>) => upTo(wire, most, where, budget),
      unpack(),
      async (unpacked: AsyncIterable<Buffer>) => {
        for await (const chunk of upTo(unpacked, most, where)) parts.push(chunk);
      },
    );
  } catch (cause) {
    if (cause instanceof SourceError) throw cause;
    throw new SourceError('source-down', `${where} broke off its answer`, true, { cause });
  }
  return Buffer.concat(parts).toString('utf8');
}
