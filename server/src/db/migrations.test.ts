import { freshDatabase } from '../testing/world';
import { migrate, openDatabase } from './database';

it('takes a database of the release before along, with what is in it', async () => {
  const { url, drop } = await freshDatabase();
  const db = openDatabase(url, { poolSize: 1 });
  try {
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
    ]);
  } finally {
    await db.destroy();
    await drop();
  }
});
