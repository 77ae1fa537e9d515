import type { Request, Response } from 'express';
import type { Logger } from 'pino';
import { liveKinds, type LiveKind } from '@cadro/contract';
import { Listening, type Config } from '../kit';

const heartbeatMs = 25_000;
/** A stream ends after this, and the browser opens another: who has signed out gets none. */
const lifetimeMs = 10 * 60_000;
/** Windows and devices of one person at one process; the oldest makes room for one more. */
const mostStreams = 8;

/**
 * Tells the browsers that hang on this process when something of their guardian's has changed: their alerts, or what
 * somebody of the family has done. PostgreSQL tells every
 * process, whichever one made the change.
 */
export class LiveAlerts {
  private readonly open = new Map<string, Set<Response>>();
  private readonly listening: Listening;
  private ended = false;

  constructor({ databaseUrl }: Pick<Config, 'databaseUrl'>, log: Logger) {
    this.listening = new Listening(databaseUrl, 'cadro_alerts', {
      said: (payload) => this.hear(payload),
      // What was missed is told to everyone by one event.
      back: () => [...this.open.keys()].forEach((guardianId) => this.tell(guardianId, 'news')),
      lost: () => log.warn('live alerts lost their connection'),
    });
  }

  /** Keeps a response open as a stream of events. */
  async attach(guardianId: string, request: Request, response: Response): Promise<void> {
    await this.listening.begun();
    response.writeHead(200, {
      'content-type': 'text/event-stream',
      'cache-control': 'no-store, no-transform',
      'x-accel-buffering': 'no',
    });
    response.write('retry: 3000\n\n');
    if (this.ended) return void response.end();
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

  private hear(payload: string): void {
    const [kind, guardianId] = payload.split(':');
    if (!guardianId) return;
    if (kind === 'ended') this.endOf(guardianId);
    else this.tell(guardianId, liveKinds.find((each) => each === kind) ?? 'news');
  }

  /**
   * A session or a link of theirs is over, or less of a child is theirs to see: what stands on their screens is asked
   * for anew. Whoever may still hear opens another stream, the others are refused.
   */
  private endOf(guardianId: string): void {
    for (const response of this.open.get(guardianId) ?? []) response.end('event: rights\ndata: {}\n\n');
  }

  private tell(guardianId: string, kind: LiveKind): void {
    for (const response of this.open.get(guardianId) ?? []) response.write(`event: ${kind}\ndata: {}\n\n`);
  }

  /** Ends every stream; one that is opened now ends at once. */
  end(): void {
    this.ended = true;
    for (const responses of this.open.values()) for (const response of responses) response.end();
  }

  async close(): Promise<void> {
    await this.listening.close();
  }
}
