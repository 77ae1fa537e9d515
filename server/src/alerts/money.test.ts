import { alertRoutes, type Alert } from '@cadro/contract';
import { presetRules, tellAlert } from '@cadro/core';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

/* Money at school, from the school's word of it to the guardian's mail: the account below a threshold of one's own, and a fee. */
interface Arrival {
  readonly to: string;
  readonly subject: string;
  readonly text: string;
}
let world: World;
let maren: Agent;
const usual = presetRules('usual');

const mails = async (): Promise<Arrival[]> =>
  (
    (await (await fetch(`${world.school.url}/demo/arrivals`)).json()) as { arrivals: Arrival[] }
  ).arrivals.filter(({ to }) => to === 'maren@test.example');
const tells = async (): Promise<string[]> =>
  ((await maren.get(alertRoutes.list.path).expect(200)).body.alerts as Alert[])
    .map((alert) => tellAlert('en', alert, { timeZone: 'America/Halifax', lead: alert.leading }))
    .map(({ headline }) => headline);
const until = async (instant: string): Promise<void> => {
  await world.moveTo(instant);
  await world.syncAll();
  await world.workOff();
};
const asks = async (below: number): Promise<void> => {
  const rules = { ...usual.rules, 'balance-low': { on: true, below }, 'fee-due': { on: true, days: 2 } };
  const { delivery } = (await maren.get(alertRoutes.settings.path).expect(200)).body;
  await maren
    .patch(alertRoutes.changeSettings.path)
    .send({
      rules: { ...usual, rules },
      delivery: { ...delivery, ways: { ...delivery.ways, school: { mail: true, text: false, push: false } } },
    })
    .expect(200);
};

beforeAll(async () => {
  world = await World.read('once');
  await world.household('here', [{ name: 'maren', children: ['isolde', 'caspian'] }]);
  maren = await world.signedIn('maren');
});
afterAll(() => world.stop());

it('tells once of an account below the threshold, in the app and by mail, and not of one above it', async () => {
  // As it was before the school's next word of it, which says less.
  const caspians = { student_id: world.student('caspian'), kind: 'account' };
  await world.db('balances').where(caspians).update({ amount: 10 });
  await asks(10);
  await until('2026-10-22T19:40:00Z');
  expect((await tells()).filter((line) => line.startsWith('Lunch account'))).toEqual([
    'Lunch account: $6.40 left',
  ]);
  const told = (await mails()).filter(({ text }) => text.includes('Lunch account'));
  expect(told.map(({ text }) => text)).toEqual([
    expect.stringContaining('You asked to be told below $10.00.'),
  ]);
  // It is said once, however many days it stays so.
  await until('2026-10-23T19:40:00Z');
  expect((await mails()).filter(({ text }) => text.includes('Lunch account'))).toHaveLength(told.length);
});

it('tells of a fee in the digest of its week, and two days before its last day by itself', async () => {
  const fee = async (ofTheWeek: boolean) =>
    (await mails())
      .filter(({ subject }) => subject.startsWith('The week at a glance') === ofTheWeek)
      .flatMap(({ text }) => text.split('\n').filter((line) => line.includes('Lighthouse trip')));
  await until('2026-11-10T19:40:00Z');
  expect(await fee(false)).toEqual([]);
  expect(await fee(true)).toEqual(['- Lighthouse trip: $12.00 due by Fri, Nov 13']);
  await until('2026-11-11T19:40:00Z');
  const told = await fee(false);
  expect(told).toEqual(['Caspian: Lighthouse trip: $12.00 due by Fri, Nov 13']);
});
