import type { Server, ServerResponse } from 'node:http';

/** A process that is told to end has ended after this, whatever it has not done yet. */
export const drainMs = 10_000;
const lookEveryMs = 50;

/** Ends a server without leaving anybody it has begun with without an answer. */
export class Drain {
  private readonly open = new Set<ServerResponse>();
  private draining = false;

  constructor(private readonly http: Server) {
    http.prependListener('request', (_request, response) => {
      this.open.add(response);
      if (this.draining) response.setHeader('connection', 'close');
      response.once('close', () => this.open.delete(response));
    });
  }

  /**
   * Takes no new caller, answers all who have asked, and closes.
   * @returns how many had to be left without an answer when the time was over.
   */
  async end(mostMs = drainMs): Promise<number> {
    this.draining = true;
    // Whoever hangs on is told that this was the last answer.
    for (const response of this.open) if (!response.headersSent) response.setHeader('connection', 'close');
    const looking = setInterval(() => this.http.closeIdleConnections(), lookEveryMs);
    const closed = new Promise<void>((done) => this.http.close(() => done()));
    let patience: NodeJS.Timeout | undefined;
    const late = new Promise<void>((done) => (patience = setTimeout(done, mostMs)));
    await Promise.race([closed, late]);
    clearInterval(looking);
    clearTimeout(patience);
    const left = this.open.size;
    this.http.closeAllConnections();
    return left;
  }
}
