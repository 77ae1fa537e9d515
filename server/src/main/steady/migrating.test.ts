import { entryRoutes, gradebookRoutes, messageRoutes, outlookRoutes } from '@cadro/contract';
import { changeTables } from '../../kit';
import { World } from '../../testing/world';

/* Tables change under people who read and write, as they do when a new version is put in place of an old one. */
let world: World;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
});
afterAll(() => world.stop());

const tables = [
  'students',
  'results',
  'items',
  'calendar_entries',
  'guardians',
  'alerts',
  'messages',
  'sessions',
];

it('nobody is answered with an error, and nobody waits long', async () => {
  const guardian = await world.signedIn('maren');
  const statuses: number[] = [];
  const waiting: (() => void)[] = [];
  const answered = (status: number) => {
    statuses.push(status);
    for (const done of waiting.splice(0)) done();
  };
  const nextAnswer = () => new Promise<void>((done) => void waiting.push(done));
  let changing = true;
  const reads = [outlookRoutes.brief, gradebookRoutes.courses, messageRoutes.threads].map(({ path }) => path);
  const reader = async (path: string) => {
    while (changing) answered((await guardian.get(path)).status);
  };
  const writer = async () => {
    for (let nth = 0; changing; nth += 1) {
      const body = { kind: 'note', title: `Line ${nth}`, studentIds: [], shared: true, on: '2026-12-01' };
      answered((await guardian.post(entryRoutes.create.path).send(body)).status);
    }
  };
  const asking = [...reads.map(reader), writer()];
  for (const table of tables)
    for (const change of ['add column added_since text', 'drop column added_since']) {
      await changeTables(() =>
        world.db.transaction(async (trx) => {
          await trx.raw(`set local lock_timeout = '2s'`);
          await trx.raw(`alter table ${table} ${change}`);
        }),
      );
      // Somebody has asked since, however slow the machine is.
      await nextAnswer();
    }
  changing = false;
  await Promise.all(asking);
  expect(statuses.length).toBeGreaterThan(2 * tables.length);
  expect(statuses.filter((status) => status >= 400)).toEqual([]);
});
