import type { WithheldFor } from '@cadro/contract';
import type { Db, Trx } from '../kit';

/** A file of a letter without its bytes. */
export interface FileRow {
  readonly id: string;
  readonly message_id: string;
  readonly name: string;
  readonly media_type: string;
  /** Bytes of the whole file, also where it is not kept. */
  readonly size: number;
  readonly withheld: WithheldFor | null;
}

export const filesOf = (db: Db, messageIds: readonly string[]): Promise<FileRow[]> =>
  db('message_files')
    .whereIn('message_id', [...messageIds])
    .orderBy(['message_id', 'position'])
    .select('id', 'message_id', 'name', 'media_type', 'size', 'withheld');

/** The bytes of each file of some letters that is kept. */
export const keptFiles = (
  db: Db,
  messageIds: readonly string[],
): Promise<(FileRow & { readonly content: Buffer })[]> =>
  db('message_files')
    .whereIn('message_id', [...messageIds])
    .whereNotNull('content')
    .orderBy(['message_id', 'position'])
    .select('id', 'message_id', 'name', 'media_type', 'size', 'withheld', 'content');

/** A file with its bytes, if it stands in one of the threads; they are null where it is not kept. */
export const fileIn = (
  db: Db,
  threadIds: readonly string[],
  fileId: string,
): Promise<{ name: string; media_type: string; content: Buffer | null } | undefined> =>
  db('message_files as f')
    .join('messages as m', 'm.id', 'f.message_id')
    .whereIn('m.thread_id', [...threadIds])
    .where({ 'f.id': fileId })
    .first('f.name', 'f.media_type', 'f.content');

export interface NewFile {
  readonly name: string;
  readonly mediaType: string;
  readonly size: number;
  readonly content: Uint8Array | null;
  readonly withheld: WithheldFor | null;
}

export async function putFiles(
  trx: Trx,
  { studentId, messageId }: { studentId: string; messageId: string },
  files: readonly NewFile[],
): Promise<void> {
  if (files.length === 0) return;
  await trx('message_files').insert(
    files.map(({ name, mediaType, size, content, withheld }, position) => ({
      ...{ student_id: studentId, message_id: messageId, position, name, media_type: mediaType, size },
      ...{ content: content && Buffer.from(content), withheld },
    })),
  );
}

/** The addresses from which a thread's teacher writes, as the family has said. */
export const saidAddresses = (trx: Db | Trx, threadId: string): Promise<string[]> =>
  trx('thread_addresses').where({ thread_id: threadId }).pluck('address');

export async function sayAddress(
  trx: Trx,
  row: { student_id: string; thread_id: string; address: string; said_by: string; said_at: Date },
): Promise<void> {
  await trx('thread_addresses').insert(row).onConflict(['thread_id', 'address']).ignore();
}
