import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { AskedDay, DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';

/** From one instant to another. */
export const Between = Type.Object({ startsAt: Instant, endsAt: Instant });
export type Between = Static<typeof Between>;

/** When a guardian of the household has something, and never what. */
export const BusyPerson = Type.Object({ id: Uuid, name: Type.String(), busy: Type.Array(Between) });
export type BusyPerson = Static<typeof BusyPerson>;

/** A time that a calendar file speaks of. */
export const FileTime = Type.Object({
  ...{ startsAt: Instant, endsAt: Instant, title: Type.String() },
  place: Nullable(Type.String()),
});
export type FileTime = Static<typeof FileTime>;

const room = 'calendar';
export const timeRoutes = {
  busy: route({
    method: 'get',
    path: '/api/calendar/busy',
    room,
    access: 'signed-in',
    summary: 'When each guardian of the household has something, and never what',
    query: Type.Object({ from: AskedDay, to: AskedDay }, { additionalProperties: false }),
    status: 200,
    answer: Type.Object({
      /** Oneself first. */
      people: Type.Array(BusyPerson),
      /** Days without school, whose each. */
      closed: Type.Array(Type.Object({ studentIds: Type.Array(Uuid), on: DateOnly, lastOn: DateOnly })),
    }),
  }),
  inFile: route({
    method: 'post',
    path: '/api/calendar/times-in-file',
    room,
    access: 'signed-in',
    summary: 'The times in a calendar file of somebody at school, so that one can be chosen',
    body: Type.Object(
      { studentId: Uuid, text: Type.String({ minLength: 1, maxLength: 500_000 }) },
      { additionalProperties: false },
    ),
    status: 200,
    heavy: true,
    answer: Type.Object({ times: Type.Array(FileTime) }),
  }),
};
