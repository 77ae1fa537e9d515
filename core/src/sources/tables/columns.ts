import { meanings, type Means } from '@cadro/contract';
import { isBlank, numberOf, readScore } from './cells';
import { readDay } from './days';
import type { Grid } from './grid';
import { meansOf, statusOfWord } from './words';

export interface Column {
  /** As it is written; empty where there is none. */
  readonly header: string;
  readonly means: Means;
}

/** A table's heading and where its rows begin. */
export interface Heading {
  /** Place of the heading in the grid; -1 where there is none. */
  readonly at: number;
  /** Where the rows begin. */
  readonly from: number;
  readonly headers: readonly string[];
}

const hasLetter = (cell: string): boolean => (readScore(cell)?.letter ?? null) !== null;
const isPercent = (cell: string): boolean => {
  const said = readScore(cell);
  return said !== null && said.percent !== null && said.earned === null;
};
const isWordy = (cell: string): boolean => cell !== '' && !/\d/.test(cell);
const known = (row: readonly string[]): number => row.filter((cell) => meansOf(cell) !== null).length;
const widthOf = (row: readonly string[]): number => row.filter((cell) => cell !== '').length;
/** A heading stands near the top; what is above it is the table's title and the like. */
const mostAbove = 12;

/** The upper line of a heading of two, whose cells reach over several columns, laid over the lower one. */
function merged(upper: readonly string[], lower: readonly string[]): string[] {
  let over = '';
  return Array.from({ length: Math.max(upper.length, lower.length) }, (_each, index) => {
    over = upper[index] || over;
    const own = lower[index] ?? '';
    return own === '' ? (upper[index] ?? '') : [over, own].filter((each) => each !== '').join(' ');
  });
}

const isLine = (row: readonly string[] | undefined): row is readonly string[] =>
  row !== undefined && widthOf(row) > 1 && row.every((cell) => cell === '' || isWordy(cell));

/** Finds the heading: the row near the top with the most words that headings are made of. */
export function headingOf(grid: Grid): Heading {
  let at = -1;
  let most = 0;
  grid.slice(0, mostAbove).forEach((row, index) => {
    const count = known(row);
    // A row with a score or a date in it is one of the rows.
    const isHead = row.every(
      (cell) => cell === '' || cell === '%' || !/\d/.test(cell) || meansOf(cell) !== null,
    );
    if (isHead && count > most && (count > 1 || widthOf(row) > 1)) [at, most] = [index, count];
  });
  const row = grid[at];
  if (!row) return { at: -1, from: 0, headers: [] };
  const above = grid[at - 1];
  const below = grid[at + 1];
  // Headings over several columns stand above those of each, or those of each below.
  if (isLine(below) && known(below) >= 2) return { at, from: at + 2, headers: merged(row, below) };
  if (isLine(above) && known(above) >= 1) return { at: at - 1, from: at + 1, headers: merged(above, row) };
  return { at, from: at + 1, headers: row };
}

/** What the cells of a column look like, where its heading does not say it. */
function meansByCells(cells: readonly string[], today: string): Means | null {
  const filled = cells.filter((cell) => !isBlank(cell));
  if (filled.length === 0) return null;
  const share = (is: (cell: string) => boolean) => filled.filter(is).length / filled.length;
  const isScore = (cell: string) => readScore(cell) !== null;
  if (
    share((cell) => readDay(cell, { order: 'month-first', today }) !== null && numberOf(cell) === null) > 0.7
  )
    return 'due';
  if (share((cell) => /%\s*$/.test(cell) && isScore(cell)) > 0.7) return 'percent';
  if (share(hasLetter) > 0.7) return 'letter';
  if (share((cell) => statusOfWord(cell) !== null) > 0.7) return 'status';
  if (share(isScore) > 0.7) return 'score';
  return null;
}

const cellsOf = (rows: Grid, column: number): string[] => rows.map((row) => row[column] ?? '');

/** A heading for scores says which of several things it may be; its cells decide. */
function refined(means: Means | null, cells: readonly string[], today: string): Means | null {
  const filled = cells.filter((cell) => !isBlank(cell));
  const all = (is: (cell: string) => boolean) => filled.length > 0 && filled.every(is);
  if (means === 'score' || means === 'earned') {
    if (all(hasLetter)) return 'letter';
    if (all(isPercent)) return 'percent';
    if (means === 'earned' && filled.some((cell) => (readScore(cell)?.possible ?? null) !== null))
      return 'score';
  }
  // 'Assignment' over names is the title; over dates it is when it was given.
  if (means === 'title' && all((cell) => readDay(cell, { order: 'month-first', today }) !== null))
    return 'assigned';
  return means;
}

/** Of two columns about one thing that only one can be about, the first stays. */
const single = new Set<Means>(meanings.filter((means) => means !== 'comment' && means !== 'other'));

/** A column that nothing is known of holds titles if it is the wordiest of those. */
function titleColumn(means: readonly (Means | null)[], rows: Grid): number {
  const lengths = means.map((each, index) => {
    if (each !== null) return 0;
    const words = new Set(
      cellsOf(rows, index).filter((cell) => /[a-z]{2}/i.test(cell) && statusOfWord(cell) === null),
    );
    return words.size;
  });
  return lengths.indexOf(Math.max(...lengths, 1));
}

/** Points got, in a column of their own, where the points there are have one as well. */
function paired(means: (Means | null)[], rows: Grid): void {
  const score = means.indexOf('score');
  const isPlain = (cell: string) => (readScore(cell)?.possible ?? null) === null;
  if (score < 0 || !means.includes('possible') || means.includes('earned')) return;
  if (cellsOf(rows, score).every(isPlain)) means[score] = 'earned';
}

/** What each column of a table is about, by its heading and by what stands in it. */
export function columnsOf(grid: Grid, { from, headers }: Heading, today: string): Column[] {
  const rows = grid.slice(from).filter((row) => widthOf(row) > 1);
  const width = Math.max(headers.length, ...rows.map(({ length }) => length), 0);
  const means: (Means | null)[] = Array.from({ length: width }, (_each, index) => {
    const cells = cellsOf(rows, index);
    return refined(
      meansOf(headers[index] ?? '') ?? (headers[index] ? null : meansByCells(cells, today)),
      cells,
      today,
    );
  });
  means.forEach((each, index) => {
    if (each !== null && single.has(each) && means.indexOf(each) < index) means[index] = null;
  });
  // A table of one course's work may call its titles whatever it likes.
  if (!means.includes('title')) {
    const column = titleColumn(means, rows);
    if (column >= 0) means[column] = 'title';
  }
  // A heading that says nothing known may still stand over what does.
  means.forEach((each, index) => {
    const guess = each === null ? meansByCells(cellsOf(rows, index), today) : null;
    if (guess && !means.includes(guess)) means[index] = guess;
  });
  paired(means, rows);
  return means.map((each, index) => ({ header: headers[index] ?? '', means: each ?? 'other' }));
}
