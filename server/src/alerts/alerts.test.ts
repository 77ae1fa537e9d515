import { alertRoutes, type Alert } from '@cadro/contract';
import { factsOfDays, tellAlert, tellingsOf } from '@cadro/core';
import type { Agent } from 'supertest';
import { withWords } from '../testing/alertRules';
import { World } from '../testing/world';
import { lookAtChildren } from '.';
import { wholeOf } from '../records';
import { historiesOf } from './histories';
import { watchesOf } from './watchStore';

/* Two weeks of the story, an evening at a time, in earnest and in rehearsal. */
const dayMs = 86_400_000;
const firstEvening = Date.parse('2026-10-07T19:40:00.000Z');
const evenings = Array.from({ length: 15 }, (_, day) => firstEvening + day * dayMs);
const children = ['isolde', 'caspian', 'pet'];
/** Fewer than some evenings bring. */
const capPerDay = 2;

interface Told {
  readonly atMs: number;
  readonly key: string;
  readonly ids: readonly string[];
}
interface Arrival {
  readonly channel: string;
  readonly to: string;
  readonly subject: string;
  readonly text: string;
  readonly html: string;
  readonly headers: Record<string, string>;
}

let world: World;
let maren: Agent;
const told: Told[] = [];
const arrivals = async (to: string): Promise<Arrival[]> =>
  (
    (await (await fetch(`${world.school.url}/demo/arrivals`)).json()) as { arrivals: Arrival[] }
  ).arrivals.filter((each) => each.to === to);
const guardianId = async (name: string): Promise<string> =>
  (
    await world
      .db('guardians')
      .where({ email: `${name}@test.example` })
      .first<{ id: string }>('id')
  ).id;
const alertsOf = async (agent: Agent, query: Record<string, string> = {}): Promise<Alert[]> =>
  (await agent.get(alertRoutes.list.path).query(query).expect(200)).body.alerts;

beforeAll(async () => {
  world = await World.start();
  await world.moveTo(new Date(firstEvening).toISOString());
  await world.syncAll();
  await world.household('here', [
    { name: 'maren', children },
    { name: 'ottoline', role: 'look-only', children: ['pet'] },
  ]);
  maren = await world.signedIn('maren');
  const { delivery } = (await maren.get(alertRoutes.settings.path).expect(200)).body;
  await maren
    .patch(alertRoutes.changeSettings.path)
    .send({
      rules: { ...withWords, capPerDay },
      delivery: {
        ...delivery,
        phone: '+15550100200',
        ways: { ...delivery.ways, attendance: { mail: false, text: true, push: false } },
        digest: 'daily',
        digestHour: 16,
      },
    })
    .expect(200);
  await world.phonesConfirmed();
  const device: unknown = await (await fetch(`${world.school.url}/demo/devices`, { method: 'POST' })).json();
  await maren
    .post(alertRoutes.addDevice.path)
    .send(device as object)
    .expect(201);
  const looker = await world.signedIn('ottoline');
  await looker.patch(alertRoutes.changeSettings.path).send({ rules: withWords }).expect(200);
  await lookAtChildren(
    world,
    children.map((child) => world.student(child)),
  );
  const id = await guardianId('maren');
  for (const atMs of evenings.slice(1)) {
    await world.moveTo(new Date(atMs).toISOString());
    for (const school of world.sources.keys()) await world.sync(school);
    await world.workOff();
    const rows = await world
      .db('alerts')
      .where({ told_at: new Date(atMs), guardian_id: id })
      .select<{ key: string; told: string[] }[]>('key', 'told');
    told.push(...rows.map(({ key, told: ids }) => ({ atMs, key, ids: [...ids].sort() })));
  }
});
afterAll(() => world.stop());

it('pushes what it mails, under the same caps', async () => {
  const by = async (channel: string): Promise<string[]> =>
    world
      .db('deliveries')
      .where({ channel, about: 'alert', guardian_id: await guardianId('maren') })
      .orderBy('key')
      .pluck('key');
  const [mailed, pushed] = [await by('mail'), await by('push')];
  expect(mailed.length).toBeGreaterThan(5);
  expect(pushed).toEqual(mailed);
});

const inOrder = (all: readonly Told[]) =>
  [...all].sort((a, b) => a.atMs - b.atMs || (a.key < b.key ? -1 : a.key > b.key ? 1 : 0));

it('tells in earnest what the same rules tell in rehearsal, evening by evening', async () => {
  const now = await world.clock.now();
  const watches = await watchesOf(world.db, { guardianIds: [await guardianId('maren')] });
  const historyOf = await historiesOf(world.db, wholeOf(watches.map(({ studentId }) => studentId)), now);
  const rehearsed = watches.flatMap((watch) =>
    tellingsOf(factsOfDays(historyOf(watch), evenings), withWords).map(({ atMs, key, reasons }) => ({
      atMs,
      key,
      ids: reasons.map(({ id }) => id).sort(),
    })),
  );
  expect(told.length).toBeGreaterThan(15);
  expect(inOrder(rehearsed)).toEqual(inOrder(told));
});

