import type { PolicyRecord } from '@cadro/contract';
import { storyEnd, termEnd } from './days/calendar';
import { thisQuarter } from './days/sessions';
import type { CourseSpec } from './schools/specs';
import type { Records } from './world';

/*
 * The school's own arithmetic: what its office prints beside a course at the end of a school day. It is written
 * apart from everything that reads the school, and in places it follows a rule that the school has not published.
 */
interface Row {
  readonly itemId: string;
  readonly status: string;
  readonly score: number | null;
  readonly missing: boolean;
  readonly incomplete: boolean;
}
interface Work {
  readonly categoryId: string;
  readonly possible: number;
  readonly extra: boolean;
  readonly counts: boolean;
  readonly times: number;
}
export interface StatedFigure {
  readonly figure: number;
  readonly fraction: number;
  readonly letter: string | null;
}

function shareOf(row: Row, work: Work, policy: Omit<PolicyRecord, 'termEnd'>): number | null {
  const floor = policy.floor ?? 0;
  if (row.missing) {
    return policy.missingCounts === 'not' ? null : policy.missingCounts === 'floor' ? floor : 0;
  }
  if (row.incomplete) return policy.incompleteCounts === 'zero' ? 0 : null;
  if (row.status !== 'fully graded' || row.score === null) return null;
  return Math.max(floor, row.score / work.possible);
}

interface Sum {
  got: number;
  of: number;
}

function letterOf(policy: Omit<PolicyRecord, 'termEnd'>, fraction: number): string | null {
  return (policy.letters ?? []).find(({ from }) => fraction >= from - 1e-9)?.letter ?? null;
}

/** A student's figure in a course as the school's office has it at an instant; null before the first mark. */
export class SchoolOffice {
  private readonly works = new Map<string, Work>();
  private readonly rows = new Map<string, { at: string; row: Row }[]>();

  constructor(
    private readonly course: CourseSpec,
    records: Records,
    student: string,
    quarter: string = thisQuarter,
  ) {
    const until = quarter === thisQuarter ? termEnd : storyEnd;
    const details = new Map(records.current('assignments', until).map(({ id, row }) => [id, row]));
    for (const { id, row } of records.current('lineItems', until)) {
      if ((row['gradingPeriod'] as { sourcedId: string }).sourcedId !== quarter) continue;
      if ((row['class'] as { sourcedId: string }).sourcedId !== course.id || row['status']) continue;
      const categoryId = (row['category'] as { sourcedId: string }).sourcedId.slice(course.id.length + 1);
      const detail = details.get(id);
      const practice = course.categories.some((category) => category.id === categoryId && category.practice);
      this.works.set(id, {
        categoryId,
        possible: Number(row['resultValueMax']),
        extra: detail?.['extraCredit'] === true,
        counts: !practice && detail?.['counts'] !== false,
        times: Number(detail?.['multiplier'] ?? 1),
      });
      this.rows.set(
        id,
        records.versions('results', `${id}-${student}`).map(({ at, row: result }) => ({
          at,
          row: {
            itemId: id,
            status: String(result['scoreStatus']),
            score: typeof result['score'] === 'number' ? result['score'] : null,
            missing: result['missing'] === 'true',
            incomplete: result['incomplete'] === 'true',
          },
        })),
      );
    }
  }

  figureAt(now: string): StatedFigure | null {
    const policy = { ...this.course.policy, ...this.course.statedAs?.policy };
    const sums = new Map<string, Sum>();
    for (const [id, work] of this.works) {
      const row = this.rows.get(id)?.findLast(({ at }) => at <= now)?.row;
      if (!row || !work.counts) continue;
      const sum = sums.get(work.categoryId) ?? { got: 0, of: 0 };
      sums.set(work.categoryId, sum);
      if (work.extra) sum.got += row.status === 'fully graded' ? (row.score ?? 0) : 0;
      else {
        const share = shareOf(row, work, policy);
        if (share === null) continue;
        sum.got += share * work.possible * work.times;
        sum.of += work.possible * work.times;
      }
    }
    return this.total(sums, policy);
  }

  private total(sums: ReadonlyMap<string, Sum>, policy: Omit<PolicyRecord, 'termEnd'>): StatedFigure | null {
    let weighed = 0;
    let weights = 0;
    for (const { id, weight: published } of this.course.categories) {
      const sum = sums.get(id);
      const weight = this.course.statedAs?.weights?.[id] ?? published;
      if (!sum || sum.of === 0 || weight === 0) continue;
      weighed += weight * (sum.got / sum.of);
      weights += weight;
    }
    if (weights === 0) return null;
    const fraction = weighed / weights;
    const scale = 10 ** (policy.decimals ?? 1);
    const figure = Math.round((fraction * (policy.outOf ?? 100) + 1e-9) * scale) / scale;
    return { fraction, figure, letter: letterOf(policy, fraction) };
  }
}
