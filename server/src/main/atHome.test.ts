import { setTimeout as wait } from 'node:timers/promises';
import type { Agent } from 'supertest';
import { alertRoutes, deskRoutes, followUpRoutes, noteRoutes, sitdownRoutes } from '@cadro/contract';
import { cookieOf, World } from '../testing/world';

/* What one does at home the others hear of at once, and nobody else does. */
let world: World;
let maren: Agent;
const stop = new AbortController();
beforeAll(async () => {
  world = await World.read('once');
  await world.household('aldervane', [
    { name: 'maren', children: ['caspian'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'caspian', role: 'student', children: ['caspian'] },
  ]);
  await world.household('next door', [{ name: 'neighbour', children: ['neighbour-b'] }]);
  maren = await world.signedIn('maren');
});
afterAll(async () => {
  stop.abort();
  await world.stop();
});

/** What a window hears, from now on, as it comes. */
async function windowOf(agent: Agent): Promise<string[]> {
  const stream = await fetch(`${world.config.publicUrl}${alertRoutes.live.path}`, {
    headers: { cookie: cookieOf(agent) },
    signal: stop.signal,
  });
  const heard: string[] = [];
  const reader = stream.body?.pipeThrough(new TextDecoderStream()).getReader();
  const read = async (): Promise<void> => {
    for (let part = await reader?.read(); part && !part.done; part = await reader?.read())
      heard.push(...[...part.value.matchAll(/^event: (\w+)$/gm)].map(([, kind = '']) => kind));
  };
  // It ends with the test.
  void read().catch(() => undefined);
  return heard;
}
const hears = async (heard: readonly string[], kind: string): Promise<void> => {
  while (!heard.includes(kind)) await wait(10);
};

it('a follow-up, a note, the child’s word and the sit-down are heard in every window of the family', async () => {
  const [tobiah, caspian, neighbour] = [
    await world.signedIn('tobiah'),
    await world.signedIn('caspian'),
    await world.signedIn('neighbour'),
  ];
  const [tobiahs, caspians, marens] = [
    await windowOf(tobiah),
    await windowOf(caspian),
    await windowOf(maren),
  ];
  const neighbours = await windowOf(neighbour);
  const studentId = world.student('caspian');
  await maren.post(followUpRoutes.create.path).send({ studentId, topic: 'other', title: 'T' }).expect(201);
  await Promise.all([tobiahs, caspians, marens].map((heard) => hears(heard, 'talk')));
  await maren
    .post(noteRoutes.write.path)
    .send({ studentId, on: '2026-10-20', text: 'T', shared: true })
    .expect(201);
  await hears(tobiahs, 'notes');
  await maren.post(sitdownRoutes.begin.path).send({ on: '2026-10-25' }).expect(201);
  await hears(tobiahs, 'sitdown');
  const courseId = await world.courseId('boats', 'millrace');
  await caspian
    .post(deskRoutes.say.path.replace(':studentId', studentId))
    .send({ wish: 'talk', courseId })
    .expect(201);
  await Promise.all([hears(tobiahs, 'desk'), hears(marens, 'desk')]);
  // What the neighbour hears next is the first thing it has heard at all.
  const silence = { alertKey: null, studentId: world.student('neighbour-b'), courseId: null, kind: 'figure' };
  await neighbour
    .post(alertRoutes.silence.path)
    .send({ ...silence, until: '2026-10-28' })
    .expect(201);
  await hears(neighbours, 'state');
  expect(neighbours).toEqual(['state']);
});
