import { Type, type Static } from '@sinclair/typebox';
import { PolicyRecord } from '../gradebook/record';
import { Instant, Nullable } from '../shared/scalars';

/*
 * What the standard has no member for and a figure needs: in a row's `metadata.cadro`, as the standard lets everybody add
 * their own. Of a file it is JSON in a column of that name. What does not fit is not there.
 */
const maybe = <T extends Parameters<typeof Nullable>[0]>(schema: T) => Type.Optional(Nullable(schema));

/** Of a class: how it is graded. */
export const ClassMore = Type.Object({
  policy: PolicyRecord,
  standards: Type.Optional(
    Type.Array(
      Type.Object({ id: Type.String({ maxLength: 200 }), title: maybe(Type.String({ maxLength: 300 })) }),
      {
        maxItems: 500,
      },
    ),
  ),
});
export type ClassMore = Static<typeof ClassMore>;

/** Of a category: whose it is, and how many of its lowest scores are left out. */
export const CategoryMore = Type.Object({
  class: Type.String({ minLength: 1, maxLength: 300 }),
  dropLowest: Type.Integer({ minimum: 0, maximum: 100 }),
});
export type CategoryMore = Static<typeof CategoryMore>;

/** Of an assignment: how it counts, and until when it is taken. */
export const ItemMore = Type.Object({
  counts: maybe(Type.Boolean()),
  extraCredit: maybe(Type.Boolean()),
  inClass: maybe(Type.Boolean()),
  multiplier: maybe(Type.Number({ minimum: 0, maximum: 1000 })),
  acceptedUntil: maybe(Instant),
});
export type ItemMore = Static<typeof ItemMore>;
