import type { World } from './world';

/**
 * An alert that has been raised for a guardian about a work of Caspian's.
 * @param title of the work.
 * @param at when it was raised.
 * @returns the ids of the guardian and of the alert.
 */
export async function oneAlert(
  world: World,
  name: string,
  title: string,
  at: string,
): Promise<{ guardianId: string; alertId: string }> {
  const guardianId = await world.personId(name);
  const [row] = await world
    .db('alerts')
    .insert({
      ...{ guardian_id: guardianId, key: 'work:x', episode: 1, kind: 'work' },
      ...{ student_id: world.student('caspian'), course_title: 'Boat-building' },
      ...{ raised_at: at, told_at: at, news_at: at, known: '[]', told: '["loose-end:keel"]' },
      reasons: JSON.stringify([
        {
          ...{ id: 'loose-end:keel', at, sourceName: 'Millrace', about: 'work', rule: 'loose-end' },
          ...{ outOf: 4, decimals: 1 },
          work: {
            ...{ itemId: 'keel', title, kind: 'overdue', was: null, dueAt: at },
            ...{ deadline: null, credit: null, impact: 0.8, earned: null, possible: 20 },
          },
        },
      ]),
    })
    .returning<{ id: string }[]>('id');
  if (!row) throw new Error('no alert was put down');
  return { guardianId, alertId: row.id };
}
