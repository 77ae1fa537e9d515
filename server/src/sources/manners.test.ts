import { World } from '../testing/world';

/* Schools that keep to part of the standard: whatever one leaves out or does its own way, the same rows come of it. */
let world: World;
afterEach(() => world.stop());

const school = 'millrace';
type Rows = readonly Record<string, unknown>[];
const rows = async (): Promise<Rows> =>
  (
    await world.db.raw<{ rows: Rows }>(
      `select s.external_id as child, i.external_id as item, r.status, r.earned, r.at
       from results r join students s on s.id = r.student_id join items i on i.id = r.item_id order by 1, 2, r.seq`,
    )
  ).rows;
const state = () =>
  world
    .db('sources')
    .where({ id: world.sources.get(school) })
    .first();

async function readTwoDays(manner: object): Promise<Rows> {
  world = await World.start();
  await world.school.behave([{ school, ...manner }]);
  for (const day of ['20', '21']) {
    await world.moveTo(`2026-10-${day}T19:40:00Z`);
    await world.sync(school);
  }
  expect(await state()).toMatchObject({ failing_since: null, failure: null });
  expect(await world.db('sync_problems').count()).toEqual([{ count: 0 }]);
  return rows();
}

let asItShould: Rows | undefined;
it.each<[string, object]>([
  ['keeps to all of it', {}],
  ['ignores a filter', { filters: 'ignored' }],
  ['ignores an order', { sorts: 'ignored' }],
  ['ignores both, and counts nothing', { filters: 'ignored', sorts: 'ignored', counts: false, links: false }],
  ['refuses both', { filters: 'refused' }],
  ['has links and no total', { counts: false }],
  ['has small pages, no total and no links', { counts: false, links: false, pageSize: 61 }],
  ['gives tokens that are good for three answers', { tokenAnswers: 3 }],
  ['speaks 1.1 and has no feed', { version: '1.1', feed: false }],
])('a school that %s', async (_name, manner) => {
  const read = await readTwoDays(manner);
  asItShould ??= read;
  expect(read.length).toBeGreaterThan(250);
  expect(read).toEqual(asItShould);
});

describe('a school that speaks the standard and nothing else', () => {
  const figures = async () =>
    (
      await world
        .db('current_figures as f')
        .join('courses as c', 'c.id', 'f.course_id')
        .select('c.external_id', 'f.figures')
    ).map(({ external_id, figures: { posted, looseEnds } }) => [external_id, posted, looseEnds.length]);

  beforeEach(async () => {
    world = await World.start();
    await world.moveTo('2026-10-21T19:40:00Z');
    await world.school.behave([{ school, feed: false, bare: true }]);
    await world.sync(school);
    await world.workOff();
  });

  it('has figures by what is assumed of it, and says what it has not told', async () => {
    const courses = await world
      .db('courses')
      .where({ policy_told: false })
      .whereNotNull('policy')
      .select('policy');
    expect(courses.length).toBeGreaterThan(0);
    for (const { policy } of courses) {
      expect(policy).toMatchObject({
        method: 'points',
        outOf: 100,
        missingCounts: 'zero',
        incompleteCounts: 'not',
      });
      expect(policy.termEnd).toMatch(/^20\d\d-\d\d-\d\dT\d\d:59:59.000Z$/);
    }
    const read = await figures();
    expect(read.length).toBeGreaterThan(0);
    expect(read.some(([, posted]) => typeof posted === 'number')).toBe(true);
    expect(await state()).toMatchObject({
      failing_since: null,
      version: '1.2',
      parts: {
        roster: { state: 'told' },
        demographics: { state: 'told' },
        feed: { state: 'refused', since: null },
      },
    });
  });

  it('takes what the feed tells, once there is one, and none of it is news', async () => {
    await world.school.behave([]);
    await world.sync(school);
    expect(await world.db('courses').where({ policy_told: false }).whereNotNull('policy').count()).toEqual([
      { count: 0 },
    ]);
    expect(await world.db('change_log').where({ kind: 'comment' }).count()).toEqual([{ count: 0 }]);
    expect(await state()).toMatchObject({ parts: { feed: { state: 'told' } } });
  });

  it('fails as before where a feed that has told something does not answer', async () => {
    await world.school.behave([]);
    await world.sync(school);
    await world.school.fail([{ school, collection: 'comments', kind: 'down' }]);
    await expect(world.sync(school)).rejects.toMatchObject({ code: 'source-down' });
    expect(await state()).toMatchObject({ failure: 'source-down', parts: { feed: { state: 'failing' } } });
    await world.school.fail([]);
    await world.sync(school);
    expect(await state()).toMatchObject({ failure: null, parts: { feed: { state: 'told' } } });
  });
});
