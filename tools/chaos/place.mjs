import { copyFileSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { signIn } from '../lib/signIn.mjs';
import { now } from '../lib/steps.mjs';
import { startStack } from '../lib/stack.mjs';

const longestTryMs = 120_000;
const askAgainMs = 250;
const answerMs = 30_000;

/** Does something until it succeeds: who asks is as stubborn as an app, a provider or an operator. */
async function insist(what, work) {
  const begun = now();
  for (;;) {
    try {
      return await work();
    } catch (error) {
      if (error instanceof Refused) throw error;
      if (now() - begun > longestTryMs) throw new GaveUp(`${what}: ${error.message}`);
      await wait(askAgainMs);
    }
  }
}

/** What was asked for again and again in vain. */
class GaveUp extends Error {}
/** An answer that asking again does not change. */
class Refused extends Error {}

/** Answers after which the same is asked again. */
const passing = new Set([429, 502, 503, 504]);

/** A Cadro of its own with its schools and its database, which can be killed part by part. */
export class Place {
  /** Parts that were there and ended by themselves. */
  lost = [];

  constructor(made, name) {
    this.made = made;
    this.name = name;
    this.database = `chaos_${name}`;
  }

  async start() {
    open.add(this);
    const { cluster, folder, storyState, ...given } = this.made;
    const home = join(folder, this.database);
    mkdirSync(home, { recursive: true });
    const schoolState = join(home, 'school.json');
    copyFileSync(storyState, schoolState);
    await cluster.dropDatabase(this.database);
    await cluster.ensureDatabase(this.database, 'story');
    // What is acknowledged has to be there after a crash of the database, too.
    await cluster.query(`alter database ${this.database} set synchronous_commit = on`);
    // A sequence that was copied with a template is sure to survive a crash only after a checkpoint.
    await cluster.query('checkpoint');
    this.stack = await startStack(
      { ...given, databaseUrl: cluster.url(this.database), schoolState, logs: join(home, 'logs') },
      async (starting) => {
        this.stack = starting;
        await starting.startSchool();
        await starting.command('loadStory');
        await starting.startServer();
        await starting.startWorker();
      },
    );
    this.stack.onLost((part) => {
      this.lost.push(part);
      void this.startAgain(part);
    });
    return this;
  }

  async kill(victim) {
    if (victim === 'database') await this.made.cluster.kill();
    else await this.stack.kill(victim);
  }

  async startAgain(victim) {
    const starts = {
      database: () => this.made.cluster.startAgain(),
      server: () => this.stack.startServer(),
      worker: () => this.stack.startWorker(),
      school: () => this.stack.startSchool(),
    };
    await starts[victim]();
  }

  query(sql) {
    return insist('the database', () => this.made.cluster.query(sql, this.database));
  }

  /** Rows of a question, each as a list of texts. */
  async rows(sql) {
    const said = await this.query(
      `select coalesce(json_agg(to_json(array(select value from json_each_text(to_json(q))))), '[]') from (${sql}) q`,
    );
    return JSON.parse(said);
  }

  async school(path, method = 'GET', body) {
    return insist(`the schools’ ${path}`, async () => {
      const answer = await fetch(`http://127.0.0.1:${this.stack.env.SCHOOL_PORT}${path}`, {
        ...{ method, signal: AbortSignal.timeout(answerMs) },
        ...(body ? { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) } : {}),
      });
      if (!answer.ok) throw new Error(`answered ${answer.status}`);
      return answer.json();
    });
  }

  async stop() {
    open.delete(this);
    await this.stack?.stop();
  }
}

const open = new Set();
/** Ends what still runs where a run is broken off. */
export const stopAll = () => Promise.all([...open].map((place) => place.stop()));

/** One who is signed in at a place, and writes there as the app does: each intent with a key, until it has an answer. */
export class Person {
  constructor(place, name) {
    this.place = place;
    this.name = name;
    this.url = place.stack.env.CADRO_PUBLIC_URL;
  }

  async signIn() {
    this.cookie = await signIn(this.url, this.name);
    return this;
  }

  async once({ method, path, body, key }) {
    const answer = await fetch(`${this.url}${path}`, {
      ...{ method, signal: AbortSignal.timeout(answerMs) },
      headers: {
        ...{ cookie: this.cookie, origin: this.url },
        ...(body ? { 'content-type': 'application/json' } : {}),
        ...(key ? { 'idempotency-key': `"${key}"` } : {}),
      },
      ...(body ? { body: JSON.stringify(body) } : {}),
    });
    const said = answer.status === 204 ? null : await answer.json();
    if (answer.ok) return said;
    const again = passing.has(answer.status) || said?.code === 'under-way';
    const what = `${method} ${path} was answered ${answer.status} ${said?.code ?? ''}`;
    throw again ? new Error(what) : new Refused(what);
  }

  /** @param twice whether it is sent a second time before the first has an answer. */
  async asks({ twice = false, ...asked }) {
    const [first] = await Promise.all(
      Array.from({ length: twice ? 2 : 1 }, () =>
        insist(`${asked.method} ${asked.path}`, () => this.once(asked)),
      ),
    );
    return first;
  }
}
