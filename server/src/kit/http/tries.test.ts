import { tablesAlone } from '../../testing/databases';
import type { Db } from '../db';
import { takeTry } from './tries';

let db: Db;
let drop: () => Promise<void>;
beforeAll(async () => void ({ db, drop } = await tablesAlone(2)));
afterAll(() => drop());

const patience = { free: 2, firstWaitSeconds: 60, longestWaitSeconds: 60, forgetSeconds: 3600 };

it('lets two come through one door at once, whoever of them was there first', async () => {
  const kitchen = [{ kind: 'sign-in', of: 'the kitchen', patience }];
  await db.transaction(async (begun) => {
    // What is now for a transaction is when it began.
    await begun.raw('select now()');
    await takeTry(db, kitchen);
    await takeTry(begun, kitchen);
  });
  // The third is not free: whoever comes after it waits.
  await takeTry(db, kitchen);
  await expect(takeTry(db, kitchen)).rejects.toMatchObject({ code: 'too-many-tries' });
});
