import type { OneRosterVersion } from '@cadro/contract';

/** How a school's system keeps to the standard, or to part of it. What is not said is as the standard wants it. */
export interface Manner {
  readonly school: string;
  readonly version?: OneRosterVersion;
  /** Whether it has the classroom feed, and whether its door knows the feed's scope. */
  readonly feed?: boolean;
  /** Takes a filter or an order for no more than it does: ignores it, or refuses to answer at all. */
  readonly filters?: 'ignored' | 'refused';
  readonly sorts?: 'ignored';
  /** Without the total count; without the links to other pages. */
  readonly counts?: false;
  readonly links?: false;
  /** Rows on a page, whatever is asked for. */
  readonly pageSize?: number;
  /** Answers a token is good for. */
  readonly tokenAnswers?: number;
  /** Without the members that a school need not have. */
  readonly bare?: true;
}

const bareOf: Readonly<Record<string, readonly string[]>> = {
  lineItems: ['category', 'description', 'assignDate', 'gradingPeriod'],
  results: ['missing', 'incomplete', 'late', 'learningObjectiveSet', 'textScore'],
  classes: ['location', 'periods', 'course'],
};

/** The manners of all schools at once. */
export class Manners {
  private manners: readonly Manner[] = [];
  private readonly answers = new Map<string, number>();

  set(manners: readonly Manner[]): void {
    this.manners = manners;
    this.answers.clear();
  }

  of(school: string): Manner {
    return this.manners.find((each) => each.school === school) ?? { school };
  }

  /** Counts an answer to a token. @returns whether the token is still good. */
  isGood(school: string, token: string): boolean {
    const most = this.of(school).tokenAnswers;
    const answers = (this.answers.get(token) ?? 0) + 1;
    this.answers.set(token, answers);
    return most === undefined || answers <= most;
  }

  /** A row as this school writes it. */
  dress(school: string, collection: string, row: Record<string, unknown>): Record<string, unknown> {
    const { version = '1.2', bare = false } = this.of(school);
    const left = bare
      ? Object.fromEntries(Object.entries(row).filter(([name]) => !bareOf[collection]?.includes(name)))
      : row;
    if (version === '1.2' || collection !== 'users') return left;
    const { roles, ...user } = left;
    const [first] = (roles ?? []) as { role: string; org: object }[]; // the story's own
    return { ...user, role: first?.role, orgs: first ? [first.org] : [] };
  }
}
