import { buffer } from 'node:stream/consumers';
import type { Test } from 'supertest';
import { fromBuffer } from 'yauzl';

/** The files of an archive by path. */
export const filesOf = (zip: Buffer): Promise<Map<string, Buffer>> =>
  new Promise((done, fail) => {
    const files = new Map<string, Buffer>();
    fromBuffer(zip, { lazyEntries: true }, (error, archive) => {
      if (error) return fail(error);
      archive.on('entry', (entry: { fileName: string }) => {
        archive.openReadStream(entry as Parameters<typeof archive.openReadStream>[0], (broken, stream) => {
          if (broken) return fail(broken);
          void buffer(stream).then((bytes) => {
            files.set(entry.fileName, bytes);
            archive.readEntry();
          }, fail);
        });
      });
      archive.once('end', () => done(files)).once('error', fail);
      archive.readEntry();
    });
  });

/** The files of an archive that a request answers, by path. */
export async function unpacked(request: Test): Promise<Map<string, Buffer>> {
  const { body } = await request.buffer().parse((response, done) => {
    const chunks: Buffer[] = [];
    response.on('data', (chunk: Buffer) => chunks.push(chunk));
    response.on('end', () => done(null, Buffer.concat(chunks)));
  });
  return filesOf(body as Buffer);
}
