import { TableCase } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { isTimeZone } from '@cadro/core';
import { readTable, type TableProblem } from '@cadro/core/tables';
import { answerOrFault, FaultyCase, idOf } from './cases';

const reasons: Readonly<Record<TableProblem['fault'], string>> = {
  'no-title': 'has no title',
  score: 'has a score that is not understood',
  points: 'has points that are not understood',
  date: 'has a date that is not understood',
};

/** The answer to one table of the command. */
export async function answerTable(asked: unknown): Promise<unknown> {
  const answer = await answerOrFault(() => {
    const { text, lang, zone, today } = parse('case', TableCase, asked);
    if (!isTimeZone(zone)) throw new FaultyCase({ path: '/zone', message: 'is no time zone' });
    const { columns, rows, problems } = readTable(text, { lang, today });
    return {
      columns,
      rows: rows.map(({ row: _row, ...said }) => said),
      problems: problems.map(({ row, fault, cell }) => ({
        row,
        reason: cell === '' ? reasons[fault] : `${reasons[fault]}: ${cell}`,
      })),
    };
  });
  return { ...idOf(asked), ...answer };
}
