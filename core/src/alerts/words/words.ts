import type {
  AlertKind,
  AttendanceReason,
  CommentReason,
  FigureReason,
  Language,
  RuleName,
  TermReason,
  UpkeepReason,
  WorkReason,
} from '@cadro/contract';
import type { Formats } from './formats';

/** What a reason is told with beside itself. */
export interface Told {
  readonly formats: Formats;
  readonly courseTitle: string;
}

/** A reason in three sentences: what is so, which rule asked, and what to do next. */
export interface Sentences {
  readonly headline: string;
  /** The facts with their dates. */
  readonly facts: readonly string[];
  readonly rule: string;
  readonly next: string;
}

/** Everything that is said of alerts in one language: in the app, by mail, by text message and on paper. */
export interface AlertWords {
  readonly language: Language;
  readonly kinds: Readonly<Record<AlertKind, string>>;
  /** A rule's name as a setting. */
  readonly rules: Readonly<Record<RuleName, string>>;
  readonly figure: (reason: FigureReason, told: Told) => Sentences;
  readonly work: (reason: WorkReason, told: Told) => Sentences;
  readonly comment: (reason: CommentReason, told: Told) => Sentences;
  readonly attendance: (reason: AttendanceReason, told: Told) => Sentences;
  readonly term: (reason: TermReason, told: Told) => Sentences;
  readonly upkeep: (reason: UpkeepReason, told: Told) => Sentences;
  /** Several works of one course in one alert. */
  readonly manyWorks: (count: number, courseTitle: string) => string;
  readonly manyFinals: (count: number, term: string) => string;
  readonly source: (name: string, at: string) => string;
}
