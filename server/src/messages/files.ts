import { HttpProblem, Streamed, type Deps } from '../kit';
import { fileIn } from './fileStore';
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
