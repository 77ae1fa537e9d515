import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import { HttpProblem, Streamed, type Db } from '../kit';
import { recordingFile } from './commentStore';
import { addressAt } from './course/views';

/** A recording that takes longer to begin is not there. */
const patienceMs = 10_000;

/**
 * A teacher's spoken words, handed through from the school: the browser asks nobody but Cadro, and Cadro nobody but the
 * source that named the recording.
 * @throws HttpProblem 404 where there is none, 502 where the school does not give it.
 */
export async function recordingOf(
  db: Db,
  { studentId, commentId }: { readonly studentId: string; readonly commentId: string },
): Promise<Streamed> {
  const row = await recordingFile(db, { studentId, commentId });
  const address = row?.recording ? addressAt(row.base_url, row.recording.href) : null;
  if (!row || !address || new URL(address).origin !== new URL(row.base_url).origin)
    throw new HttpProblem('not-found');
  const answer = await fetch(address, { signal: AbortSignal.timeout(patienceMs), redirect: 'error' }).catch(
    () => null,
  );
  const type = answer?.headers.get('content-type') ?? '';
  if (!answer?.ok || !answer.body || !type.startsWith('audio/')) throw new HttpProblem('source-unreachable');
  const body = answer.body as ReadableStream; // the same stream in Node's own types
  return new Streamed(async (_request, response) => {
    response.set({ 'content-type': type, 'cache-control': 'private, max-age=3600' });
    await pipeline(Readable.fromWeb(body), response);
  });
}
