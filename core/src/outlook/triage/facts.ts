import type {
  AbsencePurpose,
  AlertReason,
  AlertSubject,
  CommentSubject,
  CourseFigures,
  CourseGrade,
  FollowUpTopic,
  MeetingState,
  MeetingWay,
  NamedLooseEnd,
  WishKind,
} from '@cadro/contract';

/** Everything the Brief is made from, over all children of one guardian, as of one instant. */
export interface FamilyFacts {
  readonly now: string;
  readonly courses: readonly CourseFacts[];
  readonly comments: readonly CommentFacts[];
  readonly absences: readonly AbsenceFacts[];
  readonly followUps: readonly FollowUpFacts[];
  readonly replies: readonly ReplyFacts[];
  readonly alerts: readonly AlertFacts[];
  readonly asks: readonly AskFacts[];
  readonly meetings: readonly MeetingSeen[];
}

/** A meeting of the family's at school. */
export interface MeetingSeen {
  readonly id: string;
  readonly studentId: string;
  readonly teacherName: string;
  readonly startsAt: string;
  readonly endsAt: string;
  readonly way: MeetingWay;
  readonly place: string | null;
  readonly state: MeetingState;
  /** Whether anything is noted or agreed. */
  readonly written: boolean;
}

/** What a school wants to hear of a child until a last day, and nobody of the household has answered. */
export interface AskFacts {
  readonly announcementId: string;
  readonly studentId: string;
  readonly title: string;
  readonly schoolName: string;
  /** The course it is for; null where it is a school's or a child's. */
  readonly courseTitle: string | null;
  readonly wish: WishKind;
  /** The last instant. */
  readonly by: string;
  readonly helpers: boolean;
}

/** An alert about a child that has been told, is not done, and of which something still holds. */
export interface AlertFacts extends AlertSubject {
  readonly id: string;
  readonly studentId: string;
  readonly reasons: readonly AlertReason[];
  /** Ids of the reasons it was last told for. */
  readonly leading: readonly string[];
}

export interface CourseFacts {
  readonly id: string;
  readonly studentId: string;
  readonly title: string;
  readonly outOf: number;
  readonly decimals: number;
  readonly figures: CourseFigures;
  readonly grade: CourseGrade;
  /** The course's loose ends with their names, in make-up order. */
  readonly looseEnds: readonly NamedLooseEnd[];
  /**
   * What it falls to without works of which the classroom knows more than the gradebook, on the course's scale, with
   * their names; null where none is in doubt.
   */
  readonly doubtful: { readonly ifLeft: number; readonly titles: readonly string[] } | null;
  /** What was left when the term before ended. */
  readonly closed: readonly NamedLooseEnd[];
  /** What work that is left counts as by the end of the term, a share of its score. */
  readonly leftAs: number;
  /** The last instant of the term it stands in. */
  readonly termEnd: string;
  /** The last whole reading of its source; null where the family writes the record itself. */
  readonly readAt: string | null;
}

export interface CommentFacts {
  readonly studentId: string;
  readonly courseId: string;
  readonly courseTitle: string;
  readonly itemId: string | null;
  readonly itemTitle: string | null;
  readonly subject: CommentSubject;
  readonly text: string;
  readonly author: string;
  readonly writtenAt: string;
}

export interface AbsenceFacts {
  readonly studentId: string;
  /** Dates of the last five school days with an absence that nobody explained. */
  readonly unexplainedOn: readonly string[];
  readonly leftEarlyOn: readonly string[];
  /** Titles of the courses whose lessons were missed on those dates. */
  readonly lessons: readonly string[];
}

export interface FollowUpFacts {
  readonly id: string;
  readonly studentId: string;
  readonly courseId: string | null;
  readonly courseTitle: string | null;
  readonly itemId: string | null;
  /** All works it is about, the one above among them. */
  readonly itemIds: readonly string[];
  /** When it was taken in hand, an instant: what came to light later is new. */
  readonly takenAt: string;
  readonly topic: FollowUpTopic;
  /** The absence it is about; null for attendance as a whole and for everything else. */
  readonly absence: { readonly purpose: AbsencePurpose; readonly on: readonly string[] } | null;
  readonly title: string;
  readonly lookAgainOn: string | null;
  /** Whether its date has come, in the child's own zone. */
  readonly due: boolean;
  readonly written: boolean;
  /** Who asks this guardian to take it on, and with which word; null where nobody does. */
  readonly askedOfMe: { readonly by: string; readonly word: string | null } | null;
}

export interface ReplyFacts {
  readonly studentId: string;
  readonly threadId: string;
  readonly author: string;
  readonly text: string;
  readonly receivedAt: string;
}
