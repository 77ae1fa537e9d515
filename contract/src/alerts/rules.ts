import { Type, type Static, type TSchema } from '@sinclair/typebox';
import { DateOnly, Nullable, Uuid } from '../shared/scalars';

/** What an alert is about; each kind goes out by channels of its own. */
export const alertKinds = [
  'figure',
  'work',
  'coming',
  'comment',
  'attendance',
  'term',
  'school',
  'good',
  'upkeep',
] as const;
export type AlertKind = (typeof alertKinds)[number];
export const AlertKindSchema = Type.Union(alertKinds.map((kind) => Type.Literal(kind)));

const strict = { additionalProperties: false };

/** A rule by its name. Which there are, and what each can be set to, core says: its schema checks what is set. */
const RuleByName = <S extends TSchema>(settings: S, least: number) =>
  Type.Record(Type.String({ pattern: '^[a-z]+(-[a-z]+)*$' }), settings, { ...strict, minProperties: least });

/** Where a child or a course differs from the rest; what is absent is as everywhere. */
export const KeptException = Type.Object(
  {
    studentId: Uuid,
    /** Null: in all of the child's courses. */
    courseId: Nullable(Uuid),
    rules: RuleByName(Type.Object({}), 0),
  },
  strict,
);
export type KeptException = Static<typeof KeptException>;

export const presets = ['urgent', 'usual', 'everything'] as const;
export type Preset = (typeof presets)[number];

/** What a guardian is told, over all children: as it is sent and kept. */
export const KeptRules = Type.Object(
  {
    /** A rule's settings: its switch, and what it has beside it. */
    rules: RuleByName(Type.Object({ on: Type.Boolean() }), 1),
    exceptions: Type.Array(KeptException, { maxItems: 60 }),
    /** So many go out in a day; more wait for the digest. */
    capPerDay: Type.Integer({ minimum: 1, maximum: 50 }),
  },
  strict,
);
export type KeptRules = Static<typeof KeptRules>;

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
