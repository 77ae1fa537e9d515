import type { CourseRecord } from '@cadro/contract';
import { instantOf, normaliseCourse, replay, StandardsTally } from '../gradebook';

export interface Evidence {
  readonly itemId: string;
  /** When the level was given, an instant. */
  readonly at: string;
  readonly level: number;
}

/** The works that each standard's level is made from at the record's instant, oldest first, by the standard's id. */
export function evidenceOf(record: CourseRecord): ReadonlyMap<string, readonly Evidence[]> {
  const course = normaliseCourse(record);
  const tally = new StandardsTally(course);
  replay(course, tally, { instantsMs: [], sinceMs: Infinity });
  return new Map(
    [...tally.evidence()].map(([id, evidence]) => [
      id,
      evidence.map(({ itemId, atMs, level }) => ({ itemId, at: instantOf(atMs), level })),
    ]),
  );
}
