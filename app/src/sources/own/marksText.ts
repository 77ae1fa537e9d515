import type { MarksTable } from '@cadro/core/tables';

const quoted = (cell: string): string => `"${cell.replaceAll('"', '""')}"`;

/** Marks as the text of a file of them; a lesson that has no number goes by its course. */
export const marksText = ({ marks }: Pick<MarksTable, 'marks'>): string =>
  [
    ['date', 'period', 'code', 'kind', 'excused'],
    ...marks.map(({ on, period, course, code, kind, excused }) => [
      ...[on, period || course.slice(0, 40), code, kind ?? '', excused ? 'yes' : 'no'],
    ]),
  ]
    .map((row) => row.map(quoted).join(','))
    .join('\n');
