import { setImmediate as turnOfTheLoop } from 'node:timers/promises';
import type { Client } from 'pg';
import { cut, hangUp, openClient } from './connections';
import { isFull } from './faults';

const answerMs = 1_000;
const askAgainMs = 500;
/** After so long without an answer nobody waits for one any more: a process whose machine is gone says nothing. */
const giveUpMs = 10_000;

interface Sayings {
  warn(what: string): void;
  info(what: string): void;
}

/** Asks the database whether it is there, on a line of its own: when somebody has waited long, and while it is away. */
export class DatabaseWatch {
  private line: Client | null = null;
  private asking: Promise<boolean> | null = null;
  private again: NodeJS.Timeout | null = null;
  private silentSinceMs: number | null = null;
  private closed = false;

  constructor(
    private readonly url: string,
    private readonly log: Sayings,
  ) {}

  /** Whether it did not answer when it was asked last. */
  get away(): boolean {
    return this.silentSinceMs !== null;
  }

  /** Asks it, at most once at a time. */
  answers(): Promise<boolean> {
    this.asking ??= this.ask().finally(() => {
      this.asking = null;
    });
    return this.asking;
  }

  private async ask(): Promise<boolean> {
    const answered = await this.saysAnything();
    if (this.closed) return answered;
    if (answered) this.isThere();
    else this.isAway();
    return answered;
  }

  private async saysAnything(): Promise<boolean> {
    const line = (this.line ??= openClient(this.url));
    const late = new AbortController();
    const patience = setTimeout(() => {
      // An answer that has come while this process was busy is an answer.
      void turnOfTheLoop().then(() => late.abort());
    }, answerMs);
    try {
      const asked = this.called(line).then(() => true);
      const silence = new Promise<boolean>((done) =>
        late.signal.addEventListener('abort', () => done(false)),
      );
      asked.catch(() => undefined);
      const answered = await Promise.race([asked, silence]);
      if (!answered) this.drop(line);
      return answered;
    } catch (error) {
      this.drop(line);
      return isFull(error);
    } finally {
      clearTimeout(patience);
    }
  }

  private readonly connected = new WeakSet<Client>();
  private async called(line: Client): Promise<void> {
    if (!this.connected.has(line)) {
      this.connected.add(line);
      // One that has broken off since tells nothing of now: the next question goes by another.
      line.once('end', () => this.forget(line));
      await line.connect();
    }
    await line.query('select 1');
  }

  private forget(line: Client): void {
    if (this.line === line) this.line = null;
  }

  private drop(line: Client): void {
    this.forget(line);
    cut(line);
  }

  private isThere(): void {
    if (this.away) this.log.info('the database answers again');
    this.silentSinceMs = null;
  }

  private isAway(): void {
    const now = performance.now();
    if (this.silentSinceMs === null) this.log.warn('the database does not answer');
    this.silentSinceMs ??= now;
    if (now - this.silentSinceMs > giveUpMs) hangUp(this.url);
    this.again ??= setTimeout(() => {
      this.again = null;
      void this.answers();
    }, askAgainMs).unref();
  }

  close(): void {
    this.closed = true;
    if (this.again) clearTimeout(this.again);
    if (this.line) this.drop(this.line);
  }
}
