import { Apart, type ThreadKind } from './apart';

/** A process's threads: those of a kind begin when they are first asked for something. */
export class Threads {
  private readonly begun = new Map<object, Apart<unknown>>();

  of<Program>(kind: ThreadKind<Program>): Apart<Program> {
    const known = this.begun.get(kind) as Apart<Program> | undefined; // put there by its kind, below
    if (known) return known;
    const apart = new Apart(kind);
    this.begun.set(kind, apart as Apart<unknown>);
    return apart;
  }

  async close(): Promise<void> {
    await Promise.all([...this.begun.values()].map((apart) => apart.close()));
  }
}
