import type { ContactKind, PolicyRecord, SchoolWish } from '@cadro/contract';

export interface SchoolSpec {
  /** Also the path its interfaces stand under. */
  readonly id: string;
  readonly name: string;
  readonly students: readonly StudentSpec[];
  /** Whom it names for them. */
  readonly agents: readonly AgentSpec[];
  readonly courses: readonly CourseSpec[];
  /** Whether quarters make semesters, with an exam at the end of each. */
  readonly semesters: boolean;
  /** Grade points by letter, where the school has an average. */
  readonly gradePoints?: Readonly<Record<string, number>>;
  /** Credits needed to finish, by area. */
  readonly creditPlan?: readonly { area: string; required: number }[];
  readonly announcements: readonly AnnouncementSpec[];
  /** Names of the rotation's days, in turn. */
  readonly rotation: readonly string[];
  /** Whether it marks every lesson or the day as a whole. */
  readonly marks: 'lessons' | 'days';
  /** Who answers for attendance. */
  readonly attendanceDesk: { readonly name: string; readonly mail: string };
}

/** Somebody a family can turn to, beside the teachers; or what a teacher publishes of themself. */
export interface ContactSpec {
  /** Of a teacher the course that they teach; the id is theirs then. */
  readonly course?: string;
  readonly id: string;
  readonly kind: ContactKind;
  readonly name: string;
  readonly mail?: string;
  readonly phone?: string;
  readonly room?: string;
  readonly hours?: string;
  readonly answersFor?: string;
  readonly language?: string;
  readonly habits?: string;
  readonly students?: readonly string[];
  /** The school still publishes the address, but its mailbox was closed: mail to it comes back. */
  readonly mailboxClosed?: true;
}

/** What a school announces: to everybody, to a course, about a child. */
export interface AnnouncementSpec {
  readonly on: string;
  readonly title: string;
  readonly text: string;
  readonly course?: string;
  readonly student?: string;
  /** What it wants to hear, where it says so in fields of its own, and the day until which. */
  readonly wish?: SchoolWish;
  readonly by?: string;
  readonly helpers?: boolean;
}

export interface StudentSpec {
  readonly id: string;
  readonly givenName: string;
  /** The name the child goes by. */
  readonly called?: string;
  readonly familyName: string;
  readonly year: string;
  /** What the school has on file beside. */
  readonly file?: Reach & { readonly birthDate: string; readonly agents: readonly string[] };
}

/** How a school reaches somebody. */
export interface Reach {
  readonly email?: string;
  readonly phone?: string;
  readonly sms?: string;
  readonly address?: string;
}

/** Somebody a school names for a child. */
export interface AgentSpec extends Reach {
  readonly id: string;
  readonly givenName: string;
  readonly familyName: string;
  readonly role: 'guardian' | 'parent' | 'relative';
}

export interface CourseSpec {
  readonly id: string;
  readonly title: string;
  readonly teacher: { readonly givenName: string; readonly familyName: string; readonly mail: boolean };
  readonly period: string;
  /** Another period on a day of the rotation; null for a day it does not meet on. */
  readonly periodOn?: Readonly<Record<string, string | null>>;
  readonly room: string;
  readonly policy: Omit<PolicyRecord, 'termEnd'>;
  readonly categories: readonly CategorySpec[];
  readonly credits?: number;
  readonly creditArea?: string;
  /** Grade points added for a harder course. */
  readonly bump?: number;
  /** What the school's office does otherwise than its published policy says. */
  readonly statedAs?: {
    readonly policy?: Partial<Omit<PolicyRecord, 'termEnd'>>;
    readonly weights?: Readonly<Record<string, number>>;
  };
  /** Reports later than the school's day for it. */
  readonly reportsLate?: true;
  readonly standards?: readonly { id: string; title: string }[];
  /** One per week of the term. */
  readonly topics: readonly string[];
  readonly weekly: readonly WeeklySpec[];
  /** How the course goes for a student: share of the score in the first week, its change a week, its scatter. */
  readonly course: Readonly<
    Record<string, { start: number; perWeek: number; scatter: number; from?: number }>
  >;
}

export interface CategorySpec {
  readonly id: string;
  readonly title: string;
  readonly weight: number;
  readonly dropLowest?: number;
  /** Required, and does not count. */
  readonly practice?: true;
}

/** Work that comes every week. */
export interface WeeklySpec {
  readonly key: string;
  readonly categoryId: string;
  readonly title: (topic: string) => string;
  readonly kind: string;
  readonly possible: number;
  /** Weekdays, 0 = Monday. */
  readonly assigned: number;
  readonly due: number;
  readonly dueAt: string;
  /** Handed in online before it is marked; otherwise on paper. */
  readonly online?: true;
  readonly instructions: (topic: string) => string;
  readonly standardId?: (week: number) => string | null;
  /** First week it comes in. */
  readonly fromWeek?: number;
}
