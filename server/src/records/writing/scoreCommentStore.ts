import type { Trx } from '../../kit';
import type { Beside, ResultNeutral } from './neutral';
import { writeRecords, type Written } from './recordStore';
import { tableShapes } from './tables';

/** A remark that came with a score, by the score's own name. */
const idOf = (resultId: string): string => `result:${resultId}`;

interface Place {
  readonly item: string;
  readonly course: string;
  readonly teacher: string | null;
}

async function placesOf(trx: Trx, sourceId: string, items: readonly string[]): Promise<Map<string, Place>> {
  const { rows } = await trx.raw<{ rows: Place[] }>(
    `select i.external_id as item, c.external_id as course, t.external_id as teacher
     from items i join courses c on c.id = i.course_id left join teachers t on t.id = c.teacher_id
     where i.source_id = :sourceId and i.external_id = any(:items)`,
    { sourceId, items: [...items] },
  );
  return new Map(rows.map((row) => [row.item, row]));
}

/**
 * Writes what results say in words as comments on the score, by the course's teacher where one is known; takes back what
 * they say no longer.
 */
export async function writeScoreComments(
  trx: Trx,
  sourceId: string,
  records: readonly ResultNeutral[],
  knownAt: Date | null,
  beside: Beside | null = null,
): Promise<Written> {
  const said = records.filter(({ comment }) => comment !== undefined && comment !== null);
  const places =
    said.length === 0
      ? new Map<string, Place>()
      : await placesOf(
          trx,
          sourceId,
          said.map((each) => each.item_id),
        );
  const comments = records.flatMap((record) => {
    const place = places.get(record.item_id);
    const gone = record.comment === undefined || record.comment === null;
    if (!gone && !place) return []; // the score itself waits
    return [
      {
        id: idOf(record.id),
        gone,
        subject: 'score',
        text: record.comment ?? '',
        written_at: record.at,
        student_id: record.student_id,
        course_id: place?.course,
        item_id: record.item_id,
        author_id: place?.teacher ?? null,
        term_external_id: null,
        about: null,
        recording: null,
        elsewhere: null,
      },
    ];
  });
  // Of a first reading nothing can be taken back.
  const written = knownAt === null ? comments.filter(({ gone }) => !gone) : comments;
  return writeRecords(trx, sourceId, tableShapes.comments, written, knownAt, beside);
}
