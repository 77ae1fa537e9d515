import type { Client } from 'pg';
import { openClient } from './connections';

const callAgainMs = 2_000;

interface Hears {
  /** What was said on the channel. */
  said(payload: string): void;
  /** The line is there again; what was said meanwhile has not been heard. */
  back(): void;
  /** The line was lost, and is called again until it is there. */
  lost(): void;
}

/** Hears what PostgreSQL tells on one channel, on a connection of its own that is made anew whenever it is lost. */
export class Listening {
  private line: Promise<Client> | null = null;
  private closed = false;

  constructor(
    private readonly url: string,
    private readonly channel: string,
    private readonly hears: Hears,
  ) {}

  /** Resolves when it hears; rejects where the database is away, and goes on trying. */
  async begun(): Promise<void> {
    if (!this.closed) await (this.line ??= this.call());
  }

  private async call(): Promise<Client> {
    const client = openClient(this.url);
    client.on('notification', ({ payload = '' }) => this.hears.said(payload));
    client.once('end', () => this.isLost());
    try {
      await client.connect();
      await client.query(`listen ${this.channel}`);
      return client;
    } catch (error) {
      // One that never stood does not always say that it has ended.
      this.isLost();
      void client.end().catch(() => undefined);
      throw error;
    }
  }

  private isLost(): void {
    if (this.closed || this.line === null) return;
    this.line = null;
    this.hears.lost();
    setTimeout(() => {
      void this.begun().then(
        () => this.hears.back(),
        () => undefined,
      );
    }, callAgainMs).unref();
  }

  async close(): Promise<void> {
    this.closed = true;
    const line = await this.line?.catch(() => null);
    await line?.end().catch(() => undefined);
  }
}
