import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { root, StepError } from '../lib/steps.mjs';

/** The parts of a run, in the order in which they begin. */
export const parts = ['checks', 'unit', 'browser', 'kills'];

const isTest = (file) => /\.(test\.tsx?|spec\.ts)$/.test(file);

/**
 * Reads the command line of the test command.
 * @param {readonly string[]} args
 * @returns {{ rest: boolean; changed: boolean; only: readonly string[]; files: readonly string[] }} `only` lists every
 *   part where none was named.
 * @throws {StepError} with what to do, where a part or a file does not exist.
 */
export function readOptions(args) {
  let parsed;
  try {
    parsed = parseArgs({
      args,
      options: { only: { type: 'string' }, changed: { type: 'boolean' }, rest: { type: 'boolean' } },
      allowPositionals: true,
    });
  } catch (error) {
    throw new StepError(
      `${error.message.split('. ')[0]}. Options are --only PART, --changed and test files.`,
    );
  }
  const { values, positionals: files } = parsed;
  const only = values.only?.split(',') ?? parts;
  const unknownPart = only.find((part) => !parts.includes(part));
  if (unknownPart !== undefined)
    throw new StepError(`There is no part "${unknownPart}": choose among ${parts.join(', ')}.`);
  const unknownFile = files.find((file) => !isTest(file) || !existsSync(join(root, file)));
  if (unknownFile !== undefined)
    throw new StepError(
      `There is no test file "${unknownFile}": name a .test.ts, .test.tsx or .spec.ts by its path from the project's folder.`,
    );
  return { rest: values.rest ?? false, changed: values.changed ?? false, only, files };
}
