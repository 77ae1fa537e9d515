import { markKinds, type MarkKind } from '@cadro/contract';
import { isDate } from '../dates';
import type { Meaning } from './register';

/** What is known about the child whose marks a file holds. */
export interface MarksFileContext {
  readonly today: string;
  /** First and last day of the school year; null where none is known. */
  readonly year: { readonly from: string; readonly to: string } | null;
  /** Ids of the child's courses by title in lower case. */
  readonly courses: ReadonlyMap<string, string>;
  readonly meaningOf: (code: string, on: string) => Meaning | null;
  /** Days and periods the school has marked itself, as `2026-10-19/3`. */
  readonly schoolHas: ReadonlySet<string>;
}

export interface FileMark extends Meaning {
  readonly on: string;
  readonly period: string;
  readonly courseId: string | null;
  readonly courseTitle: string | null;
  readonly code: string;
}
export type RowFault = 'date' | 'outside-year' | 'future' | 'period' | 'code' | 'kind' | 'course' | 'twice';
export interface FaultyRow {
  readonly row: number;
  readonly fault: RowFault;
  readonly value: string;
}
export interface MarksOfFile {
  readonly marks: readonly FileMark[];
  readonly schoolHas: number;
  /** Codes without a meaning, with the number of rows they are in. */
  readonly unknownCodes: ReadonlyMap<string, number>;
  readonly faults: readonly FaultyRow[];
}

/** A row by its headings in lower case. */
export type FileRow = Readonly<Record<string, string | undefined>>;

const longestText = 40;
const yes: readonly string[] = ['yes', 'true', '1', 'y', 'sí', 'si'];

const isKind = (text: string): text is MarkKind => (markKinds as readonly string[]).includes(text);
/** A sheet program's guard against formulas is no part of the value. */
const plain = (text: string | undefined): string => (text ?? '').trim().replace(/^'(?=[=+\-@])/, '');

class Reading {
  readonly marks: FileMark[] = [];
  readonly faults: FaultyRow[] = [];
  readonly unknownCodes = new Map<string, number>();
  schoolHas = 0;
  private readonly seen = new Set<string>();

  constructor(private readonly context: MarksFileContext) {}

  /** The first thing wrong with a row; null for a sound one. */
  private faultOf(row: FileRow): { fault: RowFault; value: string } | null {
    const { year, today, courses } = this.context;
    const [on, period, code] = [plain(row['date']), plain(row['period']), plain(row['code'])];
    const [kind, course] = [plain(row['kind']), plain(row['course'])];
    if (!isDate(on)) return { fault: 'date', value: on };
    if (year && (on < year.from || on > year.to)) return { fault: 'outside-year', value: on };
    if (on > today) return { fault: 'future', value: on };
    if (period.length > longestText) return { fault: 'period', value: period };
    if (code === '' || code.length > longestText) return { fault: 'code', value: code };
    if (kind !== '' && !isKind(kind)) return { fault: 'kind', value: kind };
    if (course !== '' && !courses.has(course.toLowerCase())) return { fault: 'course', value: course };
    const lesson = `${on}/${period || 'day'}`;
    return this.seen.has(lesson) ? { fault: 'twice', value: lesson } : null;
  }

  private meaning(row: FileRow, code: string, on: string): Meaning | null {
    const kind = plain(row['kind']);
    if (!isKind(kind)) return this.context.meaningOf(code, on);
    const excused = yes.includes(plain(row['excused']).toLowerCase());
    return { kind, excused, label: plain(row['label']).slice(0, 200) || null };
  }

  read(row: FileRow, number: number): void {
    const found = this.faultOf(row);
    if (found) {
      this.faults.push({ row: number, fault: found.fault, value: found.value.slice(0, 80) });
      return;
    }
    const [on, code, course] = [plain(row['date']), plain(row['code']), plain(row['course'])];
    const period = plain(row['period']) || 'day';
    this.seen.add(`${on}/${period}`);
    const meaning = this.meaning(row, code, on);
    if (!meaning) {
      this.unknownCodes.set(code, (this.unknownCodes.get(code) ?? 0) + 1);
      return;
    }
    if (this.context.schoolHas.has(`${on}/${period}`)) {
      this.schoolHas++;
      return;
    }
    const courseId = this.context.courses.get(course.toLowerCase()) ?? null;
    this.marks.push({ on, period, courseId, courseTitle: course || null, code, ...meaning });
  }
}

/**
 * Marks out of the rows of a file: each row is a mark, or one fault with its row number (the heading is row 1). A row
 * whose code has no meaning is neither: it waits for one.
 */
export function marksOfFile(rows: readonly FileRow[], context: MarksFileContext): MarksOfFile {
  const reading = new Reading(context);
  rows.forEach((row, index) => reading.read(row, index + 2));
  const { marks, faults, unknownCodes, schoolHas } = reading;
  return { marks, faults, unknownCodes, schoolHas };
}
