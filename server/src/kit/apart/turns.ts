/** Whoever asks for more than waits for one already, or comes while too many wait, has no turn. */
export class NoTurn extends Error {
  override readonly name = 'NoTurn';
}

export interface Most {
  /** Pieces that wait for one person, with the one that is being done. */
  readonly ofOne: number;
  /** Pieces that wait in all, with those that are being done. */
  readonly inAll: number;
}

/** Who waits for one may ask for two more meanwhile. */
const usual: Most = { ofOne: 3, inAll: Infinity };

/** Work that is worth a queue: each person has one piece of it done at a time, the next when it is ready. */
export class Turns {
  private readonly lines = new Map<string, { count: number; last: Promise<unknown> }>();
  private all = 0;

  constructor(private readonly most: Most = usual) {}

  /** @throws NoTurn when this person's line is full, or all of them together. */
  async take<T>(who: string, work: () => Promise<T>): Promise<T> {
    const line = this.lines.get(who) ?? { count: 0, last: Promise.resolve() };
    if (line.count >= this.most.ofOne || this.all >= this.most.inAll)
      throw new NoTurn('too much waits already');
    const mine = line.last.then(work, work);
    line.count += 1;
    this.all += 1;
    line.last = mine;
    this.lines.set(who, line);
    try {
      return await mine;
    } finally {
      line.count -= 1;
      this.all -= 1;
      if (line.count === 0) this.lines.delete(who);
    }
  }
}
