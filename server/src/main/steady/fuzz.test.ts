import { householdRoutes, operatorRoutes } from '@cadro/contract';
import { generateSync } from 'otplib';
import { addOperator } from '../../operator';
import { accessWorld } from '../../testing/access/households';
import { fuzz, type Callers } from '../../testing/fuzz/fuzz';
import { password, sessionCookieOf, type World } from '../../testing/world';

const requests = Number(process.env['FUZZ_REQUESTS'] ?? 2_000);
const seed = Number(process.env['FUZZ_SEED'] ?? 1);

let world: World;
let known: Readonly<Record<string, string>>;
const operatorsPassword = 'seven lamps along the breakwater';
let operatorsKey = '';
beforeAll(async () => {
  const made = await accessWorld();
  world = made.world;
  known = { ...made.ids };
  operatorsKey = (await addOperator(world, 'Sable', operatorsPassword)).secret;
});
afterAll(() => world.stop());

/** A guardian, a child with an account of its own, and an operator. */
async function callers(): Promise<Callers> {
  await world.db('login_tries').delete();
  const of = async (name: string) =>
    sessionCookieOf(
      await world.nobody.post(householdRoutes.signIn.path).send({ email: `${name}@test.example`, password }),
    );
  await world.db('operators').update({ last_step: 0 });
  const code = generateSync({ secret: operatorsKey, epoch: Math.floor(world.wallAt.getTime() / 1000) });
  const operator = await world.nobody
    .post(operatorRoutes.signIn.path)
    .send({ name: 'Sable', password: operatorsPassword, code });
  const [guardian, student] = [await of('guardian'), await of('student')];
  return { people: [guardian, guardian, student], operator: sessionCookieOf(operator) };
}

it(
  `answers whatever is sent to it: ${requests} requests of seed ${seed}`,
  async () => {
    const { findings, byStatus } = await fuzz(world.config.publicUrl, { seed, requests, known, callers });
    process.stderr.write(
      `measured: of ${requests} fuzzed requests ${findings.length} without a name, without an answer, or 5xx; by status ${JSON.stringify(byStatus)}\n`,
    );
    expect(findings.slice(0, 20)).toEqual([]);
    // Not all is refused at the door: what is drawn reaches the rooms.
    expect(byStatus['200'] ?? 0).toBeGreaterThan(requests / 20);
  },
  // Far above what it needs: how fast the machine is, is not what is asked here.
  Math.max(1_200_000, requests * 600),
);
