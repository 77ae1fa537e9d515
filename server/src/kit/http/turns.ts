import { HttpProblem } from './problems';

/** Who waits for one may ask for two more meanwhile; whoever asks for more is told to wait. */
const mostAtOnce = 3;

/** Work that is worth a queue: each person has one piece of it done at a time, the next when it is ready. */
export class Turns {
  private readonly lines = new Map<string, { count: number; last: Promise<unknown> }>();

  /** @throws HttpProblem `too-many-tries` when this person's line is full. */
  async take<T>(who: string, work: () => Promise<T>): Promise<T> {
    const line = this.lines.get(who) ?? { count: 0, last: Promise.resolve() };
    if (line.count >= mostAtOnce) throw new HttpProblem('too-many-tries', { retryAfterSeconds: 5 });
    const mine = line.last.then(work, work);
    line.count += 1;
    line.last = mine;
    this.lines.set(who, line);
    try {
      return await mine;
    } finally {
      line.count -= 1;
      if (line.count === 0) this.lines.delete(who);
    }
  }
}