it('raises what the story holds, each once and with true facts', async () => {
  const alerts = await alertsOf(maren);
  const said = alerts.map((alert) =>
    tellAlert('en', alert, { timeZone: 'America/Halifax', lead: alert.leading }),
  );
  const headlines = said.map(({ headline }) => headline);
  expect(new Set(alerts.map(({ key }) => key)).size).toBe(alerts.length);
  for (const headline of ['Seed log: was missing, now 17 of 20', 'Left before last period on 2 days']) {
    expect(headlines).toContain(headline);
  }
  // Its title is what was told then, whatever has come since.
  expect(headlines).toContainEqual(
    expect.stringMatching(/^By our count, Kelp chemistry is losing about 1\.\d points a week$/),
  );
  expect(headlines).toContainEqual(
    expect.stringMatching(/^Boat-building shows 3\.\d of 4, and drops to 2\.\d of 4 if nothing changes$/),
  );
  // What made a fall has an alert of its own: the fall is not told beside it.
  expect(headlines.some((headline) => /Tide tables fell/.test(headline))).toBe(false);
  expect(headlines).toContain('Log of tides, entry 4: overdue, not graded');
  const kelp = alerts.find(({ courseTitle, kind }) => courseTitle === 'Kelp chemistry' && kind === 'figure');
  const [reason] = kelp?.reasons ?? [];
  expect(reason).toMatchObject({ rule: 'slipping', sourceName: 'Gannet Head Upper School', outOf: 100 });
  const course = await maren.get(
    `/api/students/${world.student('isolde')}/courses/${await world.courseId('kelp', 'gannet-head')}`,
  );
  expect(reason).toMatchObject({ now: expect.closeTo(course.body.figures.posted, 6) });
});

it('tells a look-only guardian of their own children alone', async () => {
  const ottoline = await world.signedIn('ottoline');
  const alerts = await alertsOf(ottoline);
  expect(new Set(alerts.map(({ studentId }) => studentId))).toEqual(new Set([world.student('pet')]));
});

it('sends each alert once, by the channels of its kind, and no more in a day than the cap', async () => {
  const mails = (await arrivals('maren@test.example')).filter(({ headers }) => headers['list-unsubscribe']);
  const texts = await arrivals('+15550100200');
  expect(texts.length).toBeGreaterThan(0);
  expect(texts.every(({ text }) => /absent|left before last period/i.test(text))).toBe(true);
  const rows = await world
    .db('deliveries')
    .where({ guardian_id: await guardianId('maren') })
    .select<{ about: string; channel: string; key: string; state: string; made_at: Date }[]>('*');
  expect(new Set(rows.map(({ state }) => state))).toEqual(new Set(['sent']));
  expect(mails).toHaveLength(rows.filter(({ channel }) => channel === 'mail').length);
  const byDay = new Map<number, Set<string>>();
  for (const { made_at, key } of rows.filter(({ about }) => about === 'alert'))
    byDay.set(made_at.getTime(), (byDay.get(made_at.getTime()) ?? new Set()).add(key));
  expect(Math.max(...[...byDay.values()].map(({ size }) => size))).toBe(capPerDay);
});

it('hangs later mail about an alert on the first one, with a table a plain program can lay out', async () => {
  const mails = await arrivals('maren@test.example');
  const answering = mails.filter(({ headers }) => headers['in-reply-to']);
  expect(answering.length).toBeGreaterThan(0);
  for (const { html, text, headers } of mails) {
    expect(html).toContain('<table role="presentation"');
    expect(html).not.toMatch(/<(script|div|img)\b/);
    expect(text).toContain('/brief');
    expect(headers['list-unsubscribe-post']).toBe('List-Unsubscribe=One-Click');
    expect(headers['auto-submitted']).toBe('auto-generated');
  }
});

it('sends a digest a day that needs no signing in', async () => {
  const digests = (await arrivals('maren@test.example')).filter(({ subject }) =>
    subject.startsWith('The day'),
  );
  expect(digests).toHaveLength(14);
  const last = digests.at(-1);
  for (const name of ['Isolde', 'Caspian', 'Pet']) expect(last?.text).toContain(name);
  expect(last?.text).toContain('NEXT 7 DAYS');
  expect(last?.html).toContain(`/courses/${world.student('isolde')}/`);
  // Read in forty seconds: addresses and the foot are not read.
  const words = digests.map(({ text }) => {
    const read = text.slice(0, text.indexOf('See everything in Cadro')).replace(/https?:\S+|^- /gm, '');
    return read.trim().split(/\s+/).length;
  });
  expect(words.reduce((sum, count) => sum + count, 0) / words.length).toBeLessThan(180);
  expect(Math.max(...words)).toBeLessThan(230);
});
