import type { PlanEvening, PlanTask, Proposal } from '@cadro/core';
import { Apart, threadProgram } from '../kit';

export interface Question {
  readonly tasks: readonly PlanTask[];
  readonly evenings: readonly PlanEvening[];
}

/** Plans in a thread of its own, so that a hard question holds nobody else up. It starts with the first question. */
export class Solver {
  private readonly thread = new Apart(threadProgram(__dirname, 'solve.worker'), {
    ...{ memoryMb: 256, patienceMs: 60_000, mostWaiting: 50 },
  });

  /** @throws TooMuch where it does. */
  propose(tasks: readonly PlanTask[], evenings: readonly PlanEvening[]): Promise<Proposal> {
    const question: Question = { tasks, evenings };
    return this.thread.run<Proposal>(question);
  }

  close(): Promise<void> {
    return this.thread.close();
  }
}
