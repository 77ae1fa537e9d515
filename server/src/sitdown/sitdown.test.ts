import type { Agent } from 'supertest';
import { entryRoutes, sitdownRoutes, type Sitdown, type SitdownPage } from '@cadro/contract';
import { PaperReader } from '../testing/paper';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
let tobiah: Agent;
const reader = new PaperReader();
beforeAll(async () => {
  world = await World.read('once');
  await world.household('aldervane', [
    { name: 'maren', children: ['caspian', 'isolde'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
    { name: 'caspian', role: 'student', children: ['caspian'] },
  ]);
  await world.household('elsewhere', [{ name: 'stranger', children: ['caspian'] }]);
  [maren, tobiah] = [await world.signedIn('maren'), await world.signedIn('tobiah')];
});
afterAll(async () => {
  await reader.close();
  await world.stop();
});

const open = async (agent = maren): Promise<Sitdown> =>
  (await agent.post(sitdownRoutes.begin.path).send({ on: '2026-10-25' }).expect(201)).body;
const pathOf = (path: string, { id }: Sitdown): string => path.replace(':sitdownId', id);
const list = async (agent = maren): Promise<Sitdown[]> =>
  (await agent.get(sitdownRoutes.list.path).expect(200)).body.sitdowns;
const pageOf = ({ pages }: Sitdown, child: string): SitdownPage | undefined =>
  pages.find(({ studentId }) => studentId === world.student(child));
const change = (sitdown: Sitdown, child: string, body: object, agent = maren) =>
  agent
    .patch(pathOf(sitdownRoutes.change.path, sitdown).replace(':studentId', world.student(child)))
    .send({ version: pageOf(sitdown, child)?.version ?? 1, ...body });

describe('a sit-down', () => {
  it('is one for the family, with a page for each child that one reads', async () => {
    const first = await open();
    expect((await open(tobiah)).id).toBe(first.id);
    expect(first.pages).toHaveLength(2);
    expect((await list(tobiah))[0]?.pages.map(({ studentId }) => studentId)).toEqual([
      world.student('caspian'),
    ]);
    for (const other of ['stranger', 'caspian']) expect(await list(await world.signedIn(other))).toEqual([]);
    const ottoline = await world.signedIn('ottoline');
    expect((await list(ottoline))[0]?.pages).toHaveLength(1);
    await ottoline.post(sitdownRoutes.begin.path).send({ on: '2026-10-25' }).expect(403);
    await change(first, 'caspian', { question: 'Mine?' }, ottoline).expect(403);
    await change(first, 'isolde', { question: 'Mine?' }, tobiah).expect(404);
  });

  it('is changed by both, of whom the slower is shown what stands there', async () => {
    const sitdown = await open();
    const own = [{ id: 'own-1', section: 'good', text: 'Read to Pet every evening' }];
    const after: Sitdown = (
      await change(sitdown, 'caspian', { hidden: ['thing:x'], own, order: ['thing:b', 'thing:a'] }).expect(
        200,
      )
    ).body;
    expect(pageOf(after, 'caspian')).toMatchObject({
      ...{ hidden: ['thing:x'], own, order: ['thing:b', 'thing:a'], version: 2 },
    });
    const slower = await change(sitdown, 'caspian', { question: 'How was the ferry?' }, tobiah).expect(409);
    expect(slower.body).toMatchObject({
      ...{ code: 'edited-meanwhile', current: { own }, yours: { question: 'How was the ferry?' } },
    });
    await change(after, 'caspian', { own: [{ ...own[0], section: 'elsewhere' }] }).expect(400);
  });

  it('is held, kept as it was, and looked back on; whether it held is said afterwards', async () => {
    const sitdown = await open();
    const started: Sitdown = (await maren.post(pathOf(sitdownRoutes.start.path, sitdown)).expect(200)).body;
    expect(started).toMatchObject({ state: 'under-way', startedAt: expect.any(String) });
    // Whoever is second sits down at the same table.
    expect((await tobiah.post(pathOf(sitdownRoutes.start.path, sitdown)).expect(200)).body.startedAt).toBe(
      started.startedAt,
    );
    await maren.delete(pathOf(sitdownRoutes.drop.path, sitdown)).expect(409);
    const agreed = [
      { id: 'a-1', text: 'Phone away at nine', followUpId: null, entryId: null, by: null, held: null },
    ];
    await change(started, 'caspian', { agreed }).expect(200);
    const sections = [{ section: 'good', lines: ['“Keel model” was overdue; now it’s 17 of 20'] }];
    const pages = [
      { studentId: world.student('caspian'), sections },
      // Of a child that is none of hers nothing is kept.
      { studentId: world.student('pet'), sections },
    ];
    const held: Sitdown = (
      await maren.post(pathOf(sitdownRoutes.end.path, sitdown)).send({ pages }).expect(200)
    ).body;
    expect(held).toMatchObject({ state: 'held', endedAt: expect.any(String) });
    expect(pageOf(held, 'caspian')).toMatchObject({ kept: sections, agreed });
    expect(held.pages).toHaveLength(2);
    await tobiah.post(pathOf(sitdownRoutes.end.path, sitdown)).send({ pages: [] }).expect(409);
    await change(held, 'caspian', { question: 'Too late?' }).expect(409);
    const back = [{ ...agreed[0], held: true }];
    expect(
      pageOf((await change(held, 'caspian', { agreed: back }).expect(200)).body, 'caspian'),
    ).toMatchObject({
      agreed: back,
      kept: sections,
    });
    const next = await open();
    expect(next.id).not.toBe(sitdown.id);
    expect((await list()).map(({ state }) => state)).toEqual(['open', 'held']);
    await maren.delete(pathOf(sitdownRoutes.drop.path, next)).expect(204);
  });
});

it('comes by an entry of the family’s calendar, and by none that is not theirs to see', async () => {
  const entry = {
    ...{
      kind: 'event',
      title: 'Sit-down',
      studentIds: [],
      shared: true,
      on: '2026-10-25',
      startsAt: '17:00',
    },
    rule: 'FREQ=WEEKLY;BYDAY=SU',
  };
  const { id } = (await maren.post(entryRoutes.create.path).send(entry).expect(201)).body;
  const set = (entryId: string | null, agent = maren) =>
    agent.post(sitdownRoutes.rhythm.path).send({ entryId });
  await set(id).expect(204);
  expect((await tobiah.get(sitdownRoutes.list.path)).body.rhythmEntryId).toBe(id);
  await set(id, await world.signedIn('stranger')).expect(404);
  await set(null).expect(204);
  expect((await tobiah.get(sitdownRoutes.list.path)).body.rhythmEntryId).toBeNull();
});

it('goes onto paper, a page for each child, with nothing of the others', async () => {
  const section = (title: string, lines: string[]) => ({ title, ticks: true, lines });
  const pages = [
    { name: 'Isolde', sections: [section('What went well', ['A 95 in tide tables'])] },
    {
      name: 'Caspian',
      sections: [
        section(
          'The week ahead',
          Array.from({ length: 50 }, (_, at) => `Evening ${at}: varnish the boat`),
        ),
      ],
    },
  ];
  const { body, headers } = await maren
    .post(sitdownRoutes.paper.path)
    .send({ title: 'Sit-down, October 25', pages })
    .buffer(true)
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => done(null, Buffer.concat(parts)));
    })
    .expect(200);
  expect(headers['content-type']).toContain('application/pdf');
  const texts = (await reader.read(body as Buffer)).map((page) => page.map(({ text }) => text).join(' '));
  expect(texts.length).toBeGreaterThan(2);
  expect(texts[0]).toContain('Isolde');
  expect(texts[0]).not.toMatch(/Caspian|varnish/);
  expect(texts.slice(1).join(' ')).not.toMatch(/Isolde|tide tables/);
  expect(texts.join(' ')).toContain('Evening 49: varnish the boat');
});
