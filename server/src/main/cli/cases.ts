import { json } from 'node:stream/consumers';
import { ParseError, type Misfit } from '@cadro/contract/parse';

/** A case that breaks its shape: where, as a JSON pointer, and why. */
export class FaultyCase extends Error {
  override readonly name = 'FaultyCase';
  constructor(readonly fault: Misfit) {
    super(`${fault.path}: ${fault.message}`);
  }
}

/** The answer to a case, or its first error; what is no fault of the case is thrown on. */
export async function answerOrFault<T>(
  answer: () => T | Promise<T>,
): Promise<T | { readonly error: Misfit | undefined }> {
  try {
    return await answer();
  } catch (error) {
    if (error instanceof FaultyCase) return { error: error.fault };
    if (error instanceof ParseError) return { error: error.misfits[0] };
    throw error;
  }
}

/**
 * Reads a JSON array of cases on standard input and writes their answers, in order, on standard output.
 * Only input that is no array at all ends with status 1.
 */
export function answerStandardInput(answer: (asked: unknown) => unknown): void {
  const main = async () => {
    const cases = await json(process.stdin).catch((cause: unknown) => {
      throw new Error('standard input is not JSON', { cause });
    });
    if (!Array.isArray(cases)) throw new Error('standard input must hold a JSON array of cases');
    const answers: unknown[] = [];
    for (const asked of cases) answers.push(await answer(asked));
    process.stdout.write(`${JSON.stringify(answers)}\n`);
  };
  main().catch((error: unknown) => {
    console.error(error instanceof Error ? error.message : error);
    process.exitCode = 1;
  });
}

/** What names a case, so that an error can be told with it. */
export const idOf = (asked: unknown): { id?: unknown } =>
  typeof asked === 'object' && asked !== null && 'id' in asked ? { id: asked.id } : {};
