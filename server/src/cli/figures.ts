import { json } from 'node:stream/consumers';
import { answerCase } from './answerCase';

/*
 * Reads a JSON array of cases on standard input and writes their answers, in order, on standard output.
 * A case that breaks its shape answers with its error; only input that is no array at all ends with status 1.
 */
async function main(): Promise<void> {
  const cases = await json(process.stdin).catch((cause: unknown) => {
    throw new Error('standard input is not JSON', { cause });
  });
  if (!Array.isArray(cases)) throw new Error('standard input must hold a JSON array of cases');
  process.stdout.write(`${JSON.stringify(cases.map(answerCase))}\n`);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
});
