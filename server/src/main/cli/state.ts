import type { Command } from 'commander';
import { bouncedAddresses } from '../../alerts';
import { refusedMails, trailFor } from '../../household';
import { queueState, tableSizes } from '../../kit';
import { sourceProblems } from '../../sources';
import type { Tell, WithDatabase } from './shared';

const line = (...cells: readonly (string | number | Date | null)[]): string =>
  cells.map((cell) => (cell instanceof Date ? cell.toISOString() : (cell ?? ''))).join('\t');

/**
 * How Cadro is doing, for its operator: sources, queue, sizes, addresses that mail does not reach, the trail. Nothing
 * here tells a mark, a comment or a letter of anybody.
 * @param run opens the database for one command.
 */
export function addState(cadro: Command, run: WithDatabase, tell: Tell): void {
  cadro
    .command('sources')
    .description(
      'every source: when it was read, since when and why it has been failing, how many records were set aside',
    )
    .action(() =>
      run(async ({ db }) => {
        for (const row of await sourceProblems(db))
          tell(
            line(row.id, row.name, row.base_url, row.read_at, row.failing_since, row.last_error, row.aside),
          );
      }),
    );
  cadro
    .command('queue')
    .description('waiting jobs by name: how many, since when, how many have failed before')
    .action(() =>
      run(async ({ db }) => {
        for (const { task, waiting, oldest, failed } of await queueState(db))
          tell(line(task, waiting, oldest, failed));
      }),
    );
  cadro
    .command('sizes')
    .description('every table: its approximate rows, and its bytes')
    .action(() =>
      run(async ({ db }) => {
        for (const { name, rows, bytes } of await tableSizes(db)) tell(line(name, rows, bytes));
      }),
    );
  cadro
    .command('bounced')
    .description('addresses that mail came back from, or that were rejected')
    .action(() =>
      run(async ({ db }) => {
        for (const { email, at } of await bouncedAddresses(db)) tell(line('alerts', email, at));
        for (const { address, kind, at } of await refusedMails(db)) tell(line(kind, address, at));
      }),
    );
  cadro
    .command('trail')
    .description('who did what, latest first: for one child, one person, or everyone')
    .option('--child <id>', 'only what is about this child')
    .option('--person <id>', 'only what this person did or what was done about them')
    .action(({ child, person }: { child?: string; person?: string }) =>
      run(async ({ db }) => {
        for (const row of await trailFor(db, { studentId: child, personId: person }))
          tell(line(row.at, row.kind, row.by, row.child, row.about, row.role));
      }),
    );
}
