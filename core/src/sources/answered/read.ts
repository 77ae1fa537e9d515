import { unframed } from './frame';
import { linesOfHtml } from './html';
import { linesOfText, type Line } from './lines';

/** Lines that follow each other, all quoted or all the writer's own; `words` has none but blank lines at neither end. */
interface Block {
  readonly quoted: boolean;
  readonly words: readonly string[];
}

function trimmed(lines: readonly string[]): string[] {
  const first = lines.findIndex((line) => line.trim() !== '');
  const last = lines.findLastIndex((line) => line.trim() !== '');
  return first < 0 ? [] : lines.slice(first, last + 1);
}

/** The blocks of a mail; of what is quoted only the letter that is answered, not the ones before it. */
function blocksOf(lines: readonly Line[]): Block[] {
  const found: { quoted: boolean; words: string[] }[] = [];
  for (const { depth, text } of lines) {
    const quoted = depth > 0;
    const last = found.at(-1);
    // A blank line belongs to what stands before it.
    if (last && (last.quoted === quoted || text.trim() === '')) {
      if (depth < 2) last.words.push(text);
    } else found.push({ quoted, words: depth < 2 ? [text] : [] });
  }
  return found
    .map(({ quoted, words }) => ({ quoted, words: trimmed(words) }))
    .filter(({ words, quoted }) => quoted || words.length > 0);
}

/** So much of what was asked is kept above an answer. */
const longestQuestion = 400;

/** The last paragraph of what is quoted: the question that is answered below it. */
function questionOf({ words }: Block): string[] {
  const from = words.findLastIndex((line) => line.trim() === '');
  const question = words.slice(from + 1);
  const whole = question.join(' ');
  return whole.length <= longestQuestion ? question : [`… ${whole.slice(-longestQuestion)}`];
}

const emptyRuns = (text: string): string => text.replace(/\n{3,}/g, '\n\n').trim();

/** An answer without the letter it quotes; where it stands between what it answers, with the questions. */
function answerIn(lines: readonly Line[]): string {
  const blocks = blocksOf(unframed(lines));
  const own = blocks.filter(({ quoted }) => !quoted);
  const answers = own.filter((block) => blocks.slice(0, blocks.indexOf(block)).some(({ quoted }) => quoted));
  // Below the whole letter stands one answer to all of it.
  const between = answers.length > 1 || (answers.length === 1 && own.length > 1);
  if (!between) return emptyRuns(own.map(({ words }) => words.join('\n')).join('\n\n'));
  const said = blocks.flatMap((block, at) => {
    if (block.quoted) return [];
    const before = blocks[at - 1];
    const question = before?.quoted ? questionOf(before).map((line) => `> ${line}`) : [];
    return [[...question, ...block.words].join('\n')];
  });
  return emptyRuns(said.join('\n\n'));
}

/**
 * What somebody answers: without the letter below or above it, without what the mail program wrote, with the questions
 * where it stands between them (lines that begin with `> `). Empty where nothing is said.
 * @param mail.text as text. @param mail.html as markup, where there is no text; either may be empty.
 */
export function readAnswer({ text, html }: { readonly text: string; readonly html: string }): string {
  const fromText = text.trim() === '' ? '' : answerIn(linesOfText(text));
  return fromText === '' && html !== '' ? answerIn(linesOfHtml(html)) : fromText;
}
