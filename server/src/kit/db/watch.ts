import { access } from 'node:fs/promises';
import { setImmediate as turnOfTheLoop } from 'node:timers/promises';
import type { Client } from 'pg';
import { cut, hangUp, lastHeardMs, openClient } from './connections';
import { isFull } from './faults';

const usualAnswerMs = 1_000;
const askAgainMs = 500;
/** After so long without an answer nobody waits for one any more: a process whose machine is gone says nothing. */
const giveUpMs = 10_000;

interface Sayings {
  warn(what: string): void;
  info(what: string): void;
}

/** A process that has not come to itself for so long cannot tell whether it was called meanwhile. */
const busyMs = 250;

/** Falls when nothing was heard for a while during which this process could have heard it. */
class Silence {
  /** Whether the database was heard all the same, on another connection or in the middle of a sentence. */
  readonly fell: Promise<boolean>;
  private timer: NodeJS.Timeout | undefined;

  constructor(
    private readonly url: string,
    private readonly answerMs: number,
  ) {
    this.fell = new Promise((done) => this.listen(done));
  }

  private listen(done: (heard: boolean) => void): void {
    const begun = performance.now();
    const over = async (): Promise<void> => {
      // Who it is that calls is reckoned beside the loop, where passwords are, too: their turn comes before, and what has
      // come in this very moment is heard before.
      await access('/').catch(() => undefined);
      await turnOfTheLoop();
      if (performance.now() - begun > this.answerMs + busyMs) this.listen(done);
      else done(lastHeardMs(this.url) > begun);
    };
    this.timer = setTimeout(() => void over(), this.answerMs);
  }

  broken(): void {
    clearTimeout(this.timer);
  }
}

/** Asks the database whether it is there, on a line of its own: when somebody has waited long, and while it is away. */
export class DatabaseWatch {
  private line: Client | null = null;
  private asking: Promise<boolean> | null = null;
  private again: NodeJS.Timeout | null = null;
  private silentSinceMs: number | null = null;
  /** Silent once may be busy; silent twice in a row, or broken off, is away. */
  private silences = 0;
  private closed = false;

  constructor(
    private readonly url: string,
    private readonly log: Sayings,
    /** Whoever has said nothing for so long is silent. */
    private readonly answerMs = usualAnswerMs,
  ) {}

  /** Whether it broke off, or did not answer when it was asked the last two times. */
  get away(): boolean {
    return this.silences >= 2;
  }

  /** Asks it, at most once at a time. */
  answers(): Promise<boolean> {
    this.asking ??= this.ask().finally(() => {
      this.asking = null;
    });
    return this.asking;
  }

  private async ask(): Promise<boolean> {
    const silences = await this.silencesHeard();
    if (this.closed) return silences === 0;
    if (silences === 0) this.isThere();
    else this.isSilent(silences);
    return silences === 0;
  }

  /** None where it answered; a line that broke off is as much as two. */
  private async silencesHeard(): Promise<0 | 1 | 2> {
    const line = (this.line ??= openClient(this.url));
    const silence = new Silence(this.url, this.answerMs);
    try {
      const asked = this.called(line).then(() => 'answered' as const);
      asked.catch(() => undefined);
      const heard = await Promise.race([asked, silence.fell]);
      if (heard !== 'answered') this.drop(line);
      return heard ? 0 : 1;
    } catch (error) {
      this.drop(line);
      return isFull(error) ? 0 : 2;
    } finally {
      silence.broken();
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
    this.silences = 0;
  }

  private isSilent(silences: 1 | 2): void {
    const now = performance.now();
    const knownBefore = this.away;
    this.silences += silences;
    if (this.away && !knownBefore) this.log.warn('the database does not answer');
    this.silentSinceMs ??= now;
    if (now - this.silentSinceMs > giveUpMs) hangUp(this.url);
    this.again ??= setTimeout(
      () => {
        this.again = null;
        void this.answers();
      },
      this.away ? askAgainMs : 0,
    ).unref();
  }

  close(): void {
    this.closed = true;
    if (this.again) clearTimeout(this.again);
    if (this.line) this.drop(this.line);
  }
}
