import { HttpProblem, Streamed, type Deps } from '../kit';
import { fileIn } from './fileStore';
import { visibleThreads } from './threads';

/** What a browser is never to run, whatever a file holds. */
const asFile = (name: string, mediaType: string, size: number) => ({
  'content-type': mediaType,
  'content-length': String(size),
  'content-disposition': `attachment; filename="file"; filename*=UTF-8''${encodeURIComponent(name).replace(/['()*]/g, (mark) => `%${mark.charCodeAt(0).toString(16)}`)}`,
  'x-content-type-options': 'nosniff',
  'content-security-policy': "default-src 'none'; sandbox",
  'cache-control': 'private, no-store',
});

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
    response.set(asFile(file.name, file.media_type, content.length)).end(content);
  });
}
