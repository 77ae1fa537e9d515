import type { Agent } from 'supertest';
import { aroundRoutes, type AroundChild } from '@cadro/contract';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
beforeAll(async () => {
  world = await World.read('once');
  await world.household('aldervane', [
    { name: 'maren', children: ['caspian', 'isolde', 'pet'] },
    { name: 'caspian', role: 'student', children: ['caspian'] },
  ]);
  await world.household('elsewhere', [{ name: 'aunt', role: 'helper', children: ['caspian'] }]);
  maren = await world.signedIn('maren');
});
afterAll(() => world.stop());

const around = async (agent: Agent): Promise<AroundChild[]> =>
  (await agent.get(aroundRoutes.around.path).expect(200)).body.children;
const of = async (child: string, agent = maren): Promise<AroundChild | undefined> =>
  (await around(agent)).find(({ studentId }) => studentId === world.student(child));

it('tells of each child what its school says of today', async () => {
  expect(await of('caspian')).toMatchObject({
    schoolName: 'Millrace Middle School',
    balances: [
      {
        kind: 'account',
        title: 'Lunch account',
        amount: 6.4,
        currency: 'USD',
        asOf: '2026-10-20T11:00:00.000Z',
      },
      { kind: 'fee', title: 'Lighthouse trip', amount: 12, dueOn: '2026-11-13' },
    ],
    rides: [{ title: 'Bus 4, east loop', weekdays: [1, 2, 3, 4, 5], toSchoolAt: '07:40', homeAt: '15:25' }],
    bulletin: { on: '2026-10-21', text: expect.stringContaining('Picture retakes') },
    // The glove is kept no longer.
    found: [{ title: 'Blue water bottle with a whale on it', keptUntil: '2026-11-02' }],
  });
  expect(await of('isolde')).toMatchObject({ balances: [{ amount: 12.75 }], rides: [] });
});

it('goes on with the days', async () => {
  await world.moveTo('2026-10-23T19:40:00Z');
  await world.syncAll();
  expect(await of('caspian')).toMatchObject({
    bulletin: { on: '2026-10-23', text: 'No late bus on Monday.' },
  });
  expect(await of('isolde')).toMatchObject({ bulletin: { on: '2026-10-22' } });
});

it('is the child’s own to see, and no helper’s', async () => {
  expect((await around(await world.signedIn('caspian'))).map(({ studentId }) => studentId)).toEqual([
    world.student('caspian'),
  ]);
  expect(await around(await world.signedIn('aunt'))).toEqual([]);
});
