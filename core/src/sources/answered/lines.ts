/** A line of a mail, with how many letters deep it is quoted; 0 is what its writer says. */
export interface Line {
  readonly depth: number;
  readonly text: string;
}

const plain = (text: string): string =>
  text.replace(/[\u00a0\u2007\u202f]/g, ' ').replace(/[\u200b-\u200d\ufeff]/g, '');

/** The lines of a mail that is written as text: quoted by `>` at their beginning. */
export function linesOfText(text: string): Line[] {
  return plain(text)
    .split(/\r\n|\r|\n/)
    .map((line) => {
      const marks = /^(?:\s?>)+/.exec(line)?.[0] ?? '';
      return {
        depth: marks.replaceAll(/[^>]/g, '').length,
        text: line.slice(marks.length).replace(/^ /, '').trimEnd(),
      };
    });
}
