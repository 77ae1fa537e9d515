import type { Language, ResultStatus } from '@cadro/contract';
import { readLine } from '../own/line';
import { plainTitle } from '../own/match';
import { gridOf, type Grid } from '../tables/grid';
import { readGrid } from '../tables/readTable';

/** Something a mail seems to say of an assignment, on the very words that say it. */
export interface Proposal {
  readonly words: string;
  readonly title: string;
  readonly dueOn: string | null;
  readonly category: string | null;
  readonly earned: number | null;
  readonly possible: number | null;
  readonly percent: number | null;
  readonly letter: string | null;
  readonly status: ResultStatus;
  readonly comment: string | null;
  /** The course as the mail names it; null where it names none. */
  readonly course: string | null;
}

export interface MailAsked {
  readonly lang: Language;
  /** The day on which it was written, `YYYY-MM-DD`. */
  readonly today: string;
}

/** More than any mail of a school lists. */
const mostProposals = 100;
const longestLine = 220;

const due = /\b(due|turn(?:ed)? in by|hand(?:ed)? in by|deadline|para el|vence|entregar|fecha l[ií]mite)\b/i;
/** What people write about other things: greetings, thanks, whole sentences without a number. */
const chatter =
  /^(?:hi|hello|dear|hola|estimad[oa]s?|buen[oa]s|thank|thanks|gracias|best|regards|saludos|sincerely|sent from|enviado desde|unsubscribe)\b/i;
const bullet = /^[\s>]*(?:[-*•·–]|\d{1,2}[.)])\s+/;
const led =
  /^(?:missing|late|incomplete|upcoming|new grade|grade posted|score|due|faltan?|pendiente|calificaci[oó]n|puntaje)\s*(?:assignments?|work|tareas?)?\s*:\s*/i;

/** `Missing: Worksheet 7` says of the worksheet that it is missing. */
function statusLed(line: string): ResultStatus | null {
  const word = led.exec(line)?.[0] ?? '';
  if (/^(missing|faltan?)/i.test(word)) return 'missing';
  return /^incomplete/i.test(word) ? 'incomplete' : null;
}

function ofLine(line: string, asked: MailAsked): Proposal | null {
  const words = line.replace(bullet, '').trim();
  if (words.length < 4 || words.length > longestLine || chatter.test(words)) return null;
  // 'is 10/30' is a day rather than points, and says nothing of work.
  if (/\b(?:is|on|es|el|until|hasta)\s+\d{1,2}\/\d{1,2}\b/i.test(words) && !due.test(words)) return null;
  const said = statusLed(words);
  const read = readLine(words.replace(led, ''), { ...asked, courses: [], categories: [] });
  const scored = (read.earned !== null && read.possible !== null) || read.percent !== null;
  const status = said !== null && !scored ? said : read.status;
  const isAbout =
    scored ||
    ['missing', 'incomplete', 'excused'].includes(status) ||
    (read.dueOn !== null && due.test(words));
  // A title is a few words: a sentence that has a date in it is no assignment.
  const title = read.title
    .replace(/\s+(?:is|was|are|es|fue|está)$/i, '')
    .replace(/[.!?:]+$/, '')
    .trim();
  if (!isAbout || plainTitle(title).length < 2 || title.includes('. ') || title.split(/\s+/).length > 9)
    return null;
  const { dueOn, category, earned, possible, percent } = read;
  return {
    words,
    title,
    dueOn,
    category,
    earned,
    possible,
    percent,
    letter: null,
    status,
    comment: null,
    course: null,
  };
}

function ofTable(grid: Grid, asked: MailAsked): Proposal[] {
  const { columns, rows } = readGrid(grid, asked);
  // Tables hold a mail's layout together, too: one with nothing to hand in or to score is none.
  const tells = columns.some(({ means }) =>
    ['due', 'score', 'earned', 'percent', 'letter', 'status'].includes(means),
  );
  if (!tells || rows.length === 0) return [];
  return rows.map(({ row: _row, student: _student, ...said }) => ({
    ...said,
    words: [said.title, said.course, said.category, said.dueOn, ...scoreWords(said), said.comment]
      .filter((part) => part !== null && part !== '')
      .join(' · '),
  }));
}

const scoreWords = ({ earned, possible, percent, letter, status }: Omit<Proposal, 'words'>): string[] => [
  ...(earned === null ? [] : [possible === null ? `${earned}` : `${earned}/${possible}`]),
  ...(percent === null ? [] : [`${percent}%`]),
  ...(letter === null ? [] : [letter]),
  ...(status === 'scored' || status === 'open' ? [] : [status]),
];

/** The tables of a mail that have no other in them. */
const innermost = (html: string): string[] =>
  html.match(/<table\b(?:(?!<table\b)[\s\S])*?<\/table>/gi)?.slice(0, 40) ?? [];

/**
 * What a mail seems to say of assignments, scores and marks: out of its tables where it has some that say so, else line
 * by line. Proposals alone: nothing here is taken for true.
 * @param mail.text its words. @param mail.html its markup, empty where it has none.
 */
export function proposalsOf(
  mail: { readonly text: string; readonly html: string },
  asked: MailAsked,
): Proposal[] {
  const tables = innermost(mail.html).flatMap((table) => ofTable(gridOf(table), asked));
  const found =
    tables.length > 0 ? tables : mail.text.split(/\r?\n/).flatMap((line) => ofLine(line, asked) ?? []);
  const seen = new Set<string>();
  return found
    .filter(({ title, dueOn }) => {
      const key = `${plainTitle(title)} ${dueOn ?? ''}`;
      if (seen.has(key)) return false;
      seen.add(key);
      return true;
    })
    .slice(0, mostProposals);
}

/** Which of some names a text speaks of: the only one that stands in it; null for none or several. */
export function namedIn(text: string, names: readonly string[]): number | null {
  const plain = ` ${plainTitle(text)} `;
  const found = names.flatMap((name, at) => {
    const own = plainTitle(name);
    return own !== '' && plain.includes(` ${own} `) ? [at] : [];
  });
  return found.length === 1 ? (found[0] ?? null) : null;
}
