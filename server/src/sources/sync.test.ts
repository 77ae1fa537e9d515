import { sourceRoutes } from '@cadro/contract';
import { figuresJob, heldAmong, wantFigures } from '../gradebook';
import { addJobs } from '../kit';
import { readingHooks } from '../main/hooks';
import { syncSource, type SyncReport } from './sync';
import { World } from '../testing/world';
import { wholeOf } from '../records';

let world: World;
/** Each test has a world of its own: one that has read nothing yet, or one that has read every school. */
const begin = async (made: Promise<World>): Promise<void> => void (world = await made);
afterEach(() => world.stop());

/** Everything a sync writes, by the source's own ids, so that two databases can be compared. */
async function rows(): Promise<Record<string, unknown>> {
  const { db } = world;
  const [items, results, comments, marks, problems] = await Promise.all([
    db('items as i')
      .join('sources as s', 's.id', 'i.source_id')
      .orderBy(['s.client_id', 'i.external_id'])
      .select('s.client_id', 'i.external_id', 'i.title', 'i.possible', 'i.due_at', 'i.removed', 'i.counts'),
    db('results as r')
      .join('items as i', 'i.id', 'r.item_id')
      .join('students as s', 's.id', 'r.student_id')
      .orderBy(['s.external_id', 'i.external_id', 'r.at', 'r.seq'])
      .select(
        's.external_id as student',
        'i.external_id as item',
        'r.at',
        'r.status',
        'r.earned',
        'r.late',
        'r.levels',
      ),
    db('comments').orderBy('text').select('external_id', 'text', 'subject'),
    db('attendance_marks').orderBy(['external_id']).select('external_id', 'code'),
    db('sync_problems').select('collection', 'external_id'),
  ]);
  return { items, results, comments, marks, problems };
}
const failure = (run: Promise<SyncReport>) =>
  run.then(
    () => null,
    (error: { code: string }) => error.code,
  );
const source = () =>
  world
    .db('sources')
    .where({ id: world.sources.get('millrace') })
    .first();

it('cut in the middle and run again, it ends in the same rows', async () => {
  await begin(World.read());
  const whole = await rows();
  await world.stop();
  await begin(World.start());
  await world.school.fail([{ school: 'millrace', collection: 'results', kind: 'cut', afterPages: 1 }]);
  expect(await failure(world.sync('millrace'))).toBe('source-down');
  expect(await world.db('results').count()).toEqual([{ count: 200 }]);
  await world.school.fail([]);
  await world.syncAll();
  await world.syncAll();
  expect(await rows()).toEqual(whole);
});

it('half a reading is told of when the rest is in, or an hour later', async () => {
  await begin(World.start());
  const { db, clock, config } = world;
  await world.moveTo('2026-10-16T19:40:00Z');
  await world.syncAll();
  const [half, beside] = [world.student('caspian'), world.student('isolde')];
  const asOf = async (student_id: string) =>
    (await db('current_figures').where({ student_id }).max<{ at: Date }[]>('as_of as at'))[0]?.at;
  const compute = async () => {
    await wantFigures(db, wholeOf([half, beside]), await clock.now());
    await addJobs(db, [figuresJob]);
    await world.workOff();
  };
  const before = await asOf(half);
  await world.moveTo('2026-10-20T19:40:00Z');
  const atTwenty = await clock.now();
  // The worker ends while it reads: one page of what has changed is in.
  let pages = 0;
  const reading = {
    ...readingHooks,
    onRecords: async (...args: Parameters<typeof readingHooks.onRecords>) => {
      if ((pages += 1) > 1) throw new Error('cut');
      await readingHooks.onRecords(...args);
    },
  };
  const source = world.sources.get('millrace') ?? '';
  await expect(syncSource({ db, clock, config, reading }, source)).rejects.toThrow('cut');
  await compute();
  expect([await asOf(half), await asOf(beside)]).toEqual([before, atTwenty]);
  expect(await heldAmong(db, [half, beside], atTwenty)).toEqual([half]);
  // What is known by then is better than nothing.
  await world.moveTo('2026-10-20T20:45:00Z');
  await compute();
  expect(await asOf(half)).toEqual(await clock.now());
  await world.sync('millrace');
  await compute();
  expect(await db('figures_wanted').pluck('student_id')).toEqual([]);
});

