import type { Role } from '@cadro/contract';
import type { Logger } from 'pino';
import {
  alertSettings,
  changeSettings,
  deliver,
  dueDeliveries,
  lookAtChildren,
  makeDigests,
  type DeliverDeps,
} from '../alerts';
import type { Config } from '../config';
import { demoClock, setDemoClock, type Db } from '../db';
import { addHousehold, hashPassword, putLink } from '../household';
import { startWorker, untilIdle } from '../jobs';
import { mailTransport } from '../mail';
import { seal } from '../seal';
import { addSource, moveSource, syncSource } from '../sources';
import { SimulatedSchools } from './school';

const dayMs = 24 * 60 * 60 * 1000;
const figuresTimeoutMs = 120_000;

/** The made-up family. One password for all: this is a demo on loopback. */
export const demoPassword = 'tide-and-lantern';
const people = [
  { given_name: 'Maren', name: 'Maren Aldervane', email: 'maren@aldervane.example' },
  { given_name: 'Tobiah', name: 'Tobiah Aldervane', email: 'tobiah@aldervane.example' },
  { given_name: 'Ottoline', name: 'Ottoline Aldervane', email: 'ottoline@aldervane.example' },
] as const;
/** Who is linked to whom when the demo opens. Pet's code is left for Tobiah to try. */
const links: readonly { person: number; children: readonly string[]; role: Role }[] = [
  { person: 0, children: ['Isolde', 'Caspian', 'Pet'], role: 'guardian' },
  { person: 1, children: ['Isolde', 'Caspian'], role: 'guardian' },
  { person: 2, children: ['Isolde', 'Caspian', 'Pet'], role: 'look-only' },
];

/** Tobiah is at sea by day: what cannot wait reaches him as a text. */
async function setTexts(deps: DeliverDeps, guardianId: string): Promise<void> {
  const { delivery } = await alertSettings(deps, guardianId);
  const { ways } = delivery;
  const text = { mail: false, text: true };
  await changeSettings(deps, guardianId, {
    delivery: { ...delivery, phone: '+15550100201', ways: { ...ways, attendance: text, figure: text } },
  });
}

async function addFamily(deps: DeliverDeps, now: Date): Promise<void> {
  const { db } = deps;
  const password_hash = await hashPassword(demoPassword);
  const ids = await addHousehold(
    db,
    'Aldervane, Sorrel Quay',
    people.map((person) => ({ ...person, password_hash, language: 'en' as const })),
  );
  const students = await db('students')
    .where({ family_name: 'Aldervane' })
    .select<{ id: string; given_name: string }[]>('id', 'given_name');
  for (const { person, children, role } of links) {
    for (const student of students.filter(({ given_name }) => children.includes(given_name))) {
      await putLink(db, { studentId: student.id, guardianId: ids[person] ?? '', role, now });
    }
  }
  await setTexts(deps, ids[1] ?? '');
}

/** The simulated schools listen on another port at each start; their records are the same. */
export async function refreshAddresses(db: Db, schoolUrl: string): Promise<void> {
  const { sources } = await new SimulatedSchools(schoolUrl).story();
  for (const { clientId, baseUrl } of sources) await moveSource(db, clientId, baseUrl);
}

/** What the day's reading tells the family, and what it sends them. */
async function tellFamily(deps: DeliverDeps): Promise<void> {
  const { db, clock } = deps;
  const children: string[] = await db('guardian_links').distinct().orderBy('student_id').pluck('student_id');
  await lookAtChildren(deps, children);
  await makeDigests(deps);
  for (const id of await dueDeliveries(db, await clock.now())) await deliver(deps, id);
}

/**
 * Fills an empty database with the story: reads the simulated schools day by day, as a family that has had
 * Cadro for two weeks would have, so that every change in the history was really seen.
 */
export async function loadStory(
  deps: { db: Db; config: Config; log: Logger; schoolUrl: string },
  tell: (line: string) => void,
): Promise<void> {
  const { db, config, log, schoolUrl } = deps;
  const schools = new SimulatedSchools(schoolUrl);
  const story = await schools.story();
  const clock = demoClock(db);
  const sourceIds: string[] = [];
  for (const { name, baseUrl, clientId, clientSecret } of story.sources) {
    const sealedSecret = seal(config.secret, clientSecret);
    sourceIds.push(await addSource(db, { name, baseUrl, clientId, sealedSecret }));
  }
  const mail = { db, config, transport: mailTransport(config) };
  const telling = { db, clock, config, transport: mail.transport };
  const last = Date.parse(story.opensAt);
  for (let at = Date.parse(story.readsFrom); at <= last; at += dayMs) {
    const now = new Date(at);
    await setDemoClock(db, now);
    await schools.moveTo(now);
    for (const id of sourceIds) await syncSource({ db, clock, config }, id);
    if (at === Date.parse(story.readsFrom)) await addFamily(telling, now);
    await tellFamily(telling);
    tell(`read ${now.toISOString().slice(0, 10)}`);
  }
  const worker = await startWorker({ db, clock, config, mail }, log);
  const idle = await untilIdle(db, figuresTimeoutMs);
  await worker.stop();
  if (!idle) throw new Error('the figures of the story were not computed in time');
}
