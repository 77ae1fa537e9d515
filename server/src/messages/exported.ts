import MailComposer from 'nodemailer/lib/mail-composer';
import { childrenFor, guardianById } from '../household';
import type { Db, PackedFile } from '../kit';
import { fileNameOf } from '../kit';
import { keptFiles } from './fileStore';
import * as store from './store';

/** Every letter of a household's threads as a mail of its own (RFC 5322), in a folder for each child and teacher. */
export async function exportedLetters(db: Db, guardianId: string): Promise<PackedFile[]> {
  const children = await childrenFor(db, guardianId, 'read-talk');
  const guardian = await guardianById(db, guardianId);
  const threads = await store.threadsOf(
    db,
    guardianId,
    children.map(({ id }) => id),
  );
  const letters = await store.lettersOf(
    db,
    threads.map(({ id }) => id),
  );
  const enclosed = await keptFiles(
    db,
    letters.map(({ id }) => id),
  );
  const files: PackedFile[] = [];
  for (const [index, letter] of letters.entries()) {
    const thread = threads.find(({ id }) => id === letter.thread_id);
    const child = children.find(({ id }) => id === thread?.student_id);
    if (!thread || !child) continue;
    const home = { name: letter.author, address: guardian?.email ?? '' };
    const school = { name: thread.teacher_name, address: letter.sender ?? thread.teacher_email ?? '' };
    const mail = await new MailComposer({
      ...(letter.from_teacher ? { from: school, to: guardian?.email ?? '' } : { from: home, to: school }),
      ...{ subject: letter.subject, text: letter.text, date: letter.at },
      attachments: enclosed
        .filter((file) => file.message_id === letter.id)
        .map(({ name, media_type, content }) => ({ filename: name, contentType: media_type, content })),
      messageId: letter.mime_id ?? `<${letter.id}@cadro.invalid>`,
    })
      .compile()
      .build();
    const folder = `${fileNameOf(child.givenName)}/letters/${fileNameOf(thread.teacher_name)}`;
    const number = String(index + 1).padStart(4, '0');
    files.push({ path: `${folder}/${number} ${fileNameOf(letter.subject)}.eml`, content: mail });
  }
  return files;
}
