import { mostBytesOut, type FileOut } from '@cadro/contract';
import { HttpProblem, Streamed, type Deps, type ServerDeps } from '../kit';
import { lookAtFiles } from '../sources';
import { fileIn, type NewFile } from './fileStore';
import { visibleThreads } from './threads';

/** What a browser is never to run, whatever a file holds. */
const onlySaved = {
  'x-content-type-options': 'nosniff',
  'content-security-policy': "default-src 'none'; sandbox",
  'cache-control': 'private, no-store',
};

/** A file of a thread, to be saved. @throws HttpProblem 404 for one that is not kept, or in no thread of the household. */
export async function fileOf(
  { db }: Deps,
  guardianId: string,
  { threadId, fileId }: { readonly threadId: string; readonly fileId: string },
): Promise<Streamed> {
  const thread = (await visibleThreads(db, guardianId)).find(({ id }) => id === threadId);
  const file = thread && (await fileIn(db, [threadId], fileId));
  const content = file?.content;
  if (!file || !content) throw new HttpProblem('not-found');
  return new Streamed(async (_request, response) => {
    const kind = { 'content-type': file.media_type, 'content-length': String(content.length) };
    response
      .attachment(file.name)
      .set({ ...onlySaved, ...kind })
      .end(content);
  });
}

/**
 * The files that go out with a letter, each looked at for what it is, as those that come in are.
 * @param whose who has them looked at.
 * @throws HttpProblem 422 `unfit-file` for one that a family and a school do not send each other, and for more than may go out.
 */
export async function filesOut(
  deps: Pick<ServerDeps, 'threads'>,
  whose: string,
  files: readonly FileOut[],
): Promise<readonly NewFile[]> {
  if (files.length === 0) return [];
  const given = files.map(({ name, content }) => ({ name, bytes: Buffer.from(content, 'base64') }));
  const refuse = (at: number, message: string) =>
    new HttpProblem('unfit-file', { errors: [{ path: `/files/${at}`, message }] });
  if (given.reduce((sum, { bytes }) => sum + bytes.length, 0) > mostBytesOut) throw refuse(0, 'too-large');
  const found = await lookAtFiles(deps, whose, given);
  for (const [at, { withheld }] of found.entries()) if (withheld !== null) throw refuse(at, withheld);
  return found;
}
