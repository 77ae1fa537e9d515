import { Parser } from 'htmlparser2';
import Papa from 'papaparse';

/** A table as its cells, row by row; rows may differ in length. */
export type Grid = readonly (readonly string[])[];

const cellOf = (text: string): string => text.replace(/[\u00a0\u2007\u202f]/g, ' ').trim();

/** Columns set apart by a line between them, as in plain-text mails; the line under the heading is none of the table. */
function ofBars(text: string): string[][] {
  return text
    .split(/\r?\n/)
    .filter((line) => line.includes('|') && !/^[\s|:+=-]+$/.test(line))
    .map((line) =>
      line
        .trim()
        .replace(/^\||\|$/g, '')
        .split('|'),
    );
}

/** Columns set apart by blanks, two or more, as a table comes out of a page that is printed or copied. */
const ofBlanks = (text: string): string[][] =>
  text
    .split(/\r?\n/)
    .filter((line) => line.trim() !== '')
    .map((line) => line.trim().split(/\s{2,}/));

const ofSigns = (delimiter: string) => (text: string) => Papa.parse<string[]>(text, { delimiter }).data;

/** More cells than this beside one another are no heading over several columns. */
const mostSpan = 50;

/** The cells of the tables of a page or a mail; one that reaches over several columns fills its first. */
class Markup {
  readonly rows: string[][] = [];
  private cell: string | null = null;
  private span = 1;
  private depth = 0;

  open(name: string, colspan: string | undefined): void {
    if (name === 'table') this.depth += 1;
    if (name === 'br') this.said(' ');
    if (this.depth === 0 || !['tr', 'td', 'th'].includes(name)) return;
    this.end();
    if (name === 'tr') this.rows.push([]);
    else [this.cell, this.span] = ['', Math.min(mostSpan, Math.max(1, Number(colspan) || 1))];
  }

  said(text: string): void {
    if (this.cell !== null) this.cell += text;
  }

  close(name: string): void {
    if (['td', 'th', 'tr', 'table'].includes(name)) this.end();
    if (name === 'table') this.depth -= 1;
  }

  private end(): void {
    if (this.cell === null) return;
    const blanks = Array<string>(this.span - 1).fill('');
    this.rows.at(-1)?.push(cellOf(this.cell.replace(/\s+/g, ' ')), ...blanks);
    this.cell = null;
  }
}

function ofMarkup(text: string): string[][] {
  const markup = new Markup();
  const parser = new Parser({
    onopentag: (name, { colspan }) => markup.open(name, colspan),
    ontext: (said) => markup.said(said),
    onclosetag: (name) => markup.close(name),
  });
  parser.end(text);
  return markup.rows;
}

const ways: readonly ((text: string) => string[][])[] = [
  ofSigns('\t'),
  ofSigns(','),
  ofSigns(';'),
  ofBars,
  ofBlanks,
];

/** How many cells the rows of a grid have that are no single one, and how alike they are in that. */
function likeness(rows: readonly (readonly string[])[]): number {
  const counts = new Map<number, number>();
  for (const { length } of rows) if (length > 1) counts.set(length, (counts.get(length) ?? 0) + 1);
  return Math.max(0, ...[...counts].map(([width, count]) => count * Math.min(width, 6)));
}

/**
 * The cells of a table that is written or pasted as text: set apart by tabs, commas, semicolons, bars, or blanks,
 * whichever makes its rows most alike. Rows without anything in them are left out.
 */
export function gridOf(text: string): string[][] {
  const clean = text.replace(/^\ufeff/, '');
  if (/<table[\s>]/i.test(clean)) return ofMarkup(clean).filter((row) => row.some((cell) => cell !== ''));
  const grids = ways.map((way) => way(clean).map((row) => row.map(cellOf)));
  const best = grids.reduce((a, b) => (likeness(b) > likeness(a) ? b : a));
  const rows = likeness(best) > 0 ? best : clean.split(/\r?\n/).map((line) => [cellOf(line)]);
  return rows.filter((row) => row.some((cell) => cell !== ''));
}
