import { freshDatabase } from '../../testing/databases';
import { migrate, openDatabase, type Db } from './database';

async function withDatabase(work: (db: Db) => Promise<void>): Promise<void> {
  const { url, drop } = await freshDatabase();
  const db = openDatabase(url, { poolSize: 1 });
  try {
    await work(db);
  } finally {
    await db.destroy();
    await drop();
  }
}

it('takes a database of the release before along, with what is in it', () =>
  withDatabase(async (db) => {
    await db.migrate.up({ name: '001_foundation' });
    const cursors = JSON.stringify({ results: '2026-10-21T18:00:00Z' });
    const [source] = await db('sources')
      .insert({
        name: 'Millrace',
        base_url: 'http://127.0.0.1:1/millrace',
        client_id: 'c',
        client_secret_sealed: 'x',
        cursors,
        complete_at: new Date('2026-10-21T18:00:00Z'),
      })
      .returning<{ id: string }[]>('id');
    await db('terms').insert({
      source_id: source?.id,
      external_id: 'first-quarter',
      title: 'First quarter',
      starts_on: '2026-09-07',
      ends_on: '2026-11-06',
    });

    await migrate(db);

    expect(await db('terms').first('title', 'kind', 'parent_external_id')).toEqual({
      title: 'First quarter',
      kind: 'term',
      parent_external_id: null,
    });
    // Everything is read once more, for the new columns; none of it is news.
    expect(await db('sources').first('cursors', 'complete_at')).toEqual({ cursors: {}, complete_at: null });
    await migrate(db);
    expect(await db('migrations').pluck('name')).toEqual([
      '001_foundation',
      '002_terms_and_grades',
      '003_work_and_plan',
      '004_days',
      '005_alerts',
      '006_digests_anew',
      '007_delivery_faults',
      '008_floors',
      '009_what_is_true',
      '010_what_is_new',
      '011_readers_learn',
      '012_the_door',
      '013_the_desk',
      '014_on_file',
      '015_whose_rows',
      '016_operators',
      '017_any_source',
      '018_bundles',
      '019_own_sources',
      '020_one_record',
      '021_marks_and_leads',
      '022_stays_up',
      '023_whole_readings',
      '024_found_by_index',
      '025_what_the_school_asks',
      '026_what_comes_back',
      '027_between_guardians',
      '028_whom_to_turn_to',
      '029_notes_and_live',
      '030_follow_ups_go_on',
      '031_around_school',
      '032_sitdowns',
      '033_meetings',
      '034_order_of_lines',
      '035_digest_turns',
      '036_push',
      '037_figures_stand',
      '038_works_by_course',
      '039_answers_kept',
      '040_who_belongs',
      '041_by_course',
      '042_touched_before',
    ]);
  }));

async function aGuardian(db: Db): Promise<string> {
  const [household] = await db('households').insert({ name: 'Here' }).returning<{ id: string }[]>('id');
  const [guardian] = await db('guardians')
    .insert({
      ...{ household_id: household?.id, email: 'maren@test.example', password_hash: 'x' },
      ...{ name: 'Maren Aldervane', given_name: 'Maren' },
    })
    .returning<{ id: string }[]>('id');
  return guardian?.id ?? '';
}

it('has a digest that has not gone out made anew, and keeps one that has', () =>
  withDatabase(async (db) => {
    await migrate(db);
    await db.migrate.down({ name: '006_digests_anew' });
    const guardian_id = await aGuardian(db);
    for (const [due_on, state] of [
      ['2026-10-20', 'sent'],
      ['2026-10-21', 'waiting'],
    ]) {
      const [digest] = await db('digests')
        .insert({ guardian_id, due_on, rhythm: 'daily', content: '{}' })
        .returning<{ id: string }[]>('id');
      const at = `${due_on}T20:00:00Z`;
      await db('deliveries').insert({
        ...{ guardian_id, channel: 'mail', about: 'digest', digest_id: digest?.id, key: `digest:${due_on}` },
        ...{ state, made_at: at, at },
      });
    }

    await migrate(db);

    expect(await db('digests').pluck('due_on')).toEqual(['2026-10-20']);
    expect(await db('deliveries').pluck('key')).toEqual(['digest:2026-10-20']);
  }));

it('says why something did not go out as a reason and a status, where it was said in English', () =>
  withDatabase(async (db) => {
    await migrate(db);
    await db.migrate.down({ name: '007_delivery_faults' });
    const guardian_id = await aGuardian(db);
    const at = '2026-10-20T20:00:00Z';
    for (const error of [
      'the mail server refused the address (550)',
      'the mail server could not be reached',
      'the gateway answered 503',
      'nothing may be said of it any more',
      null,
    ]) {
      const row = { guardian_id, channel: 'mail', about: 'test', state: 'failed', made_at: at, at, error };
      await db('deliveries').insert({ ...row, key: error ?? 'well' });
    }

    await migrate(db);

    expect(await db('deliveries').orderBy('seq').pluck('fault')).toEqual([
      { reason: 'mail-refused', status: '550' },
      { reason: 'mail-away', status: null },
      { reason: 'text-answered', status: '503' },
      { reason: 'nothing-left', status: null },
      null,
    ]);
    await db.migrate.down({ name: '007_delivery_faults' });
    expect(await db('deliveries').orderBy('seq').first('error')).toEqual({ error: 'mail-refused 550' });
  }));

it('knows why a record waits by a code, where an English sentence said it', () =>
  withDatabase(async (db) => {
    await migrate(db);
    await db.migrate.down({ name: '008_floors' });
    const [source] = await db('sources')
      .insert({ name: 'M', base_url: 'http://m', client_id: 'c', client_secret_sealed: 'x' })
      .returning<{ id: string }[]>('id');
    const problem = { source_id: source?.id, collection: 'results', seen_at: '2026-10-20T20:00:00Z' };
    await db('sync_problems').insert([
      { ...problem, external_id: 'a', reason: 'refers to a record that the source has not given' },
      { ...problem, external_id: 'b', reason: '/score must be number' },
    ]);

    await migrate(db);

    expect(await db('sync_problems').orderBy('external_id').pluck('fault')).toEqual([
      'unknown-reference',
      'misfit',
    ]);
  }));
