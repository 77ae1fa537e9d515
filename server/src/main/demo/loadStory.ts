import type { Role } from '@cadro/contract';
import { dayMs } from '@cadro/core';
import type { Logger } from 'pino';
import {
  confirmPhone,
  alertSettings,
  changeSettings,
  deliver,
  dueDeliveries,
  lookAtChildren,
  makeDigests,
  type DeliverDeps,
} from '../../alerts';
import { computeWanted } from '../../gradebook';
import { addHousehold, hashPassword, linkedStudents, putLink } from '../../household';
import { demoClock, mailTransport, seal, setDemoClock, untilIdle, type Config, type Db } from '../../kit';
import { addSource, moveSource, syncSource } from '../../sources';
import { onFigures, readingHooks } from '../hooks';
import { startWorker } from '../jobs';
import { addDesks } from './desks';
import { SimulatedSchools } from './school';

const figuresTimeoutMs = 120_000;

/** The made-up family. One password for all: this is a demo on loopback. */
const demoPassword = 'tide-and-lantern';
const people = [
  { given_name: 'Maren', name: 'Maren Aldervane', email: 'maren@aldervane.example' },
  { given_name: 'Tobiah', name: 'Tobiah Aldervane', email: 'tobiah@aldervane.example' },
  { given_name: 'Ottoline', name: 'Ottoline Aldervane', email: 'ottoline@aldervane.example' },
  { given_name: 'Isolde', name: 'Isolde Aldervane', email: 'isolde@aldervane.example' },
  { given_name: 'Caspian', name: 'Caspian Aldervane', email: 'caspian@aldervane.example' },
] as const;
/** Who is linked to whom when the demo opens. Pet's code is left for Tobiah to try. */
const links: readonly { person: number; children: readonly string[]; role: Role }[] = [
  { person: 0, children: ['Isolde', 'Caspian', 'Pet'], role: 'guardian' },
  { person: 1, children: ['Isolde', 'Caspian'], role: 'guardian' },
  { person: 2, children: ['Isolde', 'Caspian', 'Pet'], role: 'look-only' },
  { person: 3, children: ['Isolde'], role: 'student' },
  { person: 4, children: ['Caspian'], role: 'student' },
];

/** Tobiah is at sea by day: what cannot wait reaches him as a text. */
async function setTexts(deps: DeliverDeps, guardianId: string): Promise<void> {
  const { delivery } = await alertSettings(deps, guardianId);
  const { ways } = delivery;
  const text = { mail: false, text: true, push: true };
  const phone = '+15550100201';
  await changeSettings(deps, guardianId, {
    delivery: { ...delivery, phone, ways: { ...ways, attendance: text, figure: text } },
  });
  await confirmPhone(deps.db, guardianId, phone);
}

/** @returns the people's ids by their given names. */
async function addFamily(deps: DeliverDeps, now: Date): Promise<ReadonlyMap<string, string>> {
  const { db } = deps;
  const password_hash = await hashPassword(demoPassword);
  const ids = await addHousehold(
    db,
    'Aldervane, Sorrel Quay',
    people.map((person) => ({ ...person, password_hash, language: 'en' as const, confirmed_at: now })),
  );
  const students = await db('student_profiles')
    .where({ family_name: 'Aldervane' })
    .select<{ id: string; given_name: string }[]>('student_id as id', 'given_name');
  for (const { person, children, role } of links) {
    for (const student of students.filter(({ given_name }) => children.includes(given_name))) {
      await putLink(db, { studentId: student.id, guardianId: ids[person] ?? '', role, now });
    }
  }
  await setTexts(deps, ids[1] ?? '');
  return new Map(people.map(({ given_name }, place) => [given_name, ids[place] ?? '']));
}

/** The simulated schools listen on another port at each start; their records are the same. */
export async function refreshAddresses(db: Db, schoolUrl: string): Promise<void> {
  const { sources } = await new SimulatedSchools(schoolUrl).story();
  for (const { clientId, baseUrl } of sources) await moveSource(db, clientId, baseUrl);
}

/** What the day's reading tells the family, and what it sends them. */
async function tellFamily(deps: DeliverDeps): Promise<void> {
  const { db, clock } = deps;
  await computeWanted({ ...deps, onFigures });
  await lookAtChildren(deps, await linkedStudents(db));
  await makeDigests(deps);
  for (const { id } of await dueDeliveries(db, await clock.now())) await deliver(deps, [id]);
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
  const telling = { db, clock, config, transport: mailTransport(config) };
  const last = Date.parse(story.opensAt);
  let family: ReadonlyMap<string, string> = new Map();
  for (let at = Date.parse(story.readsFrom); at <= last; at += dayMs) {
    const now = new Date(at);
    await setDemoClock(db, now);
    await schools.moveTo(now);
    for (const id of sourceIds) await syncSource({ ...telling, reading: readingHooks }, id);
    if (at === Date.parse(story.readsFrom)) family = await addFamily(telling, now);
    await tellFamily(telling);
    tell(`read ${now.toISOString().slice(0, 10)}`);
  }
  await addDesks(telling, family);
  const worker = await startWorker(telling, log);
  const idle = await untilIdle(db, figuresTimeoutMs);
  await worker.stop();
  if (!idle) throw new Error('the figures of the story were not computed in time');
}
