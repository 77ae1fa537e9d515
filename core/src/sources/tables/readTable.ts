import type { Language, Means, ResultStatus } from '@cadro/contract';
import { isBlank, numberOf, readScore, type Said } from './cells';
import { columnsOf, headingOf, type Column } from './columns';
import { isEither, orderOf, readDay, type Order } from './days';
import { gridOf, type Grid } from './grid';
import { isSum, meansOf, orders, statusOfWord } from './words';

/** One assignment of a table, as far as it says it; null is not said. */
export interface TableRow {
  /** Its place in the table, its heading as 1. */
  readonly row: number;
  readonly title: string;
  readonly dueOn: string | null;
  readonly category: string | null;
  readonly course: string | null;
  readonly student: string | null;
  readonly earned: number | null;
  readonly possible: number | null;
  readonly percent: number | null;
  readonly letter: string | null;
  readonly status: ResultStatus;
  readonly comment: string | null;
}

export interface TableProblem {
  readonly row: number;
  readonly fault: 'no-title' | 'score' | 'date' | 'points';
  /** The cell that was not understood; empty where it is that there is none. */
  readonly cell: string;
}

export interface Table {
  readonly columns: readonly Column[];
  readonly rows: readonly TableRow[];
  readonly problems: readonly TableProblem[];
  /** Whether its dates can be read in two ways, and nothing in it decides which. */
  readonly undecided: boolean;
}

export interface Asked {
  readonly lang: Language;
  /** The date on which it is read, `YYYY-MM-DD`. */
  readonly today: string;
  /** What somebody has said of its columns and of the order of its dates; what is not said is guessed. */
  readonly means?: readonly Means[];
  readonly order?: Order;
  /** Whether it comes out of a workbook, whose cells are numbers whatever they show. */
  readonly isSheet?: boolean;
  /** Whether it is known to be one of attendance. */
  readonly isMarks?: boolean;
}

const filled = (row: readonly string[]): string[] => row.filter((cell) => cell !== '');

/** The weight or count that stands beside a category's name. */
const nameOfCategory = (text: string): string =>
  text
    .replace(
      /\s*[([]?\s*\d+([.,]\d+)?\s*(%|por ciento|percent|pts?|points|puntos)\s*(of grade|of total|del total)?\s*[)\]]?\s*$/i,
      '',
    )
    .replace(/[\s:–—-]+$/, '')
    .trim();

/** Whether a row is the heading once more. */
const isHeading = (row: readonly string[], headers: readonly string[]): boolean =>
  filled(row).length > 1 && row.every((cell, at) => cell === (headers[at] ?? ''));

/** What is said of a whole table in the lines above it: `Course: Kelp chemistry`. */
function saidAbove(lines: readonly (readonly string[])[], means: Means): string | null {
  for (const line of lines) {
    const [, name = '', value = ''] = /^([^:]{2,20}):\s*(.+)$/.exec(line.join(' ')) ?? [];
    if (meansOf(name) === means && value !== '') return value.trim();
  }
  return null;
}

class Reader {
  category: string | null = null;
  readonly rows: TableRow[] = [];
  readonly problems: TableProblem[] = [];

  constructor(
    private readonly columns: readonly Column[],
    private readonly how: {
      readonly order: Order;
      readonly today: string;
      /** What is said in shares of one. */
      readonly shares: ReadonlySet<Means>;
    },
    private readonly above: { readonly course: string | null; readonly student: string | null },
  ) {}

  private cell(row: readonly string[], means: Means): string {
    const at = this.columns.findIndex((column) => column.means === means);
    return at < 0 ? '' : (row[at] ?? '');
  }

  private has(means: Means): boolean {
    return this.columns.some((column) => column.means === means);
  }

  private all(row: readonly string[], means: Means): string[] {
    return this.columns.flatMap((column, at) =>
      column.means === means && !isBlank(row[at] ?? '') ? [row[at] ?? ''] : [],
    );
  }

  /** Whether a row sums others up. Where nothing has a day, only what is plainly called so does. */
  sums(row: readonly string[]): boolean {
    const [first = ''] = filled(row);
    const title = this.cell(row, 'title') || first;
    return isSum(title, !this.has('due') || !isBlank(this.cell(row, 'due')));
  }

  /** A row with one thing in it, or with a weight beside it, names the category of those below. */
  heads(row: readonly string[], next: readonly string[] | undefined): boolean {
    if (this.has('category')) return false;
    const cells = filled(row);
    const [name = '', ...more] = cells;
    if (/\d\s*[/]\s*\d/.test(name) || name !== (row.find((cell) => cell !== '') ?? '')) return false;
    const isHead = more.every((cell) => /^\(?\s*\d+([.,]\d+)?\s*%\s*\)?$/.test(cell)) && cells.length <= 2;
    if (!isHead || next === undefined || filled(next).length < 2) return false;
    this.category = nameOfCategory(name);
    return true;
  }

  private problem(row: number, fault: TableProblem['fault'], cell: string): void {
    this.problems.push({ row, fault, cell });
  }

  /** What the cells about a score say together. @returns null where one of them says nothing that is known. */
  private said(number: number, row: readonly string[]): Said | null {
    let said: Said = { earned: null, possible: null, percent: null, letter: null, status: null };
    for (const means of ['score', 'earned', 'percent', 'letter'] as const) {
      const written = this.cell(row, means);
      if (written === '') continue;
      const cell = this.how.shares.has(means) ? asPercent(written) : written;
      const read = readScore(means === 'percent' && numberOf(cell) !== null ? `${cell}%` : cell);
      if (!read) {
        this.problem(number, 'score', cell);
        return null;
      }
      said = {
        earned: said.earned ?? read.earned,
        possible: said.possible ?? read.possible,
        percent: said.percent ?? read.percent,
        letter: said.letter ?? read.letter,
        status: said.status === null || said.status === 'open' ? (read.status ?? said.status) : said.status,
      };
    }
    return said;
  }

