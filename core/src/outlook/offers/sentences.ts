/** A stretch of a comment with its place in it. */
export interface Stretch {
  readonly text: string;
  readonly start: number;
}

/** No sentence that says something is longer; what is longer is read in pieces, so that reading stays linear. */
const longest = 500;

/** Ends of sentences that are none: '3 p.m. on', 'Nov. 6', 'Mr. Okonjo'. */
const abbreviated =
  /(?:\b(?:a\.m|p\.m|mr|mrs|ms|dr|no|vs|approx|sr|sra|srta|jan|feb|mar|apr|jun|jul|aug|sept?|oct|nov|dec|mon|tues?|wed|thurs?|fri|sat|sun)|\d|\b\p{L})$/iu;

/** The sentences of a text, in order; each keeps the mark that ends it. */
export function sentencesOf(text: string): Stretch[] {
  const found: Stretch[] = [];
  let start = 0;
  const close = (end: number) => {
    for (let from = start; from < end;) {
      let to = Math.min(end, from + longest);
      const space = to < end ? text.lastIndexOf(' ', to) : -1;
      if (space > from + longest / 2) to = space;
      if (text.slice(from, to).trim() !== '') found.push({ text: text.slice(from, to), start: from });
      from = to;
    }
    start = end;
  };
  for (const { index, 0: mark } of text.matchAll(/[.!?…]+(?=\s|$|["')\]])|\n+|;/gu)) {
    const before = text.slice(Math.max(0, index - 8), index);
    const next = /^\s*(\p{Ll}|\d)/u.test(text.slice(index + mark.length, index + mark.length + 12));
    if (mark === '.' && abbreviated.test(before) && (next || /\b(?:mr|mrs|ms|dr|sra?|srta)$/i.test(before)))
      continue;
    close(index + mark.length);
  }
  close(text.length);
  return found;
}