it('reads only what changed, appends it to the history and logs what differed', async () => {
  await begin(World.start());
  await world.moveTo('2026-10-16T19:40:00Z');
  await world.syncAll();
  const first = await world.sync('millrace');
  expect(await world.db('change_log').count()).toEqual([{ count: 0 }]);
  // What changed in the last instant comes again; the very same is not written again.
  expect((await world.sync('millrace')).records).toBeLessThanOrEqual(first.records);
  const writes: string[] = [];
  world.db.on(
    'query',
    ({ sql }: { sql: string }) => /insert into (items|comments)/.test(sql) && writes.push(sql),
  );
  await world.sync('millrace');
  expect(writes).toEqual([]);
  await world.moveTo('2026-10-19T19:40:00Z');
  const second = await world.sync('millrace');
  expect(second.records).toBeGreaterThan(first.records);
  // What was published in one go comes again: a source may have changed more in that very instant.
  expect(second.records).toBeLessThan(300);
  const seedLog = {
    item_id: await world.itemId('seeds-seed-log', 'millrace'),
    student_id: world.student('caspian'),
  };
  const history = await world.db('results').where(seedLog).orderBy('seq').select('status', 'earned', 'late');
  expect(history).toEqual([
    { status: 'missing', earned: null, late: false },
    { status: 'scored', earned: 17, late: true },
  ]);
  const logged = await world
    .db('change_log')
    .where({ ...seedLog, kind: 'result' })
    .select('kind', 'before', 'after');
  expect(logged).toEqual([
    { kind: 'result', before: { status: 'missing', earned: null }, after: { status: 'scored', earned: 17 } },
  ]);
});

it('logs whatever differs for each child it concerns, and nothing that does not', async () => {
  await begin(World.start());
  await world.moveTo('2026-10-16T19:40:00Z');
  await world.syncAll();
  await world.sync('gannet-head');
  expect(await world.db('change_log').count()).toEqual([{ count: 0 }]);
  await world.moveTo('2026-10-19T19:40:00Z');
  await world.sync('gannet-head');
  const logged = (where: object) =>
    world.db('change_log').where(where).select('kind', 'before', 'after', 'item_id', 'course_id');
  const isolde = { student_id: world.student('isolde') };
  const paper = await world.itemId('rowing-old-paper', 'gannet-head');
  expect(await logged({ ...isolde, item_id: paper })).toEqual([
    expect.objectContaining({ kind: 'work', before: { removed: false }, after: { removed: true } }),
  ]);
  const comments = await logged({ ...isolde, kind: 'comment' });
  expect(comments).toContainEqual(
    expect.objectContaining({
      before: null,
      after: expect.objectContaining({ text: expect.stringContaining('redo the titration quiz') }),
      item_id: await world.itemId('kelp-titration', 'gannet-head'),
    }),
  );
  const marks = await logged({ ...isolde, kind: 'mark' });
  expect(marks.filter(({ after }) => after.code === 'U')).toMatchObject([{ after: { period: '7' } }]);
  // New work is news to everyone in the course.
  const students = await world
    .db('change_log')
    .where({ kind: 'work' })
    .whereRaw('before is null')
    .countDistinct('student_id');
  expect(students).toEqual([{ count: 2 }]);
  const before = await world.db('change_log').count();
  await world.sync('gannet-head');
  expect(await world.db('change_log').count()).toEqual(before);
});

it('computes the figures of the children concerned in a job', async () => {
  await begin(World.read());
  const courseId = await world.courseId('boats', 'millrace');
  const row = await world
    .db('current_figures')
    .where({ student_id: world.student('caspian'), course_id: courseId })
    .first('figures');
  expect(row.figures).toMatchObject({
    display: 3.1,
    looseEnds: [{ kind: 'overdue', recoverable: true, credit: 0.75 }],
  });
  expect(row.figures.ifLeft).toBeLessThan(2.5);
});

