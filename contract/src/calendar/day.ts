import { Type, type Static } from '@sinclair/typebox';
import { DayMark } from '../attendance/days';
import { AbsenceLesson, PurposeSchema } from '../followups/absence';
import { Teacher } from '../gradebook/basics';
import { resultStatuses } from '../gradebook/record';
import { FileOut, mostFilesOut } from '../messages/writing';
import { looseEndKinds } from '../outlook/figures';
import { route } from '../shared/route';
import { DateOnly, FreeText, Instant, Nullable, Uuid } from '../shared/scalars';
import { schoolEventKinds } from '../sources/feed';

/** A time of day where the school is, `08:40`. */
export const TimeOfDay = Type.String({ pattern: '^([01][0-9]|2[0-3]):[0-5][0-9]$' });
const File = Type.Object({ title: Type.String(), href: Type.String() });

/** A lesson of one day: by the timetable, by its mark, or by both. */
export const LessonOfDay = Type.Object({
  period: Type.String(),
  startsAt: Nullable(TimeOfDay),
  endsAt: Nullable(TimeOfDay),
  courseId: Nullable(Uuid),
  courseTitle: Nullable(Type.String()),
  room: Nullable(Type.String()),
  teacher: Nullable(Teacher),
  mark: Nullable(DayMark),
  /** What the teacher wrote of it; null where nothing is published. */
  done: Nullable(Type.String()),
  homework: Nullable(Type.String()),
  files: Type.Array(File),
});
export type LessonOfDay = Static<typeof LessonOfDay>;

export const SchoolEvent = Type.Object({
  kind: Type.Union(schoolEventKinds.map((kind) => Type.Literal(kind))),
  title: Type.String(),
  courseTitle: Nullable(Type.String()),
  on: DateOnly,
  lastOn: DateOnly,
  startsAt: Nullable(TimeOfDay),
  endsAt: Nullable(TimeOfDay),
  place: Nullable(Type.String()),
  href: Nullable(Type.String()),
});
export type SchoolEvent = Static<typeof SchoolEvent>;

/** Work that a missed lesson touched: given out or due on that day, with how it stands now. */
export const TouchedWork = Type.Object({
  itemId: Uuid,
  courseId: Uuid,
  courseTitle: Type.String(),
  title: Type.String(),
  possible: Type.Number(),
  assigned: Type.Boolean(),
  due: Type.Boolean(),
  dueAt: Nullable(Instant),
  status: Type.Union(resultStatuses.map((status) => Type.Literal(status))),
  earned: Nullable(Type.Number()),
  kind: Nullable(Type.Union(looseEndKinds.map((kind) => Type.Literal(kind)))),
  /** Whether a teacher's words or rubric levels speak of what was handed in. */
  remarked: Type.Boolean(),
  /** The classroom has it and the gradebook not yet: scores may still be on their way. */
  doubtful: Type.Boolean(),
  /** Something is still to be done about it. */
  open: Type.Boolean(),
  deadline: Nullable(Instant),
});
export type TouchedWork = Static<typeof TouchedWork>;

export const ChildDay = Type.Object({
  studentId: Uuid,
  on: DateOnly,
  today: DateOnly,
  /** Null where the school's calendar does not say. */
  open: Nullable(Type.Boolean()),
  rotationDay: Nullable(Type.String()),
  /** Why there is no school. */
  closedFor: Nullable(Type.String()),
  /** Whether the school marks the day as a whole; its mark then stands here. */
  dayMark: Nullable(DayMark),
  lessons: Type.Array(LessonOfDay),
  events: Type.Array(SchoolEvent),
  /** Lessons missed: absent, and of these without a reason; and those a trip took. */
  missed: Type.Object({ absent: Type.Integer(), unexplained: Type.Integer(), trip: Type.Integer() }),
  touched: Type.Array(TouchedWork),
  inHand: Type.Array(
    Type.Object({
      followUpId: Uuid,
      title: Type.String(),
      purpose: PurposeSchema,
      open: Type.Boolean(),
      lessons: Type.Array(AbsenceLesson),
    }),
  ),
  desk: Nullable(Teacher),
  /** The school days before and after it. */
  before: Nullable(DateOnly),
  after: Nullable(DateOnly),
  /** The days with school of the next two weeks, this one among them, and none that has passed. */
  ahead: Type.Array(DateOnly),
});
export type ChildDay = Static<typeof ChildDay>;

/** A letter to the attendance desk; sent as mail, and a follow-up until the register says so. */
export const AbsenceLetter = Type.Object({
  purpose: Type.Union([Type.Literal('ahead'), Type.Literal('explain'), Type.Literal('object')]),
  lessons: Type.Array(AbsenceLesson, { minItems: 1, maxItems: 200, uniqueItems: true }),
  subject: Type.String({ minLength: 1, maxLength: 200 }),
  text: FreeText,
  /** What goes with it, such as a doctor's note. */
  files: Type.Optional(Type.Array(FileOut, { maxItems: mostFilesOut })),
});
export type AbsenceLetter = Static<typeof AbsenceLetter>;
export const InHand = Type.Object({ followUpId: Uuid });

const room = 'calendar';
const OfStudent = Type.Object({ studentId: Uuid });
const OfDay = Type.Object({ studentId: Uuid, on: DateOnly });
export const dayRoutes = {
  day: route({
    method: 'get',
    path: '/api/students/:studentId/days/:on',
    room,
    access: 'signed-in',
    summary: 'One day of one child: lessons, marks, what was done, and the work an absence touched',
    params: OfDay,
    status: 200,
    answer: ChildDay,
  }),
  letter: route({
    method: 'post',
    path: '/api/students/:studentId/absences',
    room,
    access: 'signed-in',
    summary: 'Tell the school ahead of an absence, explain a mark, or object to one',
    params: OfStudent,
    body: AbsenceLetter,
    takesFile: true,
    status: 201,
    answer: InHand,
  }),
  catchUp: route({
    method: 'post',
    path: '/api/students/:studentId/days/:on/catch-up',
    room,
    access: 'signed-in',
    summary: 'Take the open work that a day’s absence touched in hand, as one follow-up',
    params: OfDay,
    body: Type.Object({ title: Type.String({ minLength: 1, maxLength: 200 }) }),
    status: 201,
    answer: InHand,
  }),
};
