import { Type, type Static } from '@sinclair/typebox';
import { commentSubjects } from '../gradebook/gradebook';
import { looseEndKinds } from '../outlook/figures';
import { DateOnly, Nullable, Uuid } from '../shared/scalars';

/** What an alert is about; each kind goes out by channels of its own. */
export const alertKinds = [
  'figure',
  'work',
  'coming',
  'comment',
  'attendance',
  'term',
  'good',
  'upkeep',
] as const;
export type AlertKind = (typeof alertKinds)[number];
export const AlertKindSchema = Type.Union(alertKinds.map((kind) => Type.Literal(kind)));

/** Every rule, in the order in which they are shown. */
export const ruleNames = [
  'below',
  'fallen',
  'letter-step',
  'slipping',
  'if-left',
  'loose-end',
  'deadline',
  'sent-back',
  'unmarked',
  'big-work',
  'comment',
  'unexplained',
  'late',
  'pattern',
  'days-missed',
  'term-final',
  'report-card',
  'improved',
  'settled',
  'source-silent',
  'not-looked',
] as const;
export type RuleName = (typeof ruleNames)[number];
export const RuleNameSchema = Type.Union(ruleNames.map((name) => Type.Literal(name)));

const on = Type.Boolean();
const days = (maximum: number) => Type.Integer({ minimum: 1, maximum });
/** Points of a hundred of a course's scale. */
const points = Type.Number({ minimum: 0.5, maximum: 100 });
const strict = { additionalProperties: false };

/**
 * A figure no better than this. A course with letters is asked by `letter` where it has that one, else every course
 * by the unit of its scale: out of ten or less by level, above by percent.
 */
const threshold = {
  percent: Type.Number({ minimum: 1, maximum: 100 }),
  level: Type.Number({ minimum: 0.1, maximum: 10 }),
  letter: Nullable(Type.String({ minLength: 1, maxLength: 12 })),
};

const below = Type.Object({ on, ...threshold }, strict);
const fallen = Type.Object({ on, points, days: days(60) }, strict);
const plain = Type.Object({ on }, strict);
const slipping = Type.Object({ on, perWeek: Type.Number({ minimum: 1, maximum: 20 }) }, strict);
const looseEnd = Type.Object(
  {
    on,
    kinds: Type.Array(Type.Union(looseEndKinds.map((kind) => Type.Literal(kind))), {
      maxItems: looseEndKinds.length,
      uniqueItems: true,
    }),
    /** So many in one course before it is told. */
    atOnce: Type.Integer({ minimum: 1, maximum: 20 }),
    /** Points of a hundred that one of them moves the figure by; 0 asks for none. */
    effect: Type.Number({ minimum: 0, maximum: 100 }),
  },
  strict,
);
const within = Type.Object({ on, days: days(60) }, strict);
const bigWork = Type.Object(
  { on, days: days(30), effect: Type.Number({ minimum: 0, maximum: 100 }) },
  strict,
);
const comment = Type.Object(
  {
    on,
    subjects: Type.Array(Type.Union(commentSubjects.map((subject) => Type.Literal(subject))), {
      maxItems: commentSubjects.length,
      uniqueItems: true,
    }),
  },
  strict,
);
const late = Type.Object({ on, times: Type.Integer({ minimum: 1, maximum: 50 }), days: days(120) }, strict);
const daysMissed = Type.Object({ on, percent: Type.Number({ minimum: 1, maximum: 100 }) }, strict);

/** What is told, and from when on. */
export const RuleSettings = Type.Object(
  {
    below,
    fallen,
    'letter-step': plain,
    slipping,
    'if-left': Type.Object({ on, ...threshold }, strict),
    'loose-end': looseEnd,
    deadline: within,
    'sent-back': plain,
    unmarked: within,
    'big-work': bigWork,
    comment,
    unexplained: plain,
    late,
    pattern: plain,
    'days-missed': daysMissed,
    'term-final': plain,
    'report-card': plain,
    improved: Type.Object({ on, points, days: days(60) }, strict),
    settled: plain,
    'source-silent': within,
    'not-looked': within,
  },
  strict,
);
export type RuleSettings = Static<typeof RuleSettings>;

/** Where a child or a course differs from the rest; what is absent is as everywhere. */
export const RuleChanges = Type.Partial(
  Type.Object({
    below: Type.Partial(below),
    fallen: Type.Partial(fallen),
    'letter-step': plain,
    slipping: Type.Partial(slipping),
    'if-left': Type.Partial(Type.Object({ on, ...threshold }, strict)),
    'loose-end': Type.Partial(looseEnd),
    deadline: Type.Partial(within),
    'sent-back': plain,
    unmarked: Type.Partial(within),
    'big-work': Type.Partial(bigWork),
    comment: Type.Partial(comment),
    unexplained: plain,
    late: Type.Partial(late),
    pattern: plain,
    'days-missed': Type.Partial(daysMissed),
    'term-final': plain,
    'report-card': plain,
    improved: Type.Partial(Type.Object({ on, points, days: days(60) }, strict)),
    settled: plain,
  }),
  strict,
);
export type RuleChanges = Static<typeof RuleChanges>;

export const RuleException = Type.Object(
  {
    studentId: Uuid,
    /** Null: in all of the child's courses. */
    courseId: Nullable(Uuid),
    rules: RuleChanges,
  },
  strict,
);
export type RuleException = Static<typeof RuleException>;

export const presets = ['urgent', 'usual', 'everything'] as const;
export type Preset = (typeof presets)[number];

/** What a guardian is told, over all children. */
export const AlertRules = Type.Object(
  {
    rules: RuleSettings,
    exceptions: Type.Array(RuleException, { maxItems: 60 }),
    /** So many go out in a day; more wait for the digest. */
    capPerDay: Type.Integer({ minimum: 1, maximum: 50 }),
  },
  strict,
);
export type AlertRules = Static<typeof AlertRules>;

/** What is not told until a day has passed: one matter, or what is about a child, a course, a kind, together. */
export const Silence = Type.Object(
  {
    /** The one alert; null for all that fit the rest. */
    alertKey: Nullable(Type.String({ maxLength: 200 })),
    studentId: Nullable(Uuid),
    courseId: Nullable(Uuid),
    kind: Nullable(AlertKindSchema),
    /** The last day of it. */
    until: DateOnly,
  },
  strict,
);
export type Silence = Static<typeof Silence>;