it('takes a work away that the school takes back', async () => {
  await begin(World.start());
  await world.moveTo('2026-10-16T19:40:00Z');
  await world.syncAll();
  const paper = { id: await world.itemId('rowing-old-paper', 'gannet-head') };
  expect(await world.db('items').where(paper).first('removed')).toEqual({ removed: false });
  await world.moveTo('2026-10-19T19:40:00Z');
  await world.sync('gannet-head');
  expect(await world.db('items').where(paper).first('removed')).toEqual({ removed: true });
});

it('reports a broken record with its reason, takes the others in, and forgets it when it comes mended', async () => {
  await begin(World.start());
  await world.school.fail([{ school: 'millrace', collection: 'results', kind: 'broken-record' }]);
  await world.syncAll();
  const problems = await world.db('sync_problems').select('collection', 'external_id', 'reason');
  expect(problems.length).toBeGreaterThan(0);
  expect(problems[0]).toMatchObject({
    collection: 'results',
    reason: '/scoreStatus is none of what it can be',
  });
  const taken = Number((await world.db('results').count())[0]?.['count']);
  expect(taken).toBeGreaterThan(300);
  await world.household('here', [{ name: 'maren', children: ['caspian'] }]);
  const agent = await world.signedIn('maren');
  const { body } = await agent.get(sourceRoutes.sources.path).expect(200);
  expect(body.sources[0].problems).toHaveLength(problems.length);

  const reported = () => world.db('sync_problems').orderBy('external_id').pluck('external_id');
  const [first, second, ...others] = await reported();
  expect(others).toEqual([]);
  // The school tells everything anew: the first page whole, and then all.
  const toldAnew = async (faults: Parameters<typeof world.school.fail>[0]) => {
    await world.school.fail(faults);
    await world.db('sources').update({ cursors: '{}' });
    await world.syncAll();
  };
  await toldAnew([{ school: 'millrace', collection: 'results', kind: 'broken-record', afterPages: 1 }]);
  expect(await reported()).toEqual([expect.stringMatching(`^(${first}|${second})$`)]);
  await toldAnew([]);
  expect(await reported()).toEqual([]);
});

describe('a source that fails', () => {
  it.each([
    ['is down', 'down', 'source-down'],
    ['is slow beyond patience', 'slow', 'source-down'],
    ['answers nonsense', 'nonsense', 'source-nonsense'],
  ])('%s: the old data stays whole and its age is told', async (_name, kind, code) => {
    await begin(World.read());
    const before = await rows();
    const readAt = (await source()).read_at;
    const patience = kind === 'slow' ? { sourceTimeoutMs: 3000 } : {};
    await world.school.fail([{ school: 'millrace', collection: 'lineItems', kind }]);
    await world.moveTo('2026-10-22T19:40:00Z');
    expect(await failure(world.sync('millrace', patience))).toBe(code);
    expect((await rows())['results']).toEqual(before['results']);
    expect(await source()).toMatchObject({
      read_at: readAt,
      failing_since: new Date('2026-10-22T19:40:00Z'),
    });
    await world.moveTo('2026-10-23T19:40:00Z');
    expect(await failure(world.sync('millrace', patience))).toBe(code);
    expect((await source()).failing_since).toEqual(new Date('2026-10-22T19:40:00Z'));
    await world.school.fail([]);
    await world.sync('millrace');
    expect(await source()).toMatchObject({ failing_since: null, read_at: new Date('2026-10-23T19:40:00Z') });
  });

  it('is read all the same when it refuses what it need not give', async () => {
    await begin(World.start());
    await world.school.fail([{ school: 'millrace', collection: 'demographics', kind: 'refused' }]);
    await world.sync('millrace');
    expect(await source()).toMatchObject({ failing_since: null });
    const birthdays = () => world.db('child_files').whereNotNull('agents').pluck('birth_date');
    expect(await birthdays()).toEqual([null]);
    await world.school.fail([]);
    await world.sync('millrace');
    expect(await birthdays()).toEqual(['2013-05-19']);
  });

  it('refuses wrong credentials without retrying for ever', async () => {
    await begin(World.start());
    await world.db('sources').update({ client_id: 'somebody-else' });
    const error = await world.sync('millrace').then(
      () => null,
      (caught: { code: string; retryable: boolean }) => caught,
    );
    expect(error).toMatchObject({ code: 'source-refuses', retryable: false });
  });
});
