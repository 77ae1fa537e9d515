import type { Db } from '../kit';
import { tablesAlone } from './databases';
import { Untouched } from './untouched';

let db: Db;
let drop: () => Promise<void>;
beforeAll(async () => void ({ db, drop } = await tablesAlone(2)));
afterAll(() => drop());

it('sees a row that comes, one that changes and one that goes', async () => {
  const look = (await Untouched.in(db)).everything([]);
  const seen = [await look()];
  const steps = [
    () => db('households').insert({ id: household, name: 'Here' }),
    () =>
      db('guardians').insert({
        ...{ household_id: household, email: 'maren@test.example', password_hash: 'x' },
        ...{ name: 'Maren Aldervane', given_name: 'Maren' },
      }),
    () => db('guardians').update({ name: 'Maren' }),
    () => db('guardians').delete(),
  ];
  for (const step of steps) {
    await step();
    seen.push(await look());
  }
  const digests = seen.map((each) => each['guardians']);
  expect(digests[1]).toEqual(digests[0]);
  expect(new Set(digests.slice(1, 4)).size).toBe(3);
  expect(digests[4]).toEqual(digests[0]);
  // Nothing has been written since.
  expect(await look()).toEqual(seen.at(-1));
});

const household = '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5fa';
