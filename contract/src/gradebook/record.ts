import { Type, type Static } from '@sinclair/typebox';
import { Instant, Nullable } from '../shared/scalars';

/*
 * The record of one course: the whole input of the computation. Optional members have the defaults that
 * `normaliseCourse` of the core gives them; null stands for absent.
 */
const optional = <T extends Parameters<typeof Nullable>[0]>(schema: T) => Type.Optional(Nullable(schema));
const literals = <T extends readonly string[]>(values: T) =>
  Type.Union(values.map((value) => Type.Literal(value as T[number])));
const NotNegative = Type.Number({ minimum: 0 });
const Whole = Type.Integer({ minimum: 0 });

export const methods = ['points', 'weighted', 'standards'] as const;
export type Method = (typeof methods)[number];
export const resultStatuses = ['open', 'handed-in', 'scored', 'missing', 'incomplete', 'excused'] as const;
export type ResultStatus = (typeof resultStatuses)[number];
export const standardRules = ['latest', 'highest', 'mean', 'recency'] as const;

/** `lose` a day, never below `least`; shares of the score. */
export const LateRule = Type.Union([
  Type.Object({ kind: Type.Literal('none') }),
  Type.Object({ kind: Type.Literal('flat'), credit: NotNegative }),
  Type.Object({ kind: Type.Literal('perDay'), lose: Type.Number(), least: Type.Number() }),
]);
export type LateRule = Static<typeof LateRule>;

/** What a level of a standard or of a rubric's criterion looks like. */
export const Level = Type.Object({ level: Type.Number(), text: Type.String() });

export const LetterGrade = Type.Object({ letter: Type.String(), from: Type.Number() });
export type LetterGrade = Static<typeof LetterGrade>;

export const PolicyRecord = Type.Object({
  method: literals(methods),
  outOf: optional(Type.Number({ exclusiveMinimum: 0 })),
  decimals: optional(Whole),
  letters: optional(Type.Array(LetterGrade)),
  letterFrom: optional(literals(['exact', 'rounded'] as const)),
  missingCounts: optional(literals(['zero', 'floor', 'not'] as const)),
  incompleteCounts: optional(literals(['zero', 'not'] as const)),
  floor: optional(Type.Number({ minimum: 0, maximum: 1 })),
  termEnd: Instant,
  late: optional(LateRule),
  standards: optional(
    Type.Object({
      rule: optional(literals(standardRules)),
      share: optional(Type.Number()),
      top: optional(Type.Number({ exclusiveMinimum: 0 })),
      metAt: optional(Type.Number()),
    }),
  ),
});
export type PolicyRecord = Static<typeof PolicyRecord>;

export const CategoryRecord = Type.Object({
  id: Type.String(),
  title: optional(Type.String()),
  weight: optional(NotNegative),
  dropLowest: optional(Whole),
});

export const ItemRecord = Type.Object({
  id: Type.String(),
  categoryId: Type.String(),
  title: optional(Type.String()),
  possible: NotNegative,
  multiplier: optional(NotNegative),
  counts: optional(Type.Boolean()),
  extraCredit: optional(Type.Boolean()),
  /** A test, a talk: nothing is handed in, it only waits for its score. */
  inClass: optional(Type.Boolean()),
  assignedAt: optional(Instant),
  dueAt: optional(Instant),
  acceptedUntil: optional(Instant),
  offer: optional(Type.Object({ until: Instant, credit: NotNegative })),
  standardIds: optional(Type.Array(Type.String())),
});
export type ItemRecord = Static<typeof ItemRecord>;

export const ResultRecord = Type.Object({
  itemId: Type.String(),
  at: Instant,
  status: literals(resultStatuses),
  earned: optional(NotNegative),
  late: optional(Type.Boolean()),
  levels: optional(Type.Record(Type.String(), Type.Number())),
});
export type ResultRecord = Static<typeof ResultRecord>;

export const CourseRecord = Type.Object({
  id: Type.String(),
  asOf: Instant,
  policy: PolicyRecord,
  categories: optional(Type.Array(CategoryRecord)),
  standards: optional(Type.Array(Type.Object({ id: Type.String(), title: optional(Type.String()) }))),
  items: optional(Type.Array(ItemRecord)),
  results: optional(Type.Array(ResultRecord)),
});
export type CourseRecord = Static<typeof CourseRecord>;
