import { isUtf8 } from 'node:buffer';
import type { Readable } from 'node:stream';
import { detect } from 'chardet';
import { encodingExists } from 'iconv-lite';

const marks: readonly (readonly [string, readonly number[]])[] = [
  ['utf-8', [0xef, 0xbb, 0xbf]],
  ['utf-16le', [0xff, 0xfe]],
  ['utf-16be', [0xfe, 0xff]],
];

/** Western letters of sixteen bits have an empty half: which one tells the order. Null for a text of another kind. */
function wide(chunk: Buffer): string | null {
  const empty = [0, 0];
  const looked = chunk.subarray(0, 4096);
  looked.forEach((byte, index) => {
    if (byte === 0) empty[index % 2] = (empty[index % 2] ?? 0) + 1;
  });
  const [first = 0, second = 0] = empty;
  if (first + second < looked.length / 5) return null;
  return second > first ? 'utf-16le' : 'utf-16be';
}

/** A character at the end of a chunk may have its rest in the next: what is whole is looked at. */
function wholeEnd(chunk: Buffer): number {
  for (let back = 1; back <= Math.min(4, chunk.length); back += 1) {
    const byte = chunk[chunk.length - back] ?? 0;
    if (byte < 0x80) return chunk.length;
    if (byte >= 0xc0) return chunk.length - back;
  }
  return chunk.length;
}

const sampleSize = 64 * 1024;

/**
 * How a text is written: by its mark; as UTF-8 where all of it is that; else by how its letters are spread.
 * @param stream is read to its end.
 */
export async function encodingOf(stream: Readable): Promise<string> {
  let rest = Buffer.alloc(0);
  let head = Buffer.alloc(0);
  let sample: Buffer | null = null;
  let begun: string | null | undefined;
  for await (const read of stream as AsyncIterable<Buffer>) {
    if (head.length < 4) head = Buffer.concat([head, read.subarray(0, 4)]);
    if (sample || begun) continue; // it is known; the stream is only let run out
    const chunk = rest.length > 0 ? Buffer.concat([rest, read]) : read;
    const end = wholeEnd(chunk);
    if (begun === undefined) begun = wide(chunk);
    if (begun === null && !isUtf8(chunk.subarray(0, end))) sample = chunk.subarray(0, sampleSize);
    rest = Buffer.from(chunk.subarray(end));
  }
  const marked = marks.find(([, bytes]) => bytes.every((byte, index) => head[index] === byte));
  if (marked) return marked[0];
  if (begun) return begun;
  if (!sample && (rest.length === 0 || isUtf8(rest))) return 'utf-8';
  const guess = detect(sample ?? rest) ?? 'windows-1252';
  // The two western ones differ in letters that the first does not have.
  const named = /^iso-8859-1$/i.test(guess) ? 'windows-1252' : guess;
  return encodingExists(named) ? named : 'windows-1252';
}
