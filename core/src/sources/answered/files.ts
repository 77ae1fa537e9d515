import type { WithheldFor } from '@cadro/contract';

/* What may come with a letter, and go out with one: known by what it is, never by what it says it is. */

/** Kinds a school and a family send each other, each with the endings it is named by; the first is given where none fits. */
const kinds: Readonly<Record<string, readonly string[]>> = {
  'application/pdf': ['pdf'],
  'image/jpeg': ['jpg', 'jpeg'],
  'image/png': ['png'],
  'image/gif': ['gif'],
  'image/webp': ['webp'],
  'image/heic': ['heic', 'heif'],
  'application/vnd.openxmlformats-officedocument.wordprocessingml.document': ['docx'],
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet': ['xlsx'],
  'application/vnd.openxmlformats-officedocument.presentationml.presentation': ['pptx'],
  'application/vnd.oasis.opendocument.text': ['odt'],
  'application/vnd.oasis.opendocument.spreadsheet': ['ods'],
  'text/plain': ['txt', 'md'],
  'text/csv': ['csv'],
  'text/calendar': ['ics'],
  'audio/mpeg': ['mp3'],
  'audio/mp4': ['m4a'],
};

/** One file may be so large, in bytes, and all of a letter's together. */
export const mostOfOneFile = 8_000_000;
export const mostOfAllFiles = 10_000_000;
export const mostFiles = 20;

const longestName = 120;

/** A file's name alone: without folders, without characters that mean something to a machine, as long as a line. */
export function safeFileName(name: string): string {
  const last = name.split(/[\\/]/).pop() ?? '';
  const plain = last
    .normalize('NFC')
    // Marks that turn the direction of writing make `exe.pdf` of `fdp.exe`.
    .replace(/[\p{Cc}\p{Cf}\p{Co}\p{Cs}<>:"|?*]/gu, '')
    .replace(/^[.\s]+|[.\s]+$/g, '')
    .slice(-longestName);
  return plain === '' ? 'file' : plain;
}

const endingOf = (name: string): string => /\.([^.]+)$/.exec(name)?.[1]?.toLowerCase() ?? '';

/** Whether bytes are words: text without a control character that is none of a text, and no markup. */
export function isPlainText(bytes: Uint8Array): boolean {
  try {
    const text = new TextDecoder('utf-8', { fatal: true }).decode(bytes.subarray(0, 200_000), {
      stream: true,
    });
    return !/[\x00-\x08\x0e-\x1f]/.test(text) && !/^\s*(?:<|%!|#!|\{\\rtf)/.test(text); // eslint-disable-line no-control-regex
  } catch {
    return false;
  }
}

/** What a file of words is, by its name: a list, a calendar, or words alone. */
const wordsNamed = (ending: string): string =>
  ending === 'csv' ? 'text/csv' : ending === 'ics' ? 'text/calendar' : 'text/plain';

/**
 * What becomes of a file.
 * @param file.found the media type its bytes show; null where they show none.
 * @param file.claimed the media type it came with.
 * @returns its media type, and why it is not kept; null where it is.
 */
export function judgeFile(file: {
  readonly name: string;
  readonly claimed: string;
  readonly found: string | null;
  readonly bytes: Uint8Array;
  /** Whether not all of it came. */
  readonly cut?: boolean;
}): { readonly mediaType: string; readonly withheld: WithheldFor | null } {
  const { name, found, bytes, claimed } = file;
  const ending = endingOf(name);
  const mediaType = found ?? (isPlainText(bytes) ? wordsNamed(ending) : 'application/octet-stream');
  if (file.cut || bytes.length > mostOfOneFile) return { mediaType, withheld: 'too-large' };
  const endings = kinds[mediaType];
  // Markup calls itself a picture, and is neither.
  if (!endings) {
    const pretends =
      /^(?:image|audio|text)\/|pdf/i.test(claimed) || Object.values(kinds).flat().includes(ending);
    return { mediaType, withheld: pretends && !/svg|html|xml/i.test(claimed) ? 'not-as-named' : 'kind' };
  }
  const fits = ending === '' || endings.includes(ending) || mediaType.startsWith('text/');
  const foreign = ending !== '' && !Object.values(kinds).flat().includes(ending);
  if (fits && !(mediaType.startsWith('text/') && foreign)) return { mediaType, withheld: null };
  return { mediaType, withheld: foreign ? 'kind' : 'not-as-named' };
}
