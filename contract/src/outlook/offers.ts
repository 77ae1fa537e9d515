import { Type, type Static } from '@sinclair/typebox';
import { DateOnly, Fraction, Instant, Language, Nullable } from '../shared/scalars';

export const offerKinds = ['redo', 'retake', 'hand-in', 'correct'] as const;
export type OfferKind = (typeof offerKinds)[number];

/** What a comment says can still be done with a work. */
export const Offer = Type.Object({
  kind: Type.Union(offerKinds.map((kind) => Type.Literal(kind))),
  /** The last day, in the school's zone; null when the words name none. */
  until: Nullable(DateOnly),
  /** Share of the score to be had; null when the words do not say. */
  credit: Nullable(Fraction),
  /** The exact words it was read from. */
  quote: Type.String(),
});
export type Offer = Static<typeof Offer>;

/** Whether an offer still asks for something: it ends with its day, and with the reason for it. */
export const offerStandings = ['open', 'taken', 'settled', 'expired'] as const;
export type OfferStanding = (typeof offerStandings)[number];

/** An offer read out of a comment, and what the household has made of it. */
export const ReadOffer = Type.Composite([
  Offer,
  Type.Object({
    /** Its place among the comment's offers. */
    place: Type.Integer({ minimum: 0 }),
    answer: Nullable(Type.Union([Type.Literal('confirmed'), Type.Literal('dismissed')])),
    standing: Type.Union(offerStandings.map((standing) => Type.Literal(standing))),
  }),
]);
export type ReadOffer = Static<typeof ReadOffer>;

/** What the offers command reads: one comment a case. */
export const OffersCase = Type.Object({
  id: Type.Union([Type.String(), Type.Number()]),
  text: Type.String({ maxLength: 200_000 }),
  writtenAt: Instant,
  timeZone: Type.String({ minLength: 1 }),
  lang: Language,
});
export type OffersCase = Static<typeof OffersCase>;
