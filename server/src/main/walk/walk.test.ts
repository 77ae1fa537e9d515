import { daysAfter } from '@cadro/core';
import { PaperReader } from '../../testing/paper';
import { World } from '../../testing/world';
import { inCalendars } from './address';
import { Evening } from './evening';
import { inFiles } from './files';
import { onPaper } from './printed';
import { disagreements, endsSaid, gradesSaid, statesSaid, tooLate, twice, type Said } from './said';

/*
 * The demo family's thirty days, read as a careful parent would: what each place says of a course or an assignment is
 * laid beside what the others say, on paper too, and every disagreement is printed with both texts. The list is empty.
 */
const first = '2026-10-21';
const days = 31;
/** How many evenings are compared; the family opens Cadro on these alone, spread evenly over the month. */
const evenings = Number(process.env['TEST_CONSISTENCY_EVENINGS'] ?? days);
const comparedDays = Array.from({ length: evenings }, (_, nth) => Math.floor((nth * days) / evenings));
/** Six papers to set and to read take as long as a third of an evening. */
const printedEvery = 3;
const children = ['isolde', 'caspian', 'pet'] as const;

let world: World;
let evening: Evening;
const paper = new PaperReader();

beforeAll(async () => {
  world = await World.read('daily');
  await world.household('walkers', [{ name: 'maren', children: [...children] }]);
  const students = children.map((child) => world.student(child));
  evening = new Evening(await world.signedIn('maren'), students, paper);
});
afterAll(async () => {
  await paper.close();
  await world.stop();
});

it('finds what differs, and says which places say it', () => {
  const said = (place: string, text: string): Said => ({ place, about: 'grade of kelp', text });
  expect(disagreements([said('Courses', '80.4 B'), said('course', '80.4 B')])).toEqual([]);
  expect(
    disagreements([said('Courses', '80.4 B'), said('Brief', '76.6 C'), said('alert', '80.4 B')]),
  ).toEqual(['grade of kelp: Courses: 80.4 B | Brief: 76.6 C']);
});

it('one state, one figure, one deadline, wherever it is read, from 21 October to 20 November', async () => {
  const titles = new Map(
    (await world.db('items').select<{ id: string; external_id: string }[]>('id', 'external_id')).map(
      ({ id, external_id }) => [id, external_id],
    ),
  );
  const found: string[] = [];
  let compared = 0;
  let printed = 0;
  let confirmed = 0;
  for (const [nth, day] of comparedDays.entries()) {
    const on = daysAfter(first, day);
    await world.moveTo(`${on}T${on < '2026-11-01' ? '22' : '23'}:40:00Z`);
    await world.syncAll();
    confirmed += await evening.confirmAll();
    const seen = await evening.read(on, { print: nth % printedEvery === 0 });
    const papers = onPaper(seen);
    const said = [
      ...gradesSaid(seen),
      ...endsSaid(seen),
      ...statesSaid(seen),
      ...inCalendars(seen),
      ...inFiles(seen),
      ...papers,
    ];
    compared += said.length;
    printed += papers.filter(({ place }) => place.startsWith('paper')).length;
    const all = [...disagreements(said), ...tooLate(seen), ...twice(seen)];
    found.push(...all.map((line) => `${on} ${line.replace(/[0-9a-f-]{36}/g, (id) => titles.get(id) ?? id)}`));
  }
  process.stderr.write(
    `measured: ${compared} statements laid side by side on ${evenings} evenings of ${days}, ${printed} of them read off paper, ${confirmed} offers confirmed, ${found.length} differ\n`,
  );
  expect(confirmed).toBeGreaterThan(0);
  expect(compared).toBeGreaterThan(evenings * 100);
  expect(printed).toBeGreaterThan(evenings * 50);
  expect(found).toEqual([]);
}, 600_000);
