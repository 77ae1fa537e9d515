import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';
import { balanceKinds } from './balance';

/** Money at school: what is left on an account, or what is to be paid. */
export const Balance = Type.Object({
  id: Type.String(),
  kind: Type.Union(balanceKinds.map((kind) => Type.Literal(kind))),
  title: Type.String(),
  /** Of an account what is left, below zero where it is overdrawn; of a fee what is to be paid. */
  amount: Type.Number(),
  /** ISO 4217. */
  currency: Type.String(),
  dueOn: Nullable(DateOnly),
  asOf: Instant,
});
export type Balance = Static<typeof Balance>;

/** How a child comes to school and home: times are of the clock where the school is. */
export const Ride = Type.Object({
  id: Type.String(),
  title: Type.String(),
  stop: Nullable(Type.String()),
  /** 1 for Monday to 7 for Sunday. */
  weekdays: Type.Array(Type.Integer()),
  toSchoolAt: Nullable(Type.String()),
  homeAt: Nullable(Type.String()),
  note: Nullable(Type.String()),
});
export type Ride = Static<typeof Ride>;

export const AroundChild = Type.Object({
  studentId: Uuid,
  schoolName: Type.String(),
  balances: Type.Array(Balance),
  rides: Type.Array(Ride),
  /** What the school says of the day: of today, or of the last day on which it said something. */
  bulletin: Nullable(Type.Object({ on: DateOnly, text: Type.String() })),
  /** What was found at the school and waits for its owner, the newest first. */
  found: Type.Array(
    Type.Object({
      id: Type.String(),
      title: Type.String(),
      place: Nullable(Type.String()),
      foundOn: DateOnly,
      keptUntil: Nullable(DateOnly),
    }),
  ),
});
export type AroundChild = Static<typeof AroundChild>;

export const aroundRoutes = {
  around: route({
    method: 'get',
    path: '/api/around',
    room: 'around',
    access: 'signed-in',
    summary: 'What else the schools tell: money, the way to school, the day’s bulletin, lost things',
    status: 200,
    answer: Type.Object({ children: Type.Array(AroundChild) }),
  }),
};
