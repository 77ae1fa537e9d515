import type { Static, TObject } from '@sinclair/typebox';
import type { AlertReason, CommentSubject, Language, LooseEndKind, Preset } from '@cadro/contract';
import type { ChildFacts } from '../facts';
import type { Signal } from '../signal';
import type { Formats } from '../words/formats';

export type About = AlertReason['about'];
export type ReasonAbout<A extends About> = Extract<AlertReason, { readonly about: A }>;

/** What a reason is told with beside itself. */
export interface Told {
  readonly formats: Formats;
  readonly courseTitle: string;
}

/** A reason in sentences: what is so, the facts with their dates, which rule asked, and what to do next. */
export interface Sentences {
  readonly headline: string;
  /** The same without a grade or a count, for where others may read along; the headline where it has none. */
  readonly discreet?: string;
  readonly facts: readonly string[];
  readonly rule: string;
  readonly next: string;
}

/** The numbers of a rule as they are said: points on the course's scale or a plain number; '3 days'. */
export interface AskedWords {
  readonly amount: string;
  readonly days: string;
}

/** Everything that is said of a rule in one language. */
export interface RuleWords<R> {
  /** Its name as a setting. */
  readonly name: string;
  /** What it asks for, with its numbers. */
  asked?(asked: AskedWords): string;
  tell(reason: R, told: Told): Sentences;
}

/** The sentences in which the page of the rules says a number. */
export const knobWords = [
  ...(['within', 'ahead', 'after', 'points', 'effect', 'percent', 'level'] as const),
  ...(['perWeek', 'atOnce', 'times', 'share', 'scores', 'money'] as const),
] as const;

/** A number of a rule that is set by a slider. */
export interface Knob {
  readonly param: string;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  readonly said: (typeof knobWords)[number];
}

/** Where the rules stand on their page, in this order. */
export const ruleGroups = [
  'figure',
  'work',
  'coming',
  'talk',
  'school',
  'attendance',
  'good',
  'upkeep',
] as const;

/** How a rule stands on the page on which it is set. */
export interface RulePage {
  readonly group: (typeof ruleGroups)[number];
  readonly place: number;
  readonly knobs: readonly Knob[];
  /** Several of a list, of which some are chosen. */
  readonly choices?:
    | { readonly param: string; readonly said: 'kinds'; readonly from: readonly LooseEndKind[] }
    | { readonly param: string; readonly said: 'subjects'; readonly from: readonly CommentSubject[] };
  /** Whether its threshold may be a letter. */
  readonly letter?: boolean;
  /** Whether it may differ in one course, or in one child only; absent: it holds everywhere. */
  readonly differs?: 'course' | 'child';
}

/** What a reason says it was asked for: points of the course's scale, times or percent; and days. */
export type Asked = AlertReason['asked'];

/** Everything of one rule: its settings, its presets, its place, its words. The list of rules names it, and nobody else. */
export interface Rule<N extends string = string, S extends TObject = TObject, A extends About = About> {
  readonly name: N;
  readonly about: A;
  /** Whether it tells of what has happened, which is news for some days; any other holds until something changes. */
  readonly event?: boolean;
  /** What can be set of it, with its limits. */
  readonly settings: S;
  readonly presets: Readonly<Record<Preset, Static<S>>>;
  readonly page: RulePage;
  /** @param points of a hundred, on the scale of the reason's course. */
  asked?(settings: Static<S>, points: (ofHundred: number) => number): Asked;
  readonly words: Readonly<Record<Language, RuleWords<ReasonAbout<A>>>>;
}

/** A rule about a child: what of its facts is told. */
export interface ChildRule<
  N extends string = string,
  S extends TObject = TObject,
  A extends About = About,
> extends Rule<N, S, A> {
  /**
   * @param ask the settings that hold for a course, or for the child.
   * @param stands whether a reason of this rule stands in an alert already; a rule lets go later than it takes hold.
   */
  find(
    facts: ChildFacts,
    ask: (courseId: string | null) => Static<S>,
    stands: (key: string) => boolean,
  ): Signal[];
  /** What the clock alone will have it tell, and is to be told in time: looking once a day would be too late for it. */
  next?(facts: ChildFacts, ask: (courseId: string | null) => Static<S>): Next[];
}

/** When a rule has something to say of a course, or of the child as a whole; milliseconds since 1970. */
export interface Next {
  readonly courseId: string | null;
  readonly atMs: number;
}

/** What concerns the guardian and not one child. */
export interface UpkeepFacts {
  readonly guardianId: string;
  readonly asOfMs: number;
  /** The sources of the guardian's children; `readAt` is the last whole reading, an instant. */
  readonly sources: readonly { readonly id: string; readonly name: string; readonly readAt: string }[];
  /** When the guardian last looked; null where that was never. */
  readonly lookedAt: string | null;
}

/** A rule about the guardian; it cannot be tried on the past, of which nobody kept a record. */
export interface GuardianRule<N extends string = string, S extends TObject = TObject> extends Rule<
  N,
  S,
  'upkeep'
> {
  find(facts: UpkeepFacts, settings: Static<S>): Signal[];
}

/** Any rule, whatever it is set to and tells. */
export type AnyRule = Pick<Rule, keyof Rule>;
export type AnyChildRule = Pick<ChildRule, keyof ChildRule>;
export type AnyGuardianRule = Pick<GuardianRule, keyof GuardianRule>;

export const childRule = <const N extends string, S extends TObject, A extends About>(
  rule: ChildRule<N, S, A>,
): ChildRule<N, S, A> => rule;
export const guardianRule = <const N extends string, S extends TObject>(
  rule: GuardianRule<N, S>,
): GuardianRule<N, S> => rule;
