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
      'every source: when it was read, since when it fails and why, how many records are set aside',
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
    .description('the jobs that wait, by name: how many, since when, how many have failed before')
    .action(() =>
      run(async ({ db }) => {
        for (const { task, waiting, oldest, failed } of await queueState(db))
          tell(line(task, waiting, oldest, failed));
      }),
    );
  cadro
    .command('sizes')
    .description('every table: about how many rows, and how many bytes')
    .action(() =>
      run(async ({ db }) => {
        for (const { name, rows, bytes } of await tableSizes(db)) tell(line(name, rows, bytes));
      }),
    );
  cadro
    .command('bounced')
    .description('addresses that mail came back from, or that were refused')
    .action(() =>
      run(async ({ db }) => {
        for (const { email, at } of await bouncedAddresses(db)) tell(line('alerts', email, at));
        for (const { address, kind, at } of await refusedMails(db)) tell(line(kind, address, at));
      }),
    );
  cadro
    .command('trail')
    .description('who did what, the latest first: of one child or one person, or of everybody')
    .option('--child <id>', 'only what concerns this child')
    .option('--person <id>', 'only what this person did, or was done to them')
    .action(({ child, person }: { child?: string; person?: string }) =>
      run(async ({ db }) => {
        for (const row of await trailFor(db, { studentId: child, personId: person }))
          tell(line(row.at, row.kind, row.by, row.child, row.about, row.role));
      }),
    );
}
