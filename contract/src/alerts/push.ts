import { Type, type Static } from '@sinclair/typebox';
import { Instant, Uuid } from '../shared/scalars';

const strict = { additionalProperties: false };

/** A device that alerts are pushed to. */
export const PushDevice = Type.Object({
  id: Uuid,
  /** The program and system it was set up from, in its own words. */
  device: Type.String(),
  since: Instant,
  /** Whether it is the one that asks. */
  here: Type.Boolean(),
});
export type PushDevice = Static<typeof PushDevice>;

/** Where a push service reaches a device, and the keys by which only that device can read it (RFC 8030, RFC 8291). */
export const NewPushDevice = Type.Object(
  {
    endpoint: Type.String({ pattern: '^https?://', maxLength: 1000 }),
    keys: Type.Object(
      {
        /** A point of P-256, as it is written uncompressed. */
        p256dh: Type.String({ pattern: '^[A-Za-z0-9_-]{87}=?$' }),
        auth: Type.String({ pattern: '^[A-Za-z0-9_-]{22}(==)?$' }),
      },
      strict,
    ),
  },
  strict,
);
export type NewPushDevice = Static<typeof NewPushDevice>;

/** What is said on a screen that anybody may see: that there is something, about whom, or what it is. */
export const lockedScreens = ['nothing', 'child', 'all'] as const;
export type LockedScreen = (typeof lockedScreens)[number];

/** What a device is sent, and can read alone. */
export const Pushed = Type.Object({
  /** The same for the same message, however often it comes. */
  id: Uuid,
  title: Type.String(),
  text: Type.String(),
  /** The page of Cadro it leads to. */
  path: Type.String({ pattern: '^/' }),
});
export type Pushed = Static<typeof Pushed>;
