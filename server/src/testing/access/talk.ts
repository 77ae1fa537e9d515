import { presetRules } from '@cadro/core';
import {
  calendarFile,
  entry,
  feed,
  list,
  meeting,
  own,
  owners,
  record,
  sitting,
  talk,
  writing,
  type Table,
} from './callers';

/** Of what is told a course: whose child is in it, and whom it is held back from. */
const courseMate = { stranger: 200, sibling: 404, restricted: 404 };

/** Days, talk, plans and alerts. */
export const talkTable: Table = {
  'get /api/calendar?from=2026-10-01&to=2026-10-31': { statuses: list },
  'post /api/students/:studentId/items/:itemId/own-date': {
    statuses: { ...writing(400), restricted: 404 },
    body: () => ({ on: '2026-10-28' }),
  },
  'get /api/supplies': { statuses: list },
  'post /api/students/:studentId/items/:itemId/supplies': {
    statuses: { ...writing(204), restricted: 404 },
    body: () => ({ supply: 'wood glue', got: true }),
  },
  'post /api/entries': { statuses: writing(201), body: (ids) => entry(ids) },
  'get /api/entries/:entryId': { statuses: talk },
  'patch /api/entries/:entryId': {
    statuses: { ...writing(200), student: 404, apart: 404 },
    body: (ids) => ({ ...entry(ids), version: 1 }),
  },
  'post /api/entries/:entryId/days': {
    statuses: { ...writing(200), student: 404, apart: 404 },
    body: () => ({ on: '2026-10-28', as: 'done' }),
  },
  'delete /api/entries/:entryId': { statuses: { ...writing(204), student: 404, apart: 404 } },
  // Taken out by the guardian alone, the last to call.
  'post /api/entries/:entryId/return': { statuses: owners(200) },
  'get /api/calendar/feeds': { statuses: list },
  'post /api/calendar/feeds': {
    statuses: { ...record, looker: 201, student: 201, apart: 201, guardian: 201 },
    body: (ids) => feed(ids),
  },
  'patch /api/calendar/feeds/:feedId': { statuses: owners(200), body: (ids) => feed(ids) },
  'post /api/calendar/feeds/:feedId/renew': { statuses: owners(200) },
  'get /calendar/:token/cadro.ics': { statuses: { ...owners(404), nobody: 404 } },
  'delete /api/calendar/feeds/:feedId': { statuses: owners(204) },
  'get /api/calendar.ics?from=2026-10-01&to=2026-10-31': { statuses: list },
  'post /api/calendar/imports': {
    statuses: writing(200),
    body: (ids) => ({ ...calendarFile, studentId: ids.studentId, preview: true }),
  },
  'delete /api/calendar/imports/:importId': { statuses: { ...writing(204), student: 404, apart: 404 } },
  'get /api/followups': { statuses: list },
  'post /api/followups': {
    statuses: writing(201),
    body: (ids) => ({ studentId: ids.studentId, title: 'A talk' }),
  },
  'get /api/followups/:followUpId': { statuses: talk },
  'patch /api/followups/:followUpId': {
    statuses: { ...writing(200), student: 404, apart: 404 },
    body: () => ({ version: 1, note: 'A note' }),
  },
  // Something has come of it by then: it stays.
  'delete /api/followups/:followUpId': { statuses: { ...writing(409), student: 404, apart: 404 } },
  'get /api/threads': { statuses: list },
  'get /api/threads/:threadId': { statuses: talk },
  'get /api/threads/:threadId/files/:fileId': { statuses: talk },
  'post /api/threads/:threadId/letters/:messageId/sender': {
    statuses: { ...writing(200), student: 404, apart: 404 },
    body: () => ({ known: false }),
  },
  // An answer is none of one's own letters.
  'post /api/messages/:messageId/return': { statuses: owners(404) },
  'get /api/students/:studentId/teachers': { statuses: record },
  'get /api/students/:studentId/contacts': { statuses: record },
  'get /api/students/:studentId/contacts/vcard': { statuses: record },
  'post /api/work/joint': {
    statuses: { ...record, restricted: 404 },
    body: (ids) => ({ picks: [{ studentId: ids.studentId, itemId: ids.itemId }] }),
  },
  'post /api/students/:studentId/comments/:commentId/offers': {
    statuses: { ...writing(200), restricted: 404 },
    body: () => ({ place: 0, answer: 'confirmed' }),
  },
  'post /api/students/:studentId/items/:itemId/asked': {
    statuses: { ...writing(204), student: 204, helper: 403, restricted: 404 },
    body: () => ({ answer: 'at-home' }),
  },
  'post /api/students/:studentId/items/:itemId/effort': {
    statuses: { ...writing(204), restricted: 404 },
    body: () => ({ minutes: 40 }),
  },
  'get /api/students/:studentId/courses/:courseId/tries': {
    statuses: { ...record, helper: 403, restricted: 404 },
  },
  'post /api/students/:studentId/courses/:courseId/tries': {
    statuses: { ...writing(200), student: 200, helper: 403, restricted: 404 },
    body: (ids) => ({ name: 'All at 80 %', scores: [{ itemId: ids.itemId, earned: 16 }] }),
  },
  'post /api/students/:studentId/courses/:courseId/target': {
    statuses: { ...writing(200), student: 200, helper: 403, restricted: 404 },
    body: () => ({ target: 3 }),
  },
  'delete /api/students/:studentId/courses/:courseId/tries/:tryId': {
    // The family's try is none of the child's.
    statuses: { ...writing(200), student: 404, helper: 403, apart: 404 },
  },
  'get /api/students/:studentId/plan': { statuses: { ...record, helper: 403 } },
  'post /api/students/:studentId/plan/evenings': {
    statuses: writing(200),
    body: () => ({ exceptions: [{ date: '2026-10-22', minutes: 60 }] }),
  },
  'post /api/students/:studentId/plan/tasks': {
    statuses: { ...writing(200), restricted: 404 },
    body: (ids) => ({ tasks: [{ itemId: ids.itemId, minutes: 30 }] }),
  },
  'post /api/students/:studentId/plan/propose': { statuses: writing(200) },
  'patch /api/students/:studentId/plan/tasks/:itemId': {
    statuses: { ...writing(200), student: 404, helper: 403, apart: 200, restricted: 404 },
    body: () => ({ evening: '2026-10-22' }),
  },
  'delete /api/students/:studentId/plan/tasks/:itemId': { statuses: { ...writing(200), restricted: 404 } },
  'post /api/messages': {
    statuses: { ...writing(202), restricted: 404 },
    body: (ids) => ({ studentId: ids.studentId, teacherId: ids.teacherId, subject: 'S', text: 'T' }),
  },
  'get /api/sitdowns': { statuses: list },
  'post /api/sitdowns': { statuses: sitting(201), body: () => ({ on: '2026-10-25' }) },
  'patch /api/sitdowns/:sitdownId/pages/:studentId': {
    statuses: { ...owners(200), looker: 403 },
    body: () => ({ version: 1, question: 'How was the keel of ours?' }),
  },
  'post /api/sitdowns/:sitdownId/start': { statuses: { ...owners(200), looker: 403 } },
  'post /api/sitdowns/:sitdownId/end': {
    statuses: { ...owners(200), looker: 403 },
    body: () => ({ pages: [] }),
  },
  'delete /api/sitdowns/:sitdownId': { statuses: { ...owners(409), looker: 403 } },
  'post /api/sitdowns/rhythm': { statuses: sitting(204), body: () => ({ entryId: null }) },
  'post /api/sitdowns/paper': {
    statuses: list,
    body: () => ({ title: 'T', pages: [{ name: 'N', sections: [] }] }),
  },
  'get /api/meetings': { statuses: list },
  'get /api/meetings/slots': { statuses: list },
  'post /api/meetings': { statuses: { ...writing(201), restricted: 404 }, body: (ids) => meeting(ids) },
  'get /api/meetings/:meetingId/calendar': { statuses: { ...owners(200), looker: 200 } },
  'patch /api/meetings/:meetingId': {
    statuses: { ...owners(200), looker: 403 },
    body: () => ({ version: 1, notes: 'What was said about ours' }),
  },
  'post /api/meetings/:meetingId/guests': {
    statuses: { ...owners(200), looker: 403 },
    body: () => ({ name: 'Ottoline', address: 'ottoline@aldervane.example' }),
  },
  'delete /api/meetings/:meetingId/guests/:guestId': { statuses: { ...owners(200), looker: 403 } },
  'post /api/meetings/:meetingId/move': {
    statuses: { ...owners(200), looker: 403 },
    body: (ids) => {
      const { studentId: _, teacherId: __, ...when } = meeting(ids);
      return { version: 2, to: when };
    },
  },
  'post /api/meetings/:meetingId/give-back': {
    statuses: { ...owners(200), looker: 403 },
    body: () => ({ version: 3 }),
  },
  // One family after the other asks for the same time: the first has it.
  'post /api/meetings/slots/:slotId/booking': {
    statuses: { ...writing(201), restricted: 404 },
    body: (ids) => ({ studentId: ids.studentId }),
  },
  'get /api/calendar/busy?from=2026-10-01&to=2026-10-31': { statuses: list },
  'post /api/calendar/times-in-file': {
    statuses: writing(200),
    body: (ids) => ({ studentId: ids.studentId, text: calendarFile.text }),
  },
  'get /api/notes': { statuses: list },
  'get /api/around': { statuses: list },
  'get /api/search': { statuses: list },
  'post /api/notes': {
    statuses: { ...writing(201) },
    body: (ids) => ({ studentId: ids.studentId, on: '2026-10-20', text: 'A note of ours', shared: true }),
  },
  'patch /api/notes/:noteId': { statuses: owners(200), body: () => ({ version: 1, text: 'Another' }) },
  'delete /api/notes/:noteId': { statuses: owners(204) },
  'get /api/students/:studentId/teachers/:teacherId/wants': {
    statuses: { ...writing(200), looker: 200, restricted: 404 },
  },
  'patch /api/students/:studentId/teachers/:teacherId/wants': {
    statuses: { ...writing(200), restricted: 404 },
    body: () => ({ aspect: 'lives', text: 'In the shed', version: 0 }),
  },
  'post /api/messages/paper': {
    statuses: { ...writing(200), restricted: 404 },
    body: (ids) => ({ studentId: ids.studentId, teacherId: ids.teacherId, subject: 'S', text: 'T' }),
  },
  'post /api/messages/several': {
    statuses: { ...writing(202), restricted: 404 },
    body: (ids) => ({
      ...{ studentId: ids.studentId, subject: 'S', letters: [{ teacherId: ids.teacherId, text: 'T' }] },
    }),
  },
  'get /api/announcements': { statuses: list },
  // A stranger's child is in the same course.
  'get /api/announcements/:announcementId': { statuses: { ...record, ...courseMate } },
  'patch /api/announcements/:announcementId': {
    statuses: { ...record, ...courseMate },
    body: () => ({ kept: true }),
  },
  'post /api/announcements/:announcementId/answers/:studentId': {
    statuses: { ...writing(200), restricted: 404 },
    body: () => ({ version: 0, answer: { kind: 'choice', choice: 'Before noon' } }),
  },
  'post /api/announcements/:announcementId/parts/:part': {
    statuses: { ...writing(200), ...courseMate },
  },
  'delete /api/announcements/:announcementId/parts/:part': {
    statuses: { ...writing(200), ...courseMate },
  },
  'get /api/alerts': { statuses: list },
  'get /api/alerts/count': { statuses: list },
  'get /api/alerts/live': { statuses: list },
  'get /api/alerts/file.csv': { statuses: list },
  'get /api/alerts/:alertId': { statuses: owners(200) },
  'post /api/alerts/state': {
    statuses: owners(204),
    body: (ids) => ({ ids: [ids.alertId], state: 'read' }),
  },
  'get /api/alerts/settings': { statuses: list },
  'patch /api/alerts/settings': {
    statuses: { ...record, student: 404, restricted: 404 },
    body: (ids) => ({
      rules: {
        ...presetRules('usual'),
        exceptions: [{ studentId: ids.studentId, courseId: ids.courseId, rules: { fallen: { points: 8 } } }],
      },
    }),
  },
  'post /api/alerts/rehearsal': { statuses: list, body: () => presetRules('usual') },
  'post /api/alerts/silences': {
    statuses: { ...record, student: 404, looker: 201, apart: 201, guardian: 201 },
    body: (ids) => ({
      ...{ alertKey: null, kind: null, until: '2026-10-28' },
      ...{ studentId: ids.studentId, courseId: null },
    }),
  },
  'delete /api/alerts/silences/:silenceId': { statuses: owners(204) },
  'post /api/alerts/phone': { statuses: own(202), body: () => ({ phone: '+15550100277' }) },
  'post /api/alerts/phone/works': { statuses: own(401), body: () => ({ code: '000000' }) },
  'post /api/alerts/test': {
    statuses: {
      ...list,
      stranger: 202,
      looker: 202,
      apart: 202,
      guardian: 202,
      student: 422,
      sibling: 422,
      ended: 422,
    },
    body: () => ({ channel: 'mail' }),
  },
  'get /api/alerts/digest': { statuses: list },
  'get /api/alerts/digest.pdf': { statuses: list },
  'post /api/mail-stop/:token': { statuses: { ...owners(404), nobody: 404 } },
  'delete /api/mail-stop/:token': { statuses: { ...owners(404), nobody: 404 } },
  'get /api/sources': { statuses: list },
  'post /api/demo/next-day': { statuses: { ...list, nobody: 401 } },
  'delete /api/session': {
    statuses: {
      nobody: 401,
      stranger: 204,
      ended: 204,
      looker: 204,
      student: 204,
      apart: 204,
      guardian: 204,
    },
  },
};
