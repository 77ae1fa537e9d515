import type { OwnRecord, OwnRow } from '@cadro/contract';
import type { Line } from '@cadro/core/own';
import type { TableRow } from '@cadro/core/tables';

export type KeptItem = OwnRecord['courses'][number]['items'][number];

/** An assignment as it stands in a form: numbers are texts while they are typed. */
export interface Typed {
  readonly title: string;
  readonly dueOn: string | null;
  readonly category: string;
  readonly status: OwnRow['status'];
  readonly earned: string;
  readonly possible: string;
  readonly comment: string;
}

const text = (value: number | null): string => (value === null ? '' : String(value));
/** A number as people write it; null for nothing, NaN for what is none. */
const number = (typed: string): number | null => {
  const trimmed = typed.trim().replace(',', '.');
  if (trimmed === '') return null;
  const value = Number(trimmed);
  return Number.isFinite(value) && value >= 0 && value <= 1_000_000 ? value : NaN;
};

export const typedOf = ({ title, dueOn, category, status, earned, possible, comment }: KeptItem): Typed => ({
  ...{ title, dueOn, category: category ?? '', status, comment: comment ?? '' },
  ...{ earned: text(earned), possible: text(possible) },
});

/** Why a form cannot be sent; null where it can. */
export function wrongIn({ title, status, earned, possible }: Typed): 'title' | 'number' | 'score' | null {
  if (title.trim() === '') return 'title';
  if ([earned, possible].some((each) => Number.isNaN(number(each)))) return 'number';
  return status === 'scored' && number(earned) === null ? 'score' : null;
}

/** A form as the row it says. */
export const rowOf = (itemId: string | null, typed: Typed): OwnRow => ({
  ...{ itemId, title: typed.title.trim(), dueOn: typed.dueOn, category: typed.category.trim() || null },
  ...{ earned: typed.status === 'scored' || typed.status === 'incomplete' ? number(typed.earned) : null },
  ...{ possible: number(typed.possible), percent: null, letter: null, status: typed.status },
  comment: typed.comment.trim() || null,
});

export const rowOfLine = ({ course: _course, ...line }: Line): OwnRow => ({
  ...line,
  ...{ itemId: null, letter: null, comment: null },
});

export const rowOfTable = ({ row: _row, course: _course, student: _student, ...said }: TableRow): OwnRow => ({
  ...said,
  itemId: null,
  title: said.title.slice(0, 300),
  category: said.category?.slice(0, 60) ?? null,
  comment: said.comment?.slice(0, 2000) ?? null,
});
