import { Type } from '@sinclair/typebox';
import { Instant } from '../shared/scalars';

/** What every record of the feed has. */
export const base = {
  id: Type.String({ minLength: 1 }),
  changedAt: Instant,
  deleted: Type.Optional(Type.Boolean()),
};

/** A time of day where the school is, `08:40`. */
export const TimeOfDay = Type.String({ pattern: '^([01][0-9]|2[0-3]):[0-5][0-9]$' });
