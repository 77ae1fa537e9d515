import type {
  FeedBalance,
  FeedBulletin,
  FeedContact,
  FeedFoundThing,
  FeedRide,
  FeedSlot,
} from '@cadro/contract';
import type { Translation } from '../translation';

/* What a school tells besides its gradebook, as it is kept. */

export const key = (row: { id: string; deleted?: boolean }) => ({ id: row.id, gone: row.deleted ?? false });

export const noDetails = {
  ...{ school_id: null, phone: null, room: null, hours: null, answers_for: null },
  ...{ language: null, habits: null, for_students: null },
};

export const contacts: Translation<FeedContact> = (row) => ({
  // Of a teacher the name is told elsewhere.
  ...(row.kind === 'teacher'
    ? {}
    : { teachers: { id: row.id, gone: false, name: row.name, email: row.mail ?? null } }),
  contactDetails: {
    ...{ ...key(row), kind: row.kind, school_id: row.schoolId ?? null, phone: row.phone ?? null },
    ...{ room: row.room ?? null, hours: row.hours ?? null, answers_for: row.answersFor ?? null },
    ...{ language: row.language ?? null, habits: row.habits ?? null, for_students: row.studentIds ?? null },
  },
});

export const balances: Translation<FeedBalance> = (row) => ({
  balances: {
    ...{ ...key(row), student_id: row.studentId, kind: row.kind, title: row.title, amount: row.amount },
    ...{ currency: row.currency, due_on: row.dueOn ?? null, as_of: row.asOf },
  },
});

export const rides: Translation<FeedRide> = (row) => ({
  rides: {
    ...{ ...key(row), student_id: row.studentId, title: row.title, stop: row.stop ?? null },
    ...{ weekdays: row.weekdays, to_school_at: row.toSchoolAt ?? null, home_at: row.homeAt ?? null },
    ...{ note: row.note ?? null, starts_on: row.from ?? null, ends_on: row.until ?? null },
  },
});

export const bulletins: Translation<FeedBulletin> = (row) => ({
  bulletins: { ...key(row), school_id: row.schoolId, on_date: row.date, text: row.text },
});

export const foundThings: Translation<FeedFoundThing> = (row) => ({
  foundThings: {
    ...{ ...key(row), school_id: row.schoolId, title: row.title, place: row.place ?? null },
    ...{ found_on: row.foundOn, kept_until: row.keptUntil ?? null },
  },
});

export const slots: Translation<FeedSlot> = (row) => ({
  slots: {
    ...{ ...key(row), teacher_id: row.contactId, for_students: row.studentIds ?? null },
    ...{ starts_at: row.startsAt, ends_at: row.endsAt, way: row.way, place: row.place ?? null },
    ...{ href: row.href ?? null, taken: row.taken, booked_for: row.bookedFor ?? null },
  },
});
