/** Draws that are the same for the same seed. */
export class Draws {
  private state: number;

  constructor(seed: number) {
    this.state = seed >>> 0;
  }

  /** At least 0 and below 1 (mulberry32). */
  share(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(this.state ^ (this.state >>> 15), 1 | this.state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  }

  below(count: number): number {
    return Math.floor(this.share() * count);
  }

  /** Whether something happens that does so in that share of the cases. */
  chance(share: number): boolean {
    return this.share() < share;
  }

  of<T>(all: readonly T[]): T {
    const drawn = all[this.below(all.length)];
    if (drawn === undefined) throw new Error('there is nothing to draw from');
    return drawn;
  }
}
