import { Type, type Static } from '@sinclair/typebox';
import { DateOnly, Instant, Language, Nullable, Uuid } from '../shared/scalars';
import { lockedScreens, PushDevice } from './push';
import { AlertKindSchema, KeptRules, presets, Silence } from './rules';

export const channels = ['mail', 'text', 'push'] as const;
export type Channel = (typeof channels)[number];
export const ChannelSchema = Type.Union(channels.map((channel) => Type.Literal(channel)));
export const digestRhythms = ['daily', 'weekly', 'none'] as const;
export type DigestRhythm = (typeof digestRhythms)[number];

const strict = { additionalProperties: false };
/** In full with the country's number, `+15550100200`. */
export const PhoneNumber = Type.String({ pattern: '^\\+[1-9]\\d{6,14}$' });
/** A time of day, `HH:MM`. */
const TimeOfDay = Type.String({ pattern: '^([01]\\d|2[0-3]):[0-5]\\d$' });
const Ways = Type.Object({ mail: Type.Boolean(), text: Type.Boolean(), push: Type.Boolean() }, strict);

/** How alerts reach a guardian beside the app, where they always are. */
export const AlertDelivery = Type.Object(
  {
    /** Whether alerts go out one by one; else only the digest does. */
    atOnce: Type.Boolean(),
    ways: Type.Object(
      {
        figure: Ways,
        work: Ways,
        coming: Ways,
        comment: Ways,
        attendance: Ways,
        term: Ways,
        school: Ways,
        good: Ways,
        upkeep: Ways,
      },
      strict,
    ),
    digest: Type.Union(digestRhythms.map((rhythm) => Type.Literal(rhythm))),
    /** 0 is Sunday; asked of a weekly digest. */
    digestWeekday: Type.Integer({ minimum: 0, maximum: 6 }),
    digestHour: Type.Integer({ minimum: 0, maximum: 23 }),
    /** What comes when a digest has nothing to say. */
    emptyDigest: Type.Union([Type.Literal('line'), Type.Literal('none')]),
    /** From one time of day to another, over midnight where the second is the earlier; null for none. */
    quiet: Nullable(Type.Object({ from: TimeOfDay, to: TimeOfDay }, strict)),
    /** The guardian's own zone. */
    timeZone: Type.String({ minLength: 1, maxLength: 60 }),
    language: Language,
    /** In full with the country's number, `+15550100200`; null while there is none. */
    phone: Nullable(PhoneNumber),
    /** Whether grades and counts stand in the subject of a mail, where others may read along; else in the mail alone. */
    figuresInSubject: Type.Optional(Type.Boolean()),
    /** What is said on a locked screen; nothing where it is not set. */
    onLockedScreen: Type.Optional(Type.Union(lockedScreens.map((each) => Type.Literal(each)))),
  },
  strict,
);
export type AlertDelivery = Static<typeof AlertDelivery>;

/** What has become of something that was to go out. */
export const deliveryStates = ['waiting', 'sent', 'failed', 'bounced', 'dropped'] as const;
export type DeliveryState = (typeof deliveryStates)[number];

/** Why something has not gone out, or did not arrive. */
export const deliveryReasons = [
  // The mail server has no such address; it took the mail and brought it back; it answered otherwise; it is away.
  ...(['mail-refused', 'mail-returned', 'mail-answered', 'mail-away'] as const),
  // A push service is away, answers otherwise, or knows none of the devices any more.
  ...(['push-away', 'push-answered', 'no-devices'] as const),
  ...(['text-slow', 'text-answered', 'text-refused', 'no-texts', 'number-not-confirmed'] as const),
  // Its alert is gone or its link has ended; its receiver has stopped mail; an earlier mail came back.
  ...(['nothing-left', 'mail-stopped', 'not-confirmed', 'came-back-before'] as const),
] as const;

export const DeliveryFault = Type.Object({
  reason: Type.Union(deliveryReasons.map((reason) => Type.Literal(reason))),
  /** The other side's own, such as `550`, `5.1.1` or `503`; null for none. */
  status: Nullable(Type.String()),
});
export type DeliveryFault = Static<typeof DeliveryFault>;

