import {
  feedCollections,
  feedPath,
  type FeedAnnouncement,
  type FeedAssignment,
  type FeedAttendanceCode,
  type FeedClass,
  type FeedComment,
  type FeedCreditPlan,
  type FeedGrade,
  type FeedHandIn,
  type FeedLesson,
  type FeedLessonNote,
  type FeedLinkCode,
  type FeedMark,
  type FeedRestriction,
  type FeedName,
  type FeedRubricMark,
  type FeedSchool,
  type FeedSchoolDay,
  type FeedSchoolEvent,
} from '@cadro/contract';
import type { Static } from '@sinclair/typebox';
import { hashCode } from '../../kit';
import type { Connector, Page } from '../connector';
import type { Budget } from '../http/budget';
import type { SchoolHttp } from '../http/schoolHttp';
import { readRows } from '../readRows';
import type { Told, Translation } from '../translation';
import { balances, bulletins, contacts, foundThings, key, noDetails, rides, slots } from './feedAround';
import { listIn, pageSize, walk } from './paging';

const schoolDetails: Translation<FeedSchool> = (row) => {
  // Whoever answers for attendance is written to like a teacher.
  const desk = row.attendanceDesk && { id: `attendance-desk-${row.id}`, ...row.attendanceDesk };
  return {
    ...(desk
      ? {
          teachers: { id: desk.id, gone: false, name: desk.name, email: desk.mail },
          contactDetails: { ...noDetails, id: desk.id, gone: false, kind: 'attendance', school_id: row.id },
        }
      : {}),
    schoolDetails: {
      ...key(row),
      grade_points: row.gradePoints ?? null,
      attendance_desk_id: desk?.id ?? null,
    },
  };
};

const classDetails: Translation<FeedClass> = (row) => ({
  courseDetails: {
    ...key(row),
    policy: row.policy ?? null,
    policy_told: true,
    standards: row.standards,
    credits: row.credits ?? 0,
    credit_area: row.creditArea ?? null,
    bump: row.bump ?? 0,
    composition: row.compositions ?? [],
  },
  courseCategories: row.categories.map(({ id, counts, dropLowest }) => ({
    id,
    gone: false,
    course_id: row.id,
    counts,
    drop_lowest: dropLowest,
  })),
});

const assignments: Translation<FeedAssignment> = (row) => ({
  itemDetails: {
    ...key(row),
    kind: row.kind ?? null,
    in_class: row.inClass ?? null,
    instructions: row.instructions ?? null,
    place: row.where ?? null,
    supplies: row.supplies ?? [],
    redo: row.redo ?? null,
    accepted_until: row.acceptedUntil ?? null,
    counts: row.counts ?? true,
    extra_credit: row.extraCredit ?? false,
    multiplier: row.multiplier ?? 1,
    undated: row.undated ?? false,
    unit: row.unit ?? null,
    files: row.files ?? [],
    rubric: row.rubric ?? [],
  },
});

const grades: Translation<FeedGrade> = (row) => ({
  grades: {
    ...key(row),
    student_id: row.studentId,
    course_id: row.classId,
    part: row.part,
    state: row.state,
    fraction: row.fraction ?? null,
    figure: row.figure ?? null,
    letter: row.letter ?? null,
    credits_earned: row.creditsEarned ?? null,
    reported_at: row.reportedAt,
  },
});

const rubricMarks: Translation<FeedRubricMark> = (row) => ({
  rubricMarks: {
    ...key(row),
    student_id: row.studentId,
    item_id: row.assignmentId,
    marks: row.marks,
    written_at: row.writtenAt,
  },
});

const handIns: Translation<FeedHandIn> = (row) => ({
  handIns: {
    ...key(row),
    student_id: row.studentId,
    item_id: row.assignmentId,
    status: row.state === 'marked' ? 'scored' : row.state,
    earned: row.earned ?? null,
    at: row.at,
    tries: row.tries ?? [],
  },
});

const creditPlans: Translation<FeedCreditPlan> = (row) => ({
  creditPlans: { ...key(row), student_id: row.studentId, areas: row.areas },
});

const comments: Translation<FeedComment> = (row) => ({
  comments: {
    ...key(row),
    student_id: row.studentId,
    course_id: row.classId,
    item_id: row.assignmentId ?? null,
    term_external_id: row.sessionId ?? null,
    subject: row.subject,
    text: row.text,
    author_id: row.teacherId,
    written_at: row.writtenAt,
    about: row.about ?? null,
    recording: row.recording ?? null,
    elsewhere: row.elsewhere ?? null,
  },
});

