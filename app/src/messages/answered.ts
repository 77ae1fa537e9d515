import type { KeptDraft } from '@cadro/contract';

/** A stretch of a letter: what somebody says, or what they say it about. */
export interface Stretch {
  readonly quoted: boolean;
  readonly text: string;
}

/** The stretches of a letter: lines that begin with `> ` are what is answered below them. */
export function stretchesOf(text: string): Stretch[] {
  const found: { quoted: boolean; lines: string[] }[] = [];
  for (const line of text.split('\n')) {
    const quoted = line.startsWith('> ');
    const last = found.at(-1);
    const words = quoted ? line.slice(2) : line;
    if (last && last.quoted === quoted) last.lines.push(words);
    else found.push({ quoted, lines: [words] });
  }
  return found
    .map(({ quoted, lines }) => ({ quoted, text: lines.join('\n').trim() }))
    .filter(({ text: words }) => words !== '');
}

/** How large a file is, in the words one says it with. @param size in bytes. */
export const sizeWords = (size: number): string =>
  size < 1_000_000 ? `${Math.max(1, Math.round(size / 1000))} KB` : `${(size / 1_000_000).toFixed(1)} MB`;

/** A letter that was taken back, as what is begun: it goes on where it would be written anew. */
export function takenBack(letter: {
  readonly studentId: string;
  readonly teacherId: string;
  readonly followUpId: string | null;
  readonly subject: string;
  readonly text: string;
}): KeptDraft {
  const { studentId, teacherId, followUpId, subject, text } = letter;
  const at = followUpId ? `followUpId=${followUpId}` : `studentId=${studentId}&teacherId=${teacherId}`;
  return {
    ...{ key: `letter:${studentId}:${teacherId}:${at}`, studentId, kind: 'letter', title: subject },
    ...{ place: `/talk/write?${at}`, fields: { subject, text } },
  };
}
