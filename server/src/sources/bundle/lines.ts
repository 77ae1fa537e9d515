/** A line that is longer than this is none: only its beginning is kept. */
export const mostInRow = 256 * 1024;

export interface Line {
  /** Without its end. */
  readonly text: string;
  readonly isLong: boolean;
}

/** The lines of a text from one of them on (0 is the first), however it comes in pieces. */
export async function* linesOf(text: AsyncIterable<string>, from: number): AsyncGenerator<Line> {
  let number = 0;
  let begun = '';
  let length = 0;
  const line = (): Line => ({ text: begun.replace(/\r$/, ''), isLong: length > mostInRow });
  for await (const chunk of text) {
    const parts = chunk.split('\n');
    for (const [index, part] of parts.entries()) {
      if (index > 0) {
        if (number >= from) yield line();
        number += 1;
        [begun, length] = ['', 0];
      }
      if (number < from) continue;
      length += part.length;
      if (begun.length < mostInRow) begun += part.slice(0, mostInRow);
    }
  }
  if (number >= from && length > 0) yield line();
}