  private possible(number: number, row: readonly string[]): number | null | undefined {
    const cell = this.cell(row, 'possible').replace(/^\s*\/\s*/, '');
    if (isBlank(cell)) return null;
    const read = numberOf(cell) ?? readScore(cell)?.earned ?? null;
    if (read === null || read < 0) {
      this.problem(number, 'points', cell);
      return undefined;
    }
    return read;
  }

  private dueOn(number: number, row: readonly string[]): string | null {
    const cell = this.cell(row, 'due');
    if (isBlank(cell)) return null;
    const date = readDay(cell, this.how);
    if (date === null) this.problem(number, 'date', cell);
    return date;
  }

  private status(row: readonly string[], said: Said): ResultStatus {
    const hasScore = said.earned !== null || said.percent !== null || said.letter !== null;
    for (const cell of this.all(row, 'status')) {
      const status = statusOfWord(cell);
      // That something was handed in or looked at says less than its score; that it is missing says more.
      if (status === 'missing' || status === 'excused' || status === 'incomplete') return status;
      if (status === 'handed-in' && !hasScore) return status;
      if (/^(yes|si|sí|y|true|✓|✔|x)$/i.test(cell.trim()) && !hasScore) return 'handed-in';
      if (/^(no|n|false)$/i.test(cell.trim()) && !hasScore) return 'open';
    }
    return hasScore && (said.status === null || said.status === 'open') ? 'scored' : (said.status ?? 'open');
  }

  read(number: number, row: readonly string[]): void {
    const title = this.cell(row, 'title').trim();
    if (isBlank(title)) return this.problem(number, 'no-title', title);
    const said = this.said(number, row);
    const possible = this.possible(number, row);
    if (said === null || possible === undefined) return;
    const own = this.cell(row, 'category');
    const text = (means: Means) => this.cell(row, means) || null;
    this.rows.push({
      row: number,
      title,
      dueOn: this.dueOn(number, row),
      category: isBlank(own) ? this.category : own,
      course: text('course') ?? this.above.course,
      student: text('student') ?? this.above.student,
      ...{ earned: said.earned, possible: said.possible ?? possible },
      ...{ percent: said.percent, letter: said.letter, status: this.status(row, said) },
      comment: this.all(row, 'comment').join(' ') || null,
    });
  }
}

/** Whether a column's numbers are shares of one: a spreadsheet keeps 85 % as 0.85, however it shows it. */
function areShares(means: Means, cells: readonly string[], isAlone: boolean): boolean {
  const numbers = cells.flatMap((cell) => numberOf(cell) ?? []);
  const parts = numbers.filter((number) => !Number.isInteger(number)).length;
  if (parts === 0 || numbers.some((number) => number < 0 || number > 1)) return false;
  return (
    means === 'percent' || (means === 'score' && isAlone && numbers.length > 2 && parts >= numbers.length / 2)
  );
}

/** What of a table is said in shares of one. */
function sharesOf(rows: Grid, columns: readonly Column[], isSheet: boolean): Set<Means> {
  const isAlone = isSheet && !columns.some(({ means }) => means === 'possible' || means === 'percent');
  const isOne = ({ means }: Column, at: number) =>
    areShares(
      means,
      rows.map((row) => row[at] ?? ''),
      isAlone,
    );
  return new Set(columns.filter(isOne).map(({ means }) => means));
}

/** A share of one, written as the percent it is. */
function asPercent(cell: string): string {
  const share = numberOf(cell);
  return share === null ? cell : `${Number((share * 100).toFixed(2))}%`;
}

/** Reads a table of assignments that is given as its cells. */
export function readGrid(grid: Grid, { lang, today, means, order, isSheet = false }: Asked): Table {
  const heading = headingOf(grid);
  const { headers } = heading;
  const columns = columnsOf(grid, heading, today).map((column, at) => ({
    ...column,
    means: means?.[at] ?? column.means,
  }));
  const dueAt = columns.findIndex((column) => column.means === 'due');
  const rows = grid.slice(heading.from);
  const above = grid.slice(0, Math.max(0, heading.at)).map(filled);
  const dates = dueAt < 0 ? [] : rows.map((row) => row[dueAt] ?? '');
  const decided = order ?? orderOf(dates);
  const reader = new Reader(
    columns,
    { today, order: decided ?? orders[lang], shares: sharesOf(rows, columns, isSheet) },
    { course: saidAbove(above, 'course'), student: saidAbove(above, 'student') },
  );
  // Parts of a table that have each the heading again: what stands above the first of them is its category, too.
  const [over = '', ...more] = above.at(-1) ?? [];
  if (more.length === 0 && rows.some((row) => isHeading(row, headers)))
    reader.category = nameOfCategory(over) || null;
  // Its heading is its first row, whatever stands above.
  const first = heading.at < 0 ? 1 : heading.from - heading.at + 1;
  rows.forEach((row, index) => {
    if (isHeading(row, headers) || reader.sums(row) || reader.heads(row, rows[index + 1])) return;
    reader.read(first + index, row);
  });
  return {
    columns,
    rows: reader.rows,
    problems: reader.problems,
    undecided: decided === null && isEither(dates),
  };
}

/**
 * Reads a table of assignments as it is written or pasted, in English or Spanish: guesses what each column is about, and
 * says row by row what it could not take.
 */
export const readTable = (text: string, asked: Asked): Table => readGrid(gridOf(text), asked);
