import type { PlanEvening, PlanTask, Proposal } from '@cadro/core';
import Piscina from 'piscina';
import { threadProgram } from '../kit';

export interface Question {
  readonly tasks: readonly PlanTask[];
  readonly evenings: readonly PlanEvening[];
}

/** Plans in a thread of its own, so that a hard question holds nobody else up. It starts with the first question. */
export class Solver {
  private pool: Piscina | null = null;

  async propose(tasks: readonly PlanTask[], evenings: readonly PlanEvening[]): Promise<Proposal> {
    this.pool ??= new Piscina({
      ...threadProgram(__dirname, 'solve.worker'),
      minThreads: 0,
      maxThreads: 1,
      idleTimeout: 60_000,
    });
    const question: Question = { tasks, evenings };
    return (await this.pool.run(question)) as Proposal; // the worker's own return type
  }

  async close(): Promise<void> {
    await this.pool?.destroy();
    this.pool = null;
  }
}
