import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { AskedDay, DateOnly, FreeText, Instant, Nullable, Uuid, Version } from '../shared/scalars';

/** What a guardian has written down about a child, by the day it is about. */
export const Note = Type.Object({
  id: Uuid,
  studentId: Uuid,
  /** The course it is about; null for the child as a whole. */
  courseId: Nullable(Uuid),
  courseTitle: Nullable(Type.String()),
  on: DateOnly,
  text: Type.String(),
  author: Type.String(),
  /** Whether the other guardians at home read it; nobody else does. */
  shared: Type.Boolean(),
  /** Whether the reader wrote it, and may change it. */
  mine: Type.Boolean(),
  changedAt: Instant,
  version: Version,
});
export type Note = Static<typeof Note>;

export const NewNote = Type.Object({
  studentId: Uuid,
  courseId: Type.Optional(Nullable(Uuid)),
  on: AskedDay,
  text: FreeText,
  shared: Type.Boolean(),
});
export type NewNote = Static<typeof NewNote>;

export const NoteChange = Type.Object(
  {
    version: Version,
    on: Type.Optional(AskedDay),
    text: Type.Optional(FreeText),
    shared: Type.Optional(Type.Boolean()),
  },
  { minProperties: 2, additionalProperties: false },
);
export type NoteChange = Static<typeof NoteChange>;

/** What a family wants to know of a teacher: how work is organised, where it lives, how they answer. */
export const wantAspects = ['organises', 'lives', 'replies'] as const;
export type WantAspect = (typeof wantAspects)[number];
const Aspect = Type.Union(wantAspects.map((aspect) => Type.Literal(aspect)));

/** What the record shows of a teacher's ways with this child's work. Days are school days. */
export const TeacherWays = Type.Object({
  /** Assignments of this year that were looked at. */
  assignments: Type.Integer(),
  /** The weekday on which most of them fall due, 1 for Monday, with how many do; null where none stands out. */
  dueWeekday: Nullable(Type.Object({ weekday: Type.Integer(), count: Type.Integer() })),
  /** Where most of them live, in the teacher's words, with how many do. */
  place: Nullable(Type.Object({ name: Type.String(), count: Type.Integer() })),
  /** Half of them are graded so many days after they were due, or sooner. */
  gradedDays: Nullable(Type.Integer()),
  /** Half of the family's letters were answered within so many days; null where none was. */
  answeredDays: Nullable(Type.Integer()),
  letters: Type.Integer(),
});
export type TeacherWays = Static<typeof TeacherWays>;

export const Wants = Type.Object({
  teacher: Type.Object({ id: Uuid, name: Type.String() }),
  /** What the teacher says of it. */
  habits: Nullable(Type.String()),
  ways: TeacherWays,
  /** In the family's own words. */
  ours: Type.Array(
    Type.Object({
      aspect: Aspect,
      text: Type.String(),
      author: Type.String(),
      at: Instant,
      version: Version,
    }),
  ),
});
export type Wants = Static<typeof Wants>;

const room = 'notes';
const ofTeacher = Type.Object({ studentId: Uuid, teacherId: Uuid });
export const noteRoutes = {
  list: route({
    method: 'get',
    path: '/api/notes',
    room,
    access: 'signed-in',
    summary:
      'The notes of the family, the latest day first; of a child, a course, or with some words in them',
    query: Type.Object({
      studentId: Type.Optional(Uuid),
      courseId: Type.Optional(Uuid),
      q: Type.Optional(Type.String({ maxLength: 100 })),
    }),
    status: 200,
    answer: Type.Object({ notes: Type.Array(Note), more: Type.Boolean() }),
  }),
  write: route({
    method: 'post',
    path: '/api/notes',
    room,
    access: 'signed-in',
    summary: 'Write a note about a child or a course',
    body: NewNote,
    status: 201,
    answer: Note,
  }),
  change: route({
    method: 'patch',
    path: '/api/notes/:noteId',
    room,
    access: 'signed-in',
    summary: 'Change a note of one’s own',
    params: Type.Object({ noteId: Uuid }),
    body: NoteChange,
    status: 200,
    answer: Note,
  }),
  drop: route({
    method: 'delete',
    path: '/api/notes/:noteId',
    room,
    access: 'signed-in',
    summary: 'Throw a note of one’s own away',
    params: Type.Object({ noteId: Uuid }),
    status: 204,
  }),
  wants: route({
    method: 'get',
    path: '/api/students/:studentId/teachers/:teacherId/wants',
    room,
    access: 'signed-in',
    summary: 'What a teacher wants: what they say, what the record shows, what the family has found out',
    params: ofTeacher,
    status: 200,
    answer: Wants,
  }),
  sayWant: route({
    method: 'patch',
    path: '/api/students/:studentId/teachers/:teacherId/wants',
    room,
    access: 'signed-in',
    summary: 'Say in the family’s words what a teacher wants; no words take them out',
    params: ofTeacher,
    body: Type.Object(
      {
        aspect: Aspect,
        text: Type.String({ maxLength: 2000 }),
        /** As it was read; 0 where there was nothing. */
        version: Type.Integer({ minimum: 0, maximum: 2 ** 31 - 1 }),
      },
      { additionalProperties: false },
    ),
    status: 200,
    answer: Wants,
  }),
};
