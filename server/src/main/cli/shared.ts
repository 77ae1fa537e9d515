import type { Command } from 'commander';
import type { ClassFilter } from '../../household';
import type { Deps } from '../../kit';

/** Takes each line that a command says. */
export type Tell = (line: string) => void;
/** Opens the database for one command. */
export type WithDatabase = (work: (deps: Deps) => Promise<void>) => Promise<void>;

/** Which children a command is about. */
export interface Class {
  readonly school?: string;
  readonly year?: string;
  readonly course?: string;
  readonly child?: string[];
}
export const filterOf = ({ school, year, course, child }: Class): ClassFilter => ({
  ...{ school, year, course },
  studentIds: child,
});
export const ofClass = (command: Command): Command =>
  command
    .option('--school <name>', 'only children of this school')
    .option('--year <year>', 'only of this year')
    .option('--course <title>', 'only children in this course')
    .option('--child <id...>', 'only these children');
