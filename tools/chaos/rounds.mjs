import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { changeSchool } from './changes.mjs';
import { Person } from './place.mjs';
import { people } from './plan.mjs';
import { Writer } from './writes.mjs';

const dayMs = 86_400_000;
const lookEveryMs = 200;
const longestRestMs = 120_000;

/** What is still to be done; tries that failed are not waited for, they are due at once. */
const bringForward = `update graphile_worker._private_jobs set run_at = now()
  where locked_at is null and attempts > 0 and attempts < max_attempts and run_at > now()`;
const underWay = `select (select count(*) from graphile_worker._private_jobs where attempts < max_attempts)
  + (select count(*) from figures_wanted)`;

const wish = (task, key) => `select graphile_worker.add_job('${task}', job_key := '${key}')`;

/** Everyone who is told of the children. */
const told = [...people, 'ottoline'];

/** Which of many alerts of a day come at once goes by which child is looked at first, and that is chance: here all do. */
async function hearsOfAll(place, name) {
  const person = await new Person(place, name).signIn();
  const path = '/api/alerts/settings';
  const { rules } = await person.asks({ method: 'GET', path });
  const key = randomUUID();
  await person.asks({ method: 'PATCH', path, key, body: { rules: { ...rules, capPerDay: 50 } } });
}

/** Waits until nothing is left to do. @returns whether that came to be. */
async function comesToRest(place) {
  for (let waitedMs = 0; waitedMs < longestRestMs; waitedMs += lookEveryMs) {
    await place.query(bringForward);
    if ((await place.query(underWay)) === '0') return true;
    await wait(lookEveryMs);
  }
  return false;
}

/** One kill after the other, each part coming up again by itself beside them. */
async function killParts(place, kills) {
  const rising = new Map();
  for (const { victim, afterMs, downMs } of kills) {
    await wait(afterMs);
    await rising.get(victim);
    await place.kill(victim);
    rising.set(
      victim,
      wait(downMs).then(() => place.startAgain(victim)),
    );
  }
  await Promise.all(rising.values());
}

/** A run at one place: rounds of a day each. Without the kills it is the same run undisturbed. */
export class Rounds {
  constructor(place, { disturbed }) {
    this.place = place;
    this.disturbed = disturbed;
    this.restless = 0;
  }

  async begin() {
    await Promise.all(told.map((name) => hearsOfAll(this.place, name)));
    this.writers = await Promise.all(people.map((name) => Writer.at(this.place, name)));
    this.now = new Date((await this.place.school('/demo/clock')).now);
    return this;
  }

  /** A quiet day: what could not be brought at the last one goes out. */
  close() {
    return this.go({ changes: [], writes: {}, kills: [] });
  }

  async go({ changes, writes, kills }) {
    const { place } = this;
    this.now = new Date(this.now.getTime() + dayMs);
    const now = this.now.toISOString();
    await place.query(`update demo_clock set now_at = '${now}'`);
    // Days pass for the story, not for the limits on how much one person writes in an hour.
    await place.query('delete from login_tries');
    const schools = async () => {
      await place.school('/demo/clock', 'POST', { now });
      for (const change of changes) await changeSchool(place, change, now.slice(0, 10));
      await place.query(wish('syncAll', 'chaos'));
    };
    await Promise.all([
      schools(),
      ...people.map((name, nth) => this.writers[nth].writes(writes[name] ?? [])),
      ...(this.disturbed ? [killParts(place, kills)] : []),
    ]);
    // What a day brings of itself, and a look at the schools by which nothing is left unread.
    for (const [task, key] of [
      ['syncAll', 'chaos'],
      ['lookAtGuardians', 'guardians'],
    ]) {
      if (!(await comesToRest(place))) this.restless += 1;
      await place.query(wish(task, key));
    }
    if (!(await comesToRest(place))) this.restless += 1;
  }
}
