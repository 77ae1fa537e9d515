/** Whoever asks for more than waits for one already has no turn, and nobody has one while too many wait. */
export class NoTurn extends Error {
  override readonly name = 'NoTurn';

  /** @param filledBy whose pieces wait already: those of who asks, or everybody's. */
  constructor(readonly filledBy: 'one' | 'all') {
    super('too much waits already');
  }
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

  /**
   * @param until ends what has not begun: it leaves the line at once, for whatever is asked instead. What has begun is
   *   done to its end.
   * @throws NoTurn when this person's line is full, or all of them together; the signal's reason where that ended it.
   */
  async take<T>(who: string, work: () => Promise<T>, until?: AbortSignal): Promise<T> {
    until?.throwIfAborted();
    const line = this.lines.get(who) ?? { count: 0, last: Promise.resolve() };
    if (line.count >= this.most.ofOne) throw new NoTurn('one');
    if (this.all >= this.most.inAll) throw new NoTurn('all');
    const leave = () => {
      until?.removeEventListener('abort', leave);
      line.count -= 1;
      this.all -= 1;
    };
    const begin = () => {
      until?.throwIfAborted();
      until?.removeEventListener('abort', leave);
      return work().finally(leave);
    };
    line.count += 1;
    this.all += 1;
    until?.addEventListener('abort', leave);
    const mine = line.last.then(begin, begin);
    line.last = mine;
    this.lines.set(who, line);
    try {
      return await mine;
    } finally {
      if (line.last === mine) this.lines.delete(who);
    }
  }
}
