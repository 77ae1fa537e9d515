import type { WithheldFor } from '@cadro/contract';
import { judgeFile, mostFiles, mostOfAllFiles, safeFileName } from '@cadro/core/answered';
import { fileTypeFromBuffer } from 'file-type';
import type { Attachment } from 'mailparser';

/** A file that came with a mail: its bytes, or why they are not kept. */
export interface Enclosed {
  readonly name: string;
  readonly mediaType: string;
  /** Of the whole file. */
  readonly size: number;
  readonly content: Uint8Array | null;
  readonly withheld: WithheldFor | null;
}

/** Names for one kind, of which the first is used. */
const oneName: Readonly<Record<string, string>> = { 'audio/x-m4a': 'audio/mp4', 'image/heif': 'image/heic' };

/** A picture that belongs to the words around it: of a signature, or the point that counts who has read a mail. */
const isOrnament = ({ related, contentType, content }: Attachment): boolean =>
  related === true && contentType.startsWith('image/') && content.length < 20_000;

/** A file of the family's own. */
export interface FileGiven {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** Each file looked at for what it is; nothing is unpacked or shown. @param cut whether the last of them is not whole. */
export async function lookedAt(
  files: readonly Pick<Attachment, 'filename' | 'contentType' | 'content'>[],
  cut = false,
): Promise<Enclosed[]> {
  let room = mostOfAllFiles;
  const found: Enclosed[] = [];
  for (const [index, { filename = '', contentType, content }] of files.entries()) {
    const name = safeFileName(filename);
    const type = (await fileTypeFromBuffer(content))?.mime ?? null;
    const judged = judgeFile({
      ...{ name, claimed: contentType, bytes: content, cut: cut && index === files.length - 1 },
      found: type === null ? null : (oneName[type] ?? type),
    });
    const withheld = judged.withheld ?? (content.length > room ? 'too-large' : null);
    if (withheld === null) room -= content.length;
    found.push({
      ...{ name, mediaType: judged.mediaType, size: content.length, withheld },
      content: withheld === null ? new Uint8Array(content) : null,
    });
  }
  return found;
}

/** The files of a mail. @param cut whether the mail was read in part, so that its last file is not whole. */
export const enclosedIn = (attachments: readonly Attachment[], cut: boolean): Promise<Enclosed[]> =>
  lookedAt(attachments.filter((each) => !isOrnament(each)).slice(0, mostFiles), cut);