export const Delivery = Type.Object({
  id: Uuid,
  channel: ChannelSchema,
  about: Type.Union([Type.Literal('alert'), Type.Literal('digest'), Type.Literal('test')]),
  alertId: Nullable(Uuid),
  state: Type.Union(deliveryStates.map((state) => Type.Literal(state))),
  /** When it last changed. */
  at: Instant,
  /** Not to go out before; null for at once. */
  notBefore: Nullable(Instant),
  tries: Type.Integer(),
  /** Of the last try; null when all went well. */
  fault: Nullable(DeliveryFault),
});
export type Delivery = Static<typeof Delivery>;

/** A course that rules can be set for, with the scale its thresholds are on. */
export const AlertCourse = Type.Object({
  studentId: Uuid,
  courseId: Uuid,
  title: Type.String(),
  unit: Type.Union([Type.Literal('percent'), Type.Literal('level')]),
  outOf: Type.Number(),
  letters: Type.Array(Type.String()),
});
export type AlertCourse = Static<typeof AlertCourse>;

export const KeptSilence = Type.Composite([
  Silence,
  Type.Object({ id: Uuid, title: Nullable(Type.String()) }),
]);
export type KeptSilence = Static<typeof KeptSilence>;

export const AlertSettings = Type.Object({
  rules: KeptRules,
  /** Null for rules of one's own. */
  preset: Nullable(Type.Union(presets.map((preset) => Type.Literal(preset)))),
  delivery: AlertDelivery,
  email: Type.String(),
  /** The number that was shown to be theirs: texts go to it alone. */
  phoneConfirmed: Nullable(Type.String()),
  /** Since when no mail goes out, because the guardian stopped it, or because it came back. */
  mailStoppedAt: Nullable(Instant),
  mailBouncedAt: Nullable(Instant),
  /** Whether the operator has set a gateway for text messages. */
  textsOffered: Type.Boolean(),
  /** The devices that alerts are pushed to, and the key by which a device knows Cadro (RFC 8292). */
  devices: Type.Array(PushDevice),
  pushKey: Type.String(),
  /** In the demo: a page of what has arrived. */
  arrivedUrl: Nullable(Type.String()),
  silences: Type.Array(KeptSilence),
  courses: Type.Array(AlertCourse),
  deliveries: Type.Array(Delivery),
  today: DateOnly,
});
export type AlertSettings = Static<typeof AlertSettings>;

export const AlertSettingsChange = Type.Object(
  {
    rules: Type.Optional(KeptRules),
    delivery: Type.Optional(AlertDelivery),
    /** False takes mail up again. */
    mailStopped: Type.Optional(Type.Boolean()),
  },
  { ...strict, minProperties: 1 },
);
export type AlertSettingsChange = Static<typeof AlertSettingsChange>;

/** What the rules would have told. */
export const Rehearsal = Type.Object({
  fromOn: DateOnly,
  toOn: DateOnly,
  /** In the last 30 days of it. */
  /** Alerts that would have reached the guardian by themselves in the last 30 days, each counted once. */
  lastMonth: Type.Integer(),
  tellings: Type.Array(
    Type.Object({
      key: Type.String(),
      kind: AlertKindSchema,
      studentId: Type.String(),
      at: Instant,
      again: Type.Boolean(),
      headline: Type.String(),
      rules: Type.Array(Type.String()),
      inDigest: Type.Boolean(),
    }),
  ),
  slides: Type.Array(
    Type.Object({
      studentId: Type.String(),
      courseId: Type.String(),
      courseTitle: Type.String(),
      shownAt: Instant,
      from: Type.Number(),
      to: Type.Number(),
      outOf: Type.Number(),
      decimals: Type.Integer(),
      /** Days before the figure showed it; negative after; null for not at all. */
      daysEarlier: Nullable(Type.Integer()),
    }),
  ),
});
export type Rehearsal = Static<typeof Rehearsal>;

/** One line of a rehearsal's answer: how far it is, then what came of it. */
export const RehearsalLine = Type.Union([
  Type.Object({ done: Type.Number({ minimum: 0, maximum: 1 }) }),
  Type.Object({ rehearsal: Rehearsal }),
  Type.Object({ failed: Type.String() }),
]);
export type RehearsalLine = Static<typeof RehearsalLine>;
