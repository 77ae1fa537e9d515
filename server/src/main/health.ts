import type { RequestHandler, Router } from 'express';
import { isBehind, newRouter, queueAge, workersState, type DatabaseWatch, type ServerDeps } from '../kit';

/** What keeps a Cadro from its work. */
export type HealthFault =
  | { readonly code: 'stopping' | 'database-away' | 'schema-behind' }
  | { readonly code: 'worker-silent' | 'queue-late' | 'mail-refused'; readonly seconds: number };

const workerSilentSeconds = 120;
const mailRefusedSeconds = 60;
/** Whoever asks often is told what was found a moment ago. */
const freshMs = 2_000;

/** Those without which no request is answered; with the others families read on, and somebody has to look. */
const hindering = new Set<HealthFault['code']>(['stopping', 'database-away', 'schema-behind']);

const away: HealthFault[] = [{ code: 'database-away' }];

/** Finds out how Cadro is, over all its processes. */
export class Health {
  stopping = false;
  private seenMs = performance.now();
  private last: { readonly atMs: number; readonly faults: Promise<HealthFault[]> } | null = null;

  constructor(
    private readonly deps: Pick<ServerDeps, 'db' | 'config'>,
    private readonly watch: DatabaseWatch,
  ) {}

  /** What is wrong; nothing: all is well. */
  faults(): Promise<HealthFault[]> {
    if (this.stopping) return Promise.resolve([{ code: 'stopping' }]);
    if (this.watch.away) return Promise.resolve(away);
    const now = performance.now();
    if (!this.last || now - this.last.atMs > freshMs) this.last = { atMs: now, faults: this.lookAnew() };
    return this.last.faults;
  }

  /** What is wrong is looked for again at once: it may just have been put right. */
  private async lookAnew(): Promise<HealthFault[]> {
    const faults = await this.look();
    if (faults.length > 0) this.last = null;
    return faults;
  }

  private async look(): Promise<HealthFault[]> {
    if (!(await this.watch.answers())) return away;
    return this.lookInside().catch(() => away);
  }

  /** For how long there has been none: one that has ended in good order is missed from when it was seen last. */
  private missedSeconds(): number {
    return (performance.now() - this.seenMs) / 1000;
  }

  private async lookInside(): Promise<HealthFault[]> {
    const { db, config } = this.deps;
    if (await isBehind(db)) return [{ code: 'schema-behind' }];
    const [workers, waited] = await Promise.all([workersState(db), queueAge(db)]);
    if (workers.silentSeconds !== null) this.seenMs = performance.now();
    const found: { code: 'worker-silent' | 'queue-late' | 'mail-refused'; seconds: number; most: number }[] =
      [
        {
          code: 'worker-silent',
          seconds: workers.silentSeconds ?? this.missedSeconds(),
          most: workerSilentSeconds,
        },
        { code: 'queue-late', seconds: waited, most: config.queueLateMinutes * 60 },
        { code: 'mail-refused', seconds: workers.mailFailingSeconds, most: mailRefusedSeconds },
      ];
    return found
      .filter(({ seconds, most }) => seconds > most)
      .map(({ code, seconds }) => ({ code, seconds: Math.round(seconds) }));
  }
}

const ready =
  (health: Health): RequestHandler =>
  async (request, response) => {
    const all = await health.faults();
    const faults = request.query['for'] === 'requests' ? all.filter(({ code }) => hindering.has(code)) : all;
    response.status(faults.length > 0 ? 503 : 200).json({ ok: faults.length === 0, faults });
  };

/**
 * `/healthz`: the process lives. `/readyz`: all is well, or what is not; with `?for=requests`, for what stands in front,
 * only what keeps requests from being answered.
 */
export function healthRouter(given: ServerDeps, health: Health): Router {
  const router = newRouter(given);
  router.get('/healthz', (_request, response) => void response.json({ ok: true }));
  router.get('/readyz', ready(health));
  return router;
}
