import type { CourseRecord, ResultRecord } from '@cadro/contract';
import { courseFigures, simulate, type Fan } from '@cadro/core';
import { householdRecords } from '../gradebook';
import { World } from '../testing/world';

let world: World;
beforeAll(async () => {
  world = await World.read();
});
afterAll(() => world.stop());

/** The fan of a record, drawn to its end. */
function drawn(record: Parameters<typeof simulate>[0]['record'], seed: number): Fan | null {
  const drawing = simulate({ record, draws: 400, seed, target: null });
  for (;;) {
    const next = drawing.next();
    if (next.done) return next.value;
  }
}

/** A first reading tells of past scores and not of the days between: what was scored had been handed in when it was due. */
const handedIn = ({ items, results }: CourseRecord): ResultRecord[] =>
  (items ?? []).flatMap(({ id, dueAt }) => {
    const first = (results ?? []).find(({ itemId }) => itemId === id);
    return dueAt && first?.status === 'scored' && !first.late && first.at > dueAt
      ? [{ itemId: id, at: dueAt, status: 'handed-in' }]
      : [];
  });

/** Saturdays of the quarter from its third week to the one before its last. */
const saturdays = ['09-26', '10-03', '10-10', '10-17', '10-24', '10-31'].map(
  (day) => `2026-${day}T12:00:00Z`,
);

it('holds the true end of a course about as often as it says, tried on every course and week of the quarter', async () => {
  await world.moveTo('2026-11-08T12:00:00Z');
  await world.syncAll();
  // No household has said anything of these courses.
  const householdId = '00000000-0000-4000-8000-000000000000';
  const terms = await householdRecords(world.db, {
    ...{ studentIds: [...world.students.values()], householdId, asOf: await world.clock.now() },
  });
  const courses = terms.filter(({ record }) => record.policy.method !== 'standards');
  expect(courses.length).toBeGreaterThan(10);
  let [held, narrow, tried] = [0, 0, 0];
  for (const { record } of courses) {
    const end = courseFigures(record).ifLeft;
    if (end === null) continue;
    saturdays.forEach((asOf, week) => {
      const published = (record.items ?? []).filter(({ assignedAt }) => (assignedAt ?? '') <= asOf);
      const known = new Set(published.map(({ id }) => id));
      const results = [...(record.results ?? []), ...handedIn(record)].filter(({ itemId }) =>
        known.has(itemId),
      );
      const fan = drawn({ ...record, asOf, items: published, results }, week + 1);
      const last = fan?.steps.at(-1);
      if (!last) return;
      tried += 1;
      if (end >= last.low - 1e-9 && end <= last.high + 1e-9) held += 1;
      if (end >= last.lowMiddle - 1e-9 && end <= last.highMiddle + 1e-9) narrow += 1;
    });
  }
  const share = held / tried;
  process.stderr.write(
    `measured: the true end lay within the band of four in five in ${(100 * share).toFixed(0)} % of ${tried} tries, within that of one in two in ${((100 * narrow) / tried).toFixed(0)} %\n`,
  );
  expect(tried).toBeGreaterThan(80);
  expect(share).toBeGreaterThanOrEqual(0.7);
  expect(share).toBeLessThanOrEqual(0.9);
});
