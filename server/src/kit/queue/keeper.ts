import { randomUUID } from 'node:crypto';
import { EventEmitter } from 'node:events';
import { setTimeout as wait } from 'node:timers/promises';
import { run, type Runner, type RunnerOptions, type Worker, type WorkerEvents } from 'graphile-worker';
import type { Pool } from 'pg';
import { DatabaseWatch, isAway, openPool } from '../db';
import { freeLocks, freeOwnLocks, sayAlive, sayGone, type Taking } from './leaseStore';

const beatMs = 5_000;
const firstWaitMs = 500;
const longestWaitMs = 5_000;
/** The queue asks and listens beside the jobs that run. */
const connectionsBeside = 4;

interface Sayings {
  info(what: string): void;
  warn(facts: object, what: string): void;
  error(facts: object, what: string): void;
}

/** What a worker tells, and to whom. */
interface Tells {
  readonly log: Sayings;
  /** Since when no mail server takes its mails. */
  readonly mailFailingSince: () => Date | null;
  readonly jobEnded: (task: string, end: 'done' | 'failed') => void;
}

export interface Working {
  /** Ends what has begun, and takes nothing new. */
  stop(): Promise<void>;
}

/** So many questions in a row that fail do not fail by chance: what the queue has remembered of its start is wrong. */
const mostFailures = 10;

/** Ends when the queue's loop goes on and does nothing any more. */
const brokenOf = (events: WorkerEvents): Promise<void> =>
  new Promise((done) => {
    // A worker that could not give its job back is gone, and the others go on as if nothing had been.
    events.once('worker:fatalError', () => done());
    let failures = 0;
    const well = () => (failures = 0);
    events.on('worker:getJob:empty', well).on('job:start', well);
    events.on('worker:getJob:error', () => {
      failures += 1;
      if (failures >= mostFailures) done();
    });
  });

/**
 * Works a queue off for as long as it is let: begins anew where the queue's own loop, or its clock, has ended with the
 * database; says that it lives; and frees the jobs of workers that say nothing any more.
 */
class Keeper implements Working {
  private readonly id = randomUUID();
  private readonly pool: Pool;
  private readonly watch: DatabaseWatch;
  private readonly ending = new AbortController();
  private taking: () => Taking[] = () => [];
  /** Names that jobs were taken under before the queue was begun anew. */
  private former: Taking[] = [];
  private runner: Runner | null = null;
  private ended: Promise<unknown> = Promise.resolve();
  private beating: NodeJS.Timeout | null = null;

  constructor(
    url: string,
    private readonly options: RunnerOptions,
    private readonly tells: Tells,
  ) {
    this.pool = this.patient(openPool(url, { max: (options.concurrency ?? 1) + connectionsBeside }));
    this.watch = new DatabaseWatch(url, {
      info: (what) => tells.log.info(what),
      warn: (what) => tells.log.warn({}, what),
    });
  }

  /** The queue's clock ends for good with the first question that fails: while the database is away it is put again. */
  private patient(pool: Pool): Pool {
    const ask = pool.query.bind(pool) as (...asked: unknown[]) => Promise<unknown>;
    const askOn = async (...asked: unknown[]): Promise<unknown> => {
      for (;;) {
        try {
          return await ask(...asked);
        } catch (error) {
          if (!isAway(error)) throw error;
          if (this.ending.signal.aborted) return { rows: [] };
          await wait(firstWaitMs, undefined, { signal: this.ending.signal }).catch(() => undefined);
        }
      }
    };
    return Object.assign(pool, { query: askOn });
  }

  /** @throws where it cannot begin for another reason than that the database is away. */
  async begin(): Promise<this> {
    await this.untilBegun((error) => !isAway(error));
    this.beating = setInterval(() => void this.beat(), beatMs);
    void this.goOn();
    return this;
  }

  private async untilBegun(isHopeless: (error: unknown) => boolean): Promise<void> {
    for (let tries = 0; !this.ending.signal.aborted; tries += 1) {
      try {
        return await this.beginOnce();
      } catch (error) {
        if (isHopeless(error)) throw error;
        const waitMs = Math.min(longestWaitMs, firstWaitMs * 2 ** tries);
        this.tells.log.warn({ err: error, waitMs }, 'the queue cannot be worked off');
        await wait(waitMs, undefined, { signal: this.ending.signal }).catch(() => undefined);
      }
    }
  }

  private async beginOnce(): Promise<void> {
    const events: WorkerEvents = new EventEmitter();
    const workers: Worker[] = [];
    events.on('worker:create', ({ worker }) => void workers.push(worker));
    events.on('job:success', ({ job }) => this.tells.jobEnded(job.task_identifier, 'done'));
    events.on('job:error', ({ job }) => this.tells.jobEnded(job.task_identifier, 'failed'));
    const broken = brokenOf(events);
    const runner = await run({ ...this.options, pgPool: this.pool, events, noHandleSignals: true });
    this.runner = runner;
    this.former = this.taking().map(({ name }) => ({ name, jobId: null }));
    this.taking = () =>
      workers.map((worker) => ({ name: worker.workerId, jobId: worker.getActiveJob()?.id ?? null }));
    this.ended = Promise.race([runner.promise.catch(() => undefined), broken]);
    await this.beat();
  }

  private async goOn(): Promise<void> {
    while (!this.ending.signal.aborted) {
      await this.ended;
      if (this.ending.signal.aborted) return;
      this.tells.log.error({}, 'the queue has ended; it is begun anew');
      await this.runner?.stop().catch(() => undefined);
      await this.untilBegun(() => false);
    }
  }

  private async beat(): Promise<void> {
    if (!(await this.watch.answers())) return;
    try {
      const taking = this.taking();
      const names = taking.map(({ name }) => name);
      await sayAlive(this.pool, this.id, { names, mailFailingSince: this.tells.mailFailingSince() });
      await freeOwnLocks(this.pool, [...taking, ...this.former]);
      const freed = await freeLocks(this.pool);
      if (freed > 0) this.tells.log.warn({ freed }, 'jobs of workers that were lost are free again');
    } catch (error) {
      this.tells.log.warn({ err: error }, 'this worker could not say that it lives');
    }
  }

  async stop(): Promise<void> {
    this.ending.abort();
    if (this.beating) clearInterval(this.beating);
    await this.runner?.stop().catch(() => undefined);
    this.watch.close();
    await sayGone(this.pool, this.id).catch(() => undefined);
    await this.pool.end();
  }
}

/** Works a queue off, through whatever the database does, until it is stopped. */
export const keepWorking = (url: string, options: RunnerOptions, tells: Tells): Promise<Working> =>
  new Keeper(url, options, tells).begin();
