import type { MarkKind } from '@cadro/contract';
import { isBlank } from './cells';
import { headingOf } from './columns';
import { isEither, orderOf, readDay } from './days';
import type { Grid } from './grid';
import type { Asked } from './readTable';
import { meansOf, orders, plain } from './words';

/** What one row of a table of attendance says. */
export interface TableMark {
  /** Its place in the table, its heading as 1. */
  readonly row: number;
  readonly on: string;
  readonly period: string;
  readonly course: string;
  /** As it is written. */
  readonly code: string;
  /** Where it is a word; what a letter means is the school's. */
  readonly kind: MarkKind | null;
  readonly excused: boolean;
}

export interface MarksTable {
  readonly marks: readonly TableMark[];
  /** Rows whose day is none, by their place. */
  readonly undated: readonly number[];
  readonly undecided: boolean;
}

const excusedWords =
  /\b(un|in|not |sin |no )?(excused?|justificad[oa]s?|justificar|justificacion|authori[sz]ed|autorizad[oa])\b/;
const kinds: readonly (readonly [MarkKind, RegExp])[] = [
  ['closed', /\b(no school|holiday|closed|sin clases|feriado|festivo|no hubo clases)\b/],
  ['activity', /\b(field trip|trip|activity|school event|excursion|actividad|paseo|salida)\b/],
  ['tardy', /\b(tardy|tardies|tardiness|late|tarde|retardos?|atrasos?|llego tarde|impuntual)\b/],
  ['absent', /\b(absent|absence|ausente|ausencia|faltas?|falto|inasistencia|truant|skipped|cut)\b/],
  ['present', /^(present|here|in class|attended|presente|asistio|en clase)$/],
];

/** What a word for a mark says; null for a letter or whatever else is a school's own. */
export function markOfWord(text: string): { readonly kind: MarkKind; readonly excused: boolean } | null {
  const words = plain(text);
  const [kind] = kinds.find(([, pattern]) => pattern.test(words)) ?? [];
  if (kind === undefined) {
    // 'Excused' by itself is said of an absence.
    const alone = excusedWords.exec(words);
    return alone && alone[0] === words ? { kind: 'absent', excused: alone[1] === undefined } : null;
  }
  const said = excusedWords.exec(words);
  return { kind, excused: kind === 'activity' || (said !== null && said[1] === undefined) };
}

const headings = {
  code: /\b(attendance|absences?|mark|code|status|asistencias?|inasistencias?|estado|codigo|marca|faltas?)\b/,
  period: /\b(period|hour|block|lesson|periodo|hora|bloque|leccion)\b/,
} as const;
const ofAttendance = /\b(attendance|absences?|asistencias?|inasistencias?|ausencias?|tard(y|ies))\b/;
/** A table with one of these is one of assignments. */
const ofWork = new Set(['title', 'assigned', 'category', 'earned', 'possible', 'percent', 'letter']);

/** Where a table of attendance has its days, its marks, its lessons and courses; null where it is none. */
function placesOf(grid: Grid, { today, isMarks = false }: Pick<Asked, 'today' | 'isMarks'>) {
  const { at, from, headers } = headingOf(grid);
  const rows = grid.slice(from).filter((row) => row.some((cell) => !isBlank(cell)));
  if (rows.length === 0) return null;
  const width = Math.max(...rows.map(({ length }) => length));
  const cells = (column: number) => rows.map((row) => row[column] ?? '').filter((cell) => !isBlank(cell));
  const share = (column: number, is: (cell: string) => boolean) =>
    cells(column).length === 0 ? 0 : cells(column).filter(is).length / rows.length;
  const columns = Array.from({ length: width }, (_each, column) => column);
  const isDay = (cell: string) => readDay(cell, { order: 'month-first', today }) !== null;
  const day = columns.find((column) => share(column, isDay) > 0.7);
  const isMark = (cell: string) => markOfWord(cell) !== null;
  const byWords = columns.find((column) => column !== day && share(column, isMark) > 0.5);
  const heads = headers.map(plain);
  const byHead = heads.findIndex((head, column) => column !== day && headings.code.test(head));
  const code = byWords ?? (byHead < 0 ? undefined : byHead);
  if (day === undefined || code === undefined) return null;
  const works = headers.some((head, column) => column !== code && ofWork.has(meansOf(head) ?? ''));
  const above = grid.slice(0, Math.max(at, 0)).flat().map(plain);
  const isSaid = isMarks || [...heads, ...above].some((words) => ofAttendance.test(words));
  if (works || (byWords === undefined && !isSaid)) return null;
  return {
    first: at < 0 ? 1 : from - at + 1,
    ...{ from, day, code },
    period: heads.findIndex((head) => headings.period.test(head)),
    course: headers.findIndex((head) => meansOf(head) === 'course'),
  };
}

/** Reads a table of attendance, a mark in a row; null where it is none. */
export function readMarks(grid: Grid, { lang, today, order, isMarks }: Asked): MarksTable | null {
  const places = placesOf(grid, isMarks ? { today, isMarks } : { today });
  if (!places) return null;
  const { first, from, day, code, period, course } = places;
  const rows = grid.slice(from);
  const days = rows.map((row) => row[day] ?? '');
  const decided = order ?? orderOf(days);
  const marks: TableMark[] = [];
  const undated: number[] = [];
  rows.forEach((row, index) => {
    const written = (row[code] ?? '').trim();
    if (isBlank(written)) return;
    const on = readDay(row[day] ?? '', { order: decided ?? orders[lang], today });
    if (on === null) return void undated.push(first + index);
    const said = markOfWord(written);
    marks.push({
      ...{ row: first + index, on, code: written.slice(0, 40) },
      period: (row[period] ?? '').trim().slice(0, 40),
      course: (row[course] ?? '').trim(),
      ...{ kind: said?.kind ?? null, excused: said?.excused ?? false },
    });
  });
  return marks.length === 0 ? null : { marks, undated, undecided: decided === null && isEither(days) };
}
