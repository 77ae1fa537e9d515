import type { Language, OfferKind } from '@cadro/contract';

/** Words of one language that speak of one way to mend a work. Every pattern is global and matches in linear time. */
export interface Cues {
  /** What somebody does: it is an offer when somebody may do it, is asked to, or has a day or a credit for it. */
  readonly verbs: RegExp;
  /** What is held or taken: an offer when it is open to somebody, or has a day or a credit. */
  readonly nouns: RegExp;
}

export interface Reader {
  readonly kind: OfferKind;
  readonly cues: Readonly<Record<Language, Cues>>;
  /** It is an offer by itself: a way in that is open again. */
  readonly sure?: true;
  /** What the teacher does for it: 'I will look at it again'. */
  readonly ours?: true;
  /** What the comment has to speak of, up to here, for these words to be an offer. */
  readonly about?: Readonly<Record<Language, RegExp>>;
  /** Who does it is the student: 'I will return the essays' is none. */
  readonly theirs?: true;
  /**
   * Good advice by itself, or said of what was offered before ('I take them until Friday'): an offer only with a last
   * day or a credit.
   */
  readonly weak?: true;
  /** Its words are looked for without accents. */
  readonly unaccented?: true;
}
