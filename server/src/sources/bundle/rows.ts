import { Transform, type Readable, type TransformCallback } from 'node:stream';
import { finished } from 'node:stream/promises';
import { Parser } from 'csv-parse';
import { parse as parseLine } from 'csv-parse/sync';
import { decodeStream } from 'iconv-lite';
import { encodingOf } from './encoding';
import { linesOf, mostInRow, type Line } from './lines';

/**
 * A row by its heading's names in small letters, or why it is none. `row` counts the table's rows with its heading as 1.
 */
export type Read =
  | { readonly row: number; readonly fields: Readonly<Record<string, string>>; readonly fault?: undefined }
  | { readonly row: number; readonly fault: string; readonly sourcedId: string };

/** A table that breaks more often than this is read line by line: no row of it has a line break then. */
const mostBreaks = 5;

/** Lets a text through from a line on, after a heading: so a table is read on behind a place where it breaks. */
class FromLine extends Transform {
  constructor(
    heading: string,
    private left: number,
  ) {
    super({ decodeStrings: false, encoding: 'utf8' });
    this.push(heading);
  }

  override _transform(chunk: string, _encoding: string, done: TransformCallback): void {
    let from = 0;
    while (this.left > 0) {
      const end = chunk.indexOf('\n', from);
      if (end < 0) return done();
      from = end + 1;
      this.left -= 1;
    }
    done(null, from === 0 ? chunk : chunk.slice(from));
  }
}

/** Names of columns in small letters: programs make of the standard's what they like. */
const nameOf = (heading: string): string =>
  heading
    .replace(/^\ufeff/, '')
    .trim()
    .toLowerCase();

const quoted = (fields: readonly string[]): string =>
  `${fields.map((field) => `"${field.replaceAll('"', '""')}"`).join(',')}\n`;

/** How far a table has been read. */
interface Place {
  /** Rows so far, with the heading, and the lines they take up. */
  rows: number;
  lines: number;
  heading: readonly string[] | null;
}

const idIn = (heading: readonly string[], record: readonly string[]): string =>
  record[heading.indexOf('sourcedid')]?.trim() ?? '';

function fieldsOf(heading: readonly string[], record: readonly string[], row: number): Read {
  if (record.length > heading.length && record.slice(heading.length).some((field) => field.trim() !== '')) {
    const fault = `has ${record.length} fields where the heading has ${heading.length}`;
    return { row, sourcedId: idIn(heading, record), fault };
  }
  const fields: Record<string, string> = {};
  heading.forEach((name, index) => (fields[name] = record[index]?.trim() ?? ''));
  return { row, fields };
}

/** What a parser says of the text, in whichever of its builds. */
const isCsvError = (error: unknown): error is Error =>
  error instanceof Error && 'code' in error && String(error.code).startsWith('CSV_');

const options = { relax_column_count: true, skip_empty_lines: true } as const;

interface Parsed {
  readonly fields: string[];
  /** Lines up to its end. */
  readonly lines: number;
}

/** Records are taken as they are found: what waits in a stream that breaks is lost. */
class Finder extends Parser {
  private found: Parsed[] = [];

  override push(fields: string[] | null): boolean {
    if (fields === null) return super.push(null);
    this.found.push({ fields, lines: this.info.lines });
    return true;
  }

  taken(): Parsed[] {
    const { found } = this;
    this.found = [];
    return found;
  }
}

/**
 * The records of a text, all of them up to where it breaks.
 * @throws CsvError where it breaks.
 */
async function* recordsOf(text: AsyncIterable<string>): AsyncGenerator<Parsed> {
  const parser = new Finder({ ...options, bom: true, max_record_size: mostInRow });
  const over = finished(parser.resume()).then(
    () => null,
    (error: unknown) => error,
  );
  for await (const chunk of text) {
    parser.write(chunk);
    yield* parser.taken();
    if (parser.destroyed || parser.errored) break;
  }
  if (!parser.destroyed) parser.end();
  const error = await over;
  yield* parser.taken();
  if (error) throw error;
}

/** Reads on from a place until the table ends or breaks; the place moves with it. */
async function* readOn(text: Readable, place: Place): AsyncGenerator<Read> {
  // A table that is read on gets its heading once more, as a line of ours that is not counted.
  const ours = place.heading === null ? 0 : 1;
  const before = place.lines;
  let first = place.heading !== null;
  const start = place.heading ? text.pipe(new FromLine(quoted(place.heading), before)) : text;
  for await (const { fields, lines } of recordsOf(start)) {
    if (first) {
      first = false;
      continue;
    }
    place.lines = before + lines - ours;
    place.rows += 1;
    if (place.heading === null) place.heading = fields.map(nameOf);
    else yield fieldsOf(place.heading, fields, place.rows);
  }
}

/** A line by itself: quotation marks within a field are let stand as they are. */
function readLine(heading: readonly string[], { text, isLong }: Line, row: number): Read {
  const begun = { row, sourcedId: idIn(heading, text.slice(0, 1000).split(',')) };
  const sourcedId = begun.sourcedId.includes('"') ? '' : begun.sourcedId;
  if (isLong) return { row, sourcedId, fault: `is longer than ${mostInRow} characters` };
  try {
    const [record = []] = parseLine(text, { ...options, relax_quotes: true });
    return fieldsOf(heading, record, row);
  } catch (error) {
    if (!isCsvError(error)) throw error;
    return { row, sourcedId, fault: 'has a quotation mark that is never closed' };
  }
}

/**
 * The rows of a table of comma-separated values in whatever encoding, one at a time. A row that cannot be read is told
 * with its reason, and reading goes on behind it.
 * @param open gives the table from its beginning, as often as it is asked.
 */
export async function* readRowsOf(open: () => Promise<Readable>): AsyncGenerator<Read> {
  const encoding = await encodingOf(await open());
  const decoded = async () => (await open()).pipe(decodeStream(encoding)) as unknown as Readable;
  const place: Place = { rows: 0, lines: 0, heading: null };
  for (let breaks = 0; breaks <= mostBreaks; breaks += 1) {
    const text = await decoded();
    try {
      yield* readOn(text, place);
      return;
    } catch (error) {
      if (!isCsvError(error)) throw error;
      text.destroy();
    }
    if (place.heading === null) {
      yield { row: 1, sourcedId: '', fault: 'the heading cannot be read, and so nothing of the table' };
      return;
    }
    // Where it broke: that line by itself, or all that are left.
    for await (const line of linesOf(await decoded(), place.lines)) {
      place.lines += 1;
      if (line.text === '') continue;
      place.rows += 1;
      yield readLine(place.heading, line, place.rows);
      if (breaks < mostBreaks) break;
    }
  }
}
