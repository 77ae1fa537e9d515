import type {
  BalanceKind,
  CourseRecord,
  ItemRecord,
  PolicyCorrection,
  ResultRecord,
  ResultStatus,
  WishKind,
} from '@cadro/contract';
import type { CodeMeaningFrom, GivenMark } from '../attendance';
import type { ConfirmedOffer, LeafTerm, StatedGrade } from '../gradebook';
import type { CommentFacts } from '../outlook';

/** Something with the instant from which Cadro knew it. */
export interface Known<T> {
  readonly value: T;
  readonly knownAtMs: number;
}

/** A work as its source told it from an instant on, until it told it differently. */
export interface ItemVersion extends Known<ItemRecord> {
  /** Whether the source had taken it back. */
  readonly removed: boolean;
}

export interface TermHistory extends LeafTerm {
  /** The source's own name of it. */
  readonly part: string;
  /** The record as its source tells it, without its works and results, and without an instant. */
  readonly record: Omit<CourseRecord, 'asOf' | 'items' | 'results'>;
  /** Versions by when they were known. */
  readonly items: readonly ItemVersion[];
  /** By time. */
  readonly results: readonly Known<ResultRecord>[];
}

/** What the classroom system has seen of a work: handed in, or scored there. */
export interface ClassroomSeen {
  readonly itemId: string;
  readonly status: ResultStatus;
  readonly earned: number | null;
  /** An instant. */
  readonly at: string;
}

export interface CourseHistory {
  readonly id: string;
  readonly title: string;
  readonly sourceName: string;
  /** The last whole reading of its source; null where the family writes the record itself. */
  readonly readAt: string | null;
  readonly terms: readonly TermHistory[];
  /** What the source calls each work: 'test', 'project'. */
  readonly itemKinds: Readonly<Record<string, string>>;
  /** What the household assumes of the policy, whatever the instant; null where it stands as its source says. */
  readonly correction: PolicyCorrection | null;
  /** What the household has confirmed, with when it did. */
  readonly offers: readonly Known<ConfirmedOffer>[];
  /** By time. */
  readonly classroom: readonly Known<ClassroomSeen>[];
}

export interface CommentSeen extends Omit<CommentFacts, 'studentId'> {
  readonly id: string;
  readonly sourceName: string;
  /** The source's own name of the term a report card's comment is about. */
  readonly term: string | null;
  /** Offers with an end that were read out of it and that nobody has dismissed; the last instant of each. */
  readonly offers: readonly { readonly untilMs: number; readonly credit: number | null }[];
}

/** What a school announced for a child, with whether the family has answered. */
export interface AnnouncementSeen {
  readonly id: string;
  readonly title: string;
  readonly text: string;
  readonly schoolName: string;
  /** The course it is for; null where it is the school's, or about the child. */
  readonly courseId: string | null;
  readonly courseTitle: string | null;
  readonly wish: WishKind;
  readonly wantsAnswer: boolean;
  /** The last instant for an answer. */
  readonly by: string | null;
  readonly helpers: boolean;
  /** Whether the school has taken it back. */
  readonly gone: boolean;
  readonly answeredAtMs: number | null;
}

/** Money at school, as the school said it last. */
export interface BalanceSeen {
  readonly id: string;
  readonly kind: BalanceKind;
  readonly title: string;
  readonly amount: number;
  readonly currency: string;
  readonly dueOn: string | null;
}

/** What a school has stated of a course in a term, running or stored for good. */
export interface GradeSeen extends StatedGrade {
  readonly courseId: string;
  readonly courseTitle: string;
  /** The source's own name of the term. */
  readonly term: string;
  readonly termTitle: string;
  readonly sourceName: string;
}

/** All there is to know of one child, from which what was known on any day can be told. */
export interface ChildHistory {
  readonly studentId: string;
  readonly timeZone: string;
  readonly courses: readonly CourseHistory[];
  readonly comments: readonly Known<CommentSeen>[];
  /** All that has been stated, by time: what a school stated before it stated something else, too. */
  readonly grades: readonly Known<GradeSeen>[];
  readonly announcements: readonly Known<AnnouncementSeen>[];
  readonly balances: readonly Known<BalanceSeen>[];
  readonly marks: readonly Known<GivenMark & { readonly courseTitle: string | null }>[];
  readonly meanings: readonly CodeMeaningFrom[];
  readonly attendanceSource: string;
}