const attendance: Translation<FeedMark> = (row) => ({
  marks: {
    ...key(row),
    student_id: row.studentId,
    on_date: row.date,
    period: row.period,
    course_id: row.classId ?? null,
    code: row.code,
    note: row.note ?? null,
    marked_by: row.markedBy ?? null,
    marked_at: row.changedAt,
  },
});

const attendanceCodes: Translation<FeedAttendanceCode> = (row) => ({
  attendanceCodes: {
    ...key(row),
    code: row.code,
    kind: row.kind,
    excused: row.excused,
    label: row.label,
    valid_from: row.from ?? null,
  },
});

const timetable: Translation<FeedLesson> = (row) => ({
  lessons: {
    ...key(row),
    course_id: row.classId,
    rotation_day: row.rotationDay,
    period: row.period,
    starts_at: row.startsAt,
    ends_at: row.endsAt,
    room: row.room ?? null,
  },
});

const schoolDays: Translation<FeedSchoolDay> = (row) => ({
  schoolDays: {
    ...key(row),
    school_id: row.schoolId,
    on_date: row.date,
    open: row.open,
    rotation_day: row.rotationDay ?? null,
    title: row.title ?? null,
  },
});

const schoolEvents: Translation<FeedSchoolEvent> = (row) => ({
  schoolEvents: {
    ...key(row),
    school_id: row.schoolId,
    course_id: row.classId ?? null,
    kind: row.kind,
    title: row.title,
    on_date: row.date,
    last_on: row.lastDate ?? row.date,
    starts_at: row.startsAt ?? null,
    ends_at: row.endsAt ?? null,
    place: row.place ?? null,
    href: row.href ?? null,
  },
});

const lessonNotes: Translation<FeedLessonNote> = (row) => ({
  lessonNotes: {
    ...key(row),
    course_id: row.classId,
    on_date: row.date,
    done: row.done,
    homework: row.homework ?? null,
    files: row.files ?? [],
  },
});

const announcements: Translation<FeedAnnouncement> = (row) => ({
  announcements: {
    ...{ ...key(row), title: row.title, text: row.text, posted_at: row.postedAt },
    ...{ school_id: row.schoolId ?? null, course_id: row.classId ?? null, student_id: row.studentId ?? null },
    ...{ wish: row.wish ?? null, answer_by: row.by ?? null },
    ...{ helpers: row.helpers ?? null, href: row.href ?? null },
  },
});

const restrictions: Translation<FeedRestriction> = (row) => ({
  restrictions: {
    ...{ ...key(row), student_id: row.studentId, what: row.what },
    ...{ course_id: row.classId ?? null, agent: row.agentId ?? null },
  },
});

const linkCodes: Translation<FeedLinkCode> = (row) => ({
  linkCodes: {
    ...key(row),
    code_hash: hashCode(row.code),
    student_id: row.studentId,
    expires_at: row.expiresAt,
  },
});

const translations: { readonly [N in FeedName]: Translation<Static<(typeof feedCollections)[N]>> } = {
  schoolDetails,
  classDetails,
  assignments,
  grades,
  rubricMarks,
  handIns,
  creditPlans,
  comments,
  attendanceCodes,
  attendance,
  timetable,
  schoolDays,
  schoolEvents,
  lessonNotes,
  announcements,
  linkCodes,
  restrictions,
  contacts,
  balances,
  rides,
  bulletins,
  foundThings,
  slots,
};
const members = { id: 'id', changed: 'changedAt' };
const isName = (name: string): name is FeedName => name in feedCollections;

/** The classroom feed: plain JSON pages for what OneRoster has no place for. */
export class FeedConnector implements Connector {
  readonly part = 'feed';
  readonly collections = Object.keys(feedCollections);

  constructor(
    private readonly http: SchoolHttp,
    private readonly told: Told,
    private readonly budget?: Budget,
  ) {}

  async *pages(name: string, since: string | null, known?: ReadonlySet<string>): AsyncGenerator<Page> {
    if (!isName(name)) throw new Error(`not a collection of the feed: ${name}`);
    const read = async (from: string | null, offset: number) => {
      const { body, total, more } = await this.http.getJson(feedPath(name), {
        limit: String(pageSize),
        offset: String(offset),
        ...(from ? { since: from } : {}),
      });
      return { rows: listIn(body, 'records'), total, more };
    };
    const { budget } = this;
    const kind = { schema: feedCollections[name], members, translate: translations[name] };
    for await (const { rows, digest } of walk({ read, members, since, known, budget }))
      yield { ...readRows(rows, kind, this.told), digest };
  }
}
