import { SourceError } from '../errors';

/** What one reading may cost: far above what the largest district needs, below what could hurt. */
export interface ReadingLimits {
  readonly bytes: number;
  readonly pages: number;
  readonly ms: number;
  /** Of one answer, as it comes over the line and unpacked. */
  readonly answerBytes: number;
}

export const usualLimits: ReadingLimits = {
  bytes: 20e9,
  pages: 200_000,
  ms: 6 * 60 * 60 * 1000,
  answerBytes: 32 * 1024 * 1024,
};

/** So many schools and sessions the largest district does not have; of the rest, the pages are the limit. */
export const mostRecords: Readonly<Record<string, number>> = {
  orgs: 5000,
  academicSessions: 5000,
  schoolDetails: 5000,
  attendanceCodes: 20_000,
};

/** Counts what a reading has cost so far, and ends it where it is too much. */
export class Budget {
  private readonly spent = { bytes: 0, pages: 0 };
  private readonly startedMs: number;

  /** @param nowMs a clock that only goes forward. */
  constructor(
    readonly limits: ReadingLimits,
    private readonly nowMs: () => number,
  ) {
    this.startedMs = nowMs();
  }

  /** @throws SourceError when this goes beyond what a reading may cost. */
  spend(cost: { readonly bytes?: number; readonly pages?: number }): void {
    this.spent.bytes += cost.bytes ?? 0;
    this.spent.pages += cost.pages ?? 0;
    for (const what of ['bytes', 'pages'] as const) {
      if (this.spent[what] > this.limits[what])
        throw new SourceError(
          'source-too-much',
          `more than ${this.limits[what]} ${what} in one reading`,
          false,
        );
    }
    if (this.nowMs() - this.startedMs > this.limits.ms)
      throw new SourceError('source-too-much', `it takes longer than ${this.limits.ms / 60_000} min`, true);
  }
}
