import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { Instant, Nullable, Uuid } from '../shared/scalars';
import { RoleSchema } from './roles';

/** What stands in the trail of a child. */
export const trailKinds = [
  ...(['record-opened', 'link-made', 'link-ended', 'role-changed', 'suspended', 'restored'] as const),
  ...(['invited', 'exported', 'restricted', 'lifted'] as const),
] as const;
/** What stands there of a person, for the operator alone. */
export const personalKinds = [
  'signed-in',
  'password-changed',
  'address-changed',
  'second-step-changed',
  'agreed',
] as const;
export type TrailKind = (typeof trailKinds)[number] | (typeof personalKinds)[number];

export const TrailEntry = Type.Object({
  at: Instant,
  kind: Type.Union(trailKinds.map((kind) => Type.Literal(kind))),
  /** Who did it; null for the school, and for who is not to be named. */
  by: Nullable(Type.String()),
  /** Whether somebody did it who is not to be named. */
  unnamed: Type.Boolean(),
  /** Whether it was done to everybody. */
  everyone: Type.Boolean(),
  /** Whom it was done to. */
  about: Nullable(Type.String()),
  role: Nullable(RoleSchema),
});
export type TrailEntry = Static<typeof TrailEntry>;

export const trailRoutes = {
  trail: route({
    method: 'get',
    path: '/api/students/:studentId/trail',
    room: 'household',
    access: 'signed-in',
    summary:
      'Who opened a child’s record, by person and day, and what has changed about who sees it; the latest first',
    params: Type.Object({ studentId: Uuid }),
    status: 200,
    answer: Type.Object({ entries: Type.Array(TrailEntry) }),
  }),
};
