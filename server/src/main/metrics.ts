import type { RequestHandler } from 'express';
import { Counter, Gauge, Histogram, type Registry } from 'prom-client';
import { deliveryCounts } from '../alerts';
import { poolState, processFigures, queueState, systemClock, type DatabaseWatch, type Db } from '../kit';
import { sourceAges } from '../sources';
import { routeOf } from './requestLog';

/** Two seconds is what a request may take at most while the database is away. */
const buckets = [0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2, 5, 15];

/** What a server counts. Patterns of addresses stand in it, never an address: nothing of anybody. */
export class ServerFigures {
  readonly registry: Registry = processFigures();
  private readonly requests = new Histogram({
    ...{ name: 'cadro_request_seconds', help: 'Requests, by pattern, method and status', buckets },
    ...{ labelNames: ['route', 'method', 'status'], registers: [this.registry] },
  });

  constructor(db: Db, watch: DatabaseWatch) {
    new Gauge({
      ...{
        name: 'cadro_database_away',
        help: '1 while the database does not answer',
        registers: [this.registry],
      },
      collect() {
        this.set(watch.away ? 1 : 0);
      },
    });
    new Gauge({
      ...{ name: 'cadro_pool_connections', help: 'Connections to the database; waiting: who wants one' },
      ...{ labelNames: ['state'], registers: [this.registry] },
      collect() {
        for (const [state, count] of Object.entries(poolState(db))) this.set({ state }, count);
      },
    });
  }

  text(): Promise<string> {
    return this.registry.metrics();
  }

  readonly observe: RequestHandler = (request, response, next) => {
    const told = this.requests.startTimer({ method: request.method });
    response.once('close', () => {
      // Who went away before the answer is counted as such.
      told({ route: routeOf(response), status: response.writableFinished ? response.statusCode : 499 });
    });
    next();
  };
}

/** What became of a job. */
export type JobEnd = 'done' | 'failed';

/** What a worker counts, and what it finds in the database when somebody asks for it. */
export class WorkerFigures {
  readonly registry: Registry = processFigures();
  private readonly jobs = new Counter({
    ...{ name: 'cadro_jobs_total', help: 'Jobs done, and tries that failed' },
    ...{ labelNames: ['task', 'end'], registers: [this.registry] },
  });

  private readonly waiting = this.gauge('cadro_queue_jobs', 'Jobs that wait', ['task', 'state']);
  private readonly oldest = this.gauge('cadro_queue_oldest_seconds', 'How late the oldest job is', ['task']);
  private readonly ages = this.gauge('cadro_source_age_seconds', 'Since a school was read', ['source']);
  private readonly failing = this.gauge('cadro_source_failing', '1: a school cannot be read', ['source']);
  private readonly sent = this.gauge('cadro_deliveries', 'A day’s, by what became of it', [
    'channel',
    'state',
  ]);

  constructor(private readonly db: Db) {}

  /** All of it as text, with what the database says just now. */
  async text(): Promise<string> {
    const now = (await systemClock.now()).getTime();
    const [queue, sources, deliveries] = await Promise.all([
      queueState(this.db),
      sourceAges(this.db),
      deliveryCounts(this.db),
    ]);
    for (const each of [this.waiting, this.oldest, this.ages, this.failing, this.sent]) each.reset();
    for (const { task, waiting, failed, oldest } of queue) {
      this.waiting.set({ task, state: 'all' }, waiting);
      this.waiting.set({ task, state: 'failed' }, failed);
      this.oldest.set({ task }, Math.max(0, (now - oldest.getTime()) / 1000));
    }
    for (const { id, seconds, failing } of sources) {
      if (seconds !== null) this.ages.set({ source: id }, seconds);
      this.failing.set({ source: id }, failing ? 1 : 0);
    }
    for (const { channel, state, count } of deliveries) this.sent.set({ channel, state }, count);
    return this.registry.metrics();
  }

  private gauge<Label extends string>(name: string, help: string, labelNames: Label[]): Gauge<Label> {
    return new Gauge({ name, help, labelNames, registers: [this.registry] });
  }

  jobEnded(task: string, end: JobEnd): void {
    this.jobs.inc({ task, end });
  }
}
