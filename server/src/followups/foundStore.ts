import { withWords, type Db } from '../kit';

export interface FoundRow {
  readonly id: string;
  readonly student_id: string;
  readonly title: string;
  readonly text: string;
  readonly at: Date;
}

/** The household's follow-ups in which each word stands: in the title, the list, or what was said. */
export const followUpsWith = (
  db: Db,
  guardianId: string,
  ask: { readonly studentIds: readonly string[]; readonly words: readonly string[]; readonly most: number },
): Promise<FoundRow[]> =>
  db
    .with('said', (query) =>
      query
        .from('followups as f')
        .join('guardian_profiles as g', 'g.household_id', 'f.household_id')
        .leftJoin('followup_entries as e', (on) =>
          on.on('e.student_id', 'f.student_id').andOn('e.followup_id', 'f.id'),
        )
        .where({ 'g.guardian_id': guardianId })
        .whereIn('f.student_id', [...ask.studentIds])
        .groupBy('f.student_id', 'f.id', 'f.title', 'f.checklist', 'f.updated_at')
        .select(
          ...['f.id', 'f.student_id', 'f.title', 'f.updated_at as at'],
          db.raw(`concat_ws(' ', string_agg(e.text, ' ' order by e.id),
            (select string_agg(l->>'text', ' ') from jsonb_array_elements(f.checklist) l)) as text`),
        ),
    )
    .from('said')
    .modify((query) => withWords(query, `title || ' ' || text`, ask.words))
    .orderBy('at', 'desc')
    .limit(ask.most)
    .select<FoundRow[]>('*');
