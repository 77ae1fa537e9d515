import type { Request, Response } from 'express';
import { Client } from 'pg';
import type { Logger } from 'pino';
import type { Config } from '../kit';
import type { LiveKind } from './store';

const heartbeatMs = 25_000;
/** A stream ends after this, and the browser opens another: who has signed out gets none. */
const lifetimeMs = 10 * 60_000;
const reconnectMs = 2_000;
/** Windows and devices of one person at one process; the oldest makes room for one more. */
const mostStreams = 8;

/**
 * Tells the browsers that hang on this process when their guardian's alerts have changed. PostgreSQL tells every
 * process, whichever one made the change.
 */
export class LiveAlerts {
  private readonly open = new Map<string, Set<Response>>();
  private client: Client | null = null;
  private closed = false;

  constructor(
    private readonly config: Pick<Config, 'databaseUrl'>,
    private readonly log: Logger,
  ) {}

  /** Keeps a response open as a stream of events. */
  async attach(guardianId: string, request: Request, response: Response): Promise<void> {
    await this.listen();
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    });
    response.write('retry: 3000\n\n');
    const own = this.open.get(guardianId) ?? new Set();
    this.open.set(guardianId, own.add(response));
    const [oldest] = own;
    // It leaves at once: its end takes a while to be heard of.
    if (oldest && own.size > mostStreams) {
      own.delete(oldest);
      oldest.end();
    }
    const beat = setInterval(() => response.write(': still here\n\n'), heartbeatMs);
    const end = setTimeout(() => response.end(), lifetimeMs);
    const leave = () => {
      clearInterval(beat);
      clearTimeout(end);
      own.delete(response);
      if (own.size === 0) this.open.delete(guardianId);
    };
    request.on('close', leave);
    response.on('close', leave);
  }

  private async listen(): Promise<void> {
    if (this.client || this.closed) return;
    const client = new Client({ connectionString: this.config.databaseUrl });
    this.client = client;
    client.on('notification', ({ payload }) => {
      const [kind, guardianId] = (payload ?? '').split(':');
      if (!guardianId) return;
      if (kind === 'ended') this.end(guardianId);
      else this.tell(guardianId, kind === 'state' ? 'state' : 'news');
    });
    client.on('error', () => this.lost(client));
    client.on('end', () => this.lost(client));
    await client.connect();
    await client.query('listen cadro_alerts');
  }

  /** The connection is taken up again; what was missed meanwhile is told to everyone by one event. */
  private lost(client: Client): void {
    if (this.client !== client || this.closed) return;
    this.client = null;
    this.log.warn('live alerts lost their connection');
    setTimeout(() => {
      void this.listen().then(
        () => [...this.open.keys()].forEach((guardianId) => this.tell(guardianId, 'news')),
        () => this.lost(this.client ?? client),
      );
    }, reconnectMs).unref();
  }

  /**
   * A session or a link of theirs is over, or less of a child is theirs to see: what stands on their screens is asked
   * for anew. Whoever may still hear opens another stream, the others are refused.
   */
  private end(guardianId: string): void {
    for (const response of this.open.get(guardianId) ?? []) response.end('event: rights\ndata: {}\n\n');
  }

  private tell(guardianId: string, kind: LiveKind): void {
    for (const response of this.open.get(guardianId) ?? []) response.write(`event: ${kind}\ndata: {}\n\n`);
  }

  async close(): Promise<void> {
    this.closed = true;
    for (const responses of this.open.values()) for (const response of responses) response.end();
    await this.client?.end();
    this.client = null;
  }
}
