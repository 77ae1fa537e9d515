import type { OfferStanding, ResultStatus } from '@cadro/contract';
import { dayMs } from '../dates';

/** An offer without a last day is not waited for any longer than this. */
const undatedMs = 45 * dayMs;

/** What the record says of a work, and since when; milliseconds since 1970. */
export interface OfferedWork {
  readonly status: ResultStatus;
  readonly atMs: number | null;
  /** When the classroom last saw it handed in or scored; null where it has not, or is not asked. */
  readonly seenMs?: number | null;
}

/**
 * Whether a teacher's offer still asks for something: it ends with its day, and with the reason for it. A score or an
 * excuse that came after the words has settled it; work handed in since has taken it up.
 * @param untilMs the last instant; null where the words name none.
 * @param work null of an offer that is about no work.
 */
export function offerStanding(
  { untilMs, writtenAtMs }: { readonly untilMs: number | null; readonly writtenAtMs: number },
  work: OfferedWork | null,
  asOfMs: number,
): OfferStanding {
  const since = (atMs: number | null | undefined) =>
    atMs !== null && atMs !== undefined && atMs > writtenAtMs;
  if (work && since(work.atMs)) {
    if (work.status === 'scored' || work.status === 'excused') return 'settled';
    if (work.status === 'handed-in') return 'taken';
  }
  if (work?.status === 'excused') return 'settled';
  if (work && since(work.seenMs)) return 'taken';
  const over = untilMs === null ? asOfMs - writtenAtMs > undatedMs : untilMs < asOfMs;
  return over ? 'expired' : 'open';
}
