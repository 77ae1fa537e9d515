import { Logger } from 'graphile-worker';
import { setTimeout as wait } from 'node:timers/promises';
import { tablesAlone } from '../../testing/databases';
import { Wire } from '../../testing/wire';
import type { Db } from '../db';
import { keepWorking, type Working } from './keeper';
import { addJobs } from './queue';

let db: Db;
let wire: Wire;
let drop: () => Promise<void>;
let working: Working;
const said: string[] = [];
const done: string[] = [];
/** What a job waits for before it ends. */
let goOn: () => void = () => undefined;

beforeAll(async () => {
  let url: string;
  ({ url, db, drop } = await tablesAlone(2));
  wire = await Wire.to(url);
  const log = {
    info: (what: string) => said.push(what),
    warn: (_facts: object, what: string) => said.push(what),
    error: (_facts: object, what: string) => said.push(what),
  };
  const logger = new Logger(() => () => undefined);
  jest.spyOn(console, 'trace').mockReturnValue(undefined); // the queue traces the end of a worker by itself
  const taskList = {
    async waits(payload: unknown) {
      await new Promise<void>((end) => (goOn = end));
      done.push((payload as { name: string }).name);
    },
    async quick(payload: unknown) {
      done.push((payload as { name: string }).name);
    },
  };
  const options = { concurrency: 2, pollInterval: 200, parsedCronItems: [], taskList, logger };
  working = await keepWorking(wire.url, options, {
    ...{ log, mailFailingSince: () => null, jobEnded: () => undefined },
  });
});
afterAll(async () => {
  await working.stop();
  wire.close();
  await drop();
});

async function until(holds: () => boolean): Promise<void> {
  for (let tries = 0; tries < 300 && !holds(); tries += 1) await wait(100);
  expect(holds()).toBe(true);
}
const job = (task: string, name: string) => ({ task, payload: { name }, key: name });
const count = (name: string) => done.filter((each) => each === name).length;

it('begins anew where a job was done while the database was away, and does it once more', async () => {
  await addJobs(db, [job('waits', 'cut off')]);
  await wait(600);
  wire.become('cut');
  goOn();
  await until(() => count('cut off') === 1);
  await wait(1000);
  wire.become('good');
  await addJobs(db, [job('quick', 'afterwards')]);
  await until(() => count('afterwards') === 1);
  await until(() => {
    goOn();
    return count('cut off') === 2;
  });
  expect(said).toContain('the queue has ended; it is begun anew');
});
