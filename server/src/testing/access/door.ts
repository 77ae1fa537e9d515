import {
  anybody,
  arriving,
  list,
  own,
  owners,
  passkey,
  pushDevice,
  record,
  writing,
  type Table,
} from './callers';

/** The door, and one's own account. */
export const doorTable: Table = {
  'post /api/session': {
    statuses: {
      nobody: 401,
      stranger: 401,
      ended: 401,
      looker: 401,
      student: 401,
      apart: 401,
      guardian: 401,
    },
    body: () => ({ email: 'nobody@test.example', password: 'x' }),
  },
  'get /api/me': { statuses: list },
  'patch /api/me': { statuses: list, body: () => ({ language: 'es' }) },
  // No operator asks for anything here.
  'post /api/me/consent': { statuses: own(400), body: () => ({ version: 'autumn' }) },
  'post /api/links/preview': {
    statuses: { ...list, stranger: 404, ended: 404, looker: 404, student: 404, apart: 404, guardian: 404 },
    body: () => ({ code: 'NO-SUCH-CODE' }),
  },
  'post /api/links': {
    statuses: { ...list, stranger: 404, ended: 404, looker: 404, student: 404, apart: 404, guardian: 404 },
    body: () => ({ code: 'NO-SUCH-CODE' }),
  },
  // Whoever is outside may ask these, and learns nothing of anybody.
  'post /api/door/code': { statuses: anybody(404), body: () => ({ code: 'NO-SUCH-CODE' }) },
  'post /api/door/come': {
    statuses: anybody(404),
    body: () => ({ ...arriving('come'), code: 'NO-SUCH-CODE', keep: false }),
  },
  'post /api/door/later': { statuses: anybody(202), body: () => arriving('later') },
  'post /api/door/confirm': { statuses: anybody(410), body: () => ({ token: 'a'.repeat(43) }) },
  'post /api/door/forgotten': {
    statuses: anybody(202),
    body: () => ({ email: 'nobody@test.example' }),
  },
  'post /api/door/password': {
    statuses: anybody(410),
    body: () => ({ token: 'a'.repeat(43), password: 'lantern wicks for thirty herons' }),
  },
  'get /api/session/second': { statuses: anybody(401) },
  'post /api/session/second': { statuses: anybody(401), body: () => ({ code: '123456' }) },
  'post /api/session/passkey/options': { statuses: anybody(200), body: () => ({ keep: false }) },
  'post /api/session/passkey': { statuses: anybody(401), body: () => ({ answer: passkey }) },
  // Everybody's own account, and nobody else's.
  'get /api/me/safety': { statuses: list },
  'post /api/me/confirmation': { statuses: own(202) },
  'post /api/me/password': {
    statuses: own(401),
    body: () => ({ password: 'wrong', next: 'lantern wicks for thirty herons' }),
  },
  'post /api/me/address': {
    statuses: own(401),
    body: () => ({ password: 'wrong', email: 'x@test.example' }),
  },
  'delete /api/me/address': { statuses: own(204) },
  // Before the sessions are ended that they last as long as; and each session has one.
  'delete /api/alerts/devices/:deviceId': { statuses: owners(204) },
  'post /api/alerts/devices': { statuses: own(201), body: () => pushDevice() },
  'delete /api/me/sessions/:sessionId': { statuses: own(404) },
  'delete /api/me/sessions': { statuses: own(204) },
  'post /api/me/passkeys/options': { statuses: own(401), body: () => ({ password: 'wrong' }) },
  'post /api/me/passkeys': { statuses: own(401), body: () => ({ answer: passkey, name: 'Phone' }) },
  'post /api/me/passkeys/:passkeyId/drop': { statuses: own(401), body: () => ({ password: 'wrong' }) },
  'post /api/me/one-time': { statuses: own(401), body: () => ({ password: 'wrong' }) },
  'post /api/me/one-time/works': { statuses: own(401), body: () => ({ code: '000000' }) },
  'post /api/me/one-time/drop': { statuses: own(401), body: () => ({ password: 'wrong' }) },
  'get /api/students/:studentId/trail': { statuses: { ...record, looker: 403, student: 403 } },
  'get /api/me/export.zip': { statuses: list },
  'post /api/me/leaving': { statuses: own(401), body: () => ({ password: 'wrong' }) },
  'delete /api/me/leaving': { statuses: own(200) },
  'get /api/people': { statuses: list },
  'patch /api/people': { statuses: own(204), body: () => ({ showsItself: false }) },
  // A child may let a guardian in to its own record; who may only look lets nobody in.
  'post /api/people/invitations': {
    statuses: { ...writing(201), student: 201, helper: 403 },
    body: (ids) => ({ studentIds: [ids.studentId], role: 'guardian', email: null, together: true }),
  },
  'delete /api/people/invitations/:invitationId': { statuses: owners(204) },
  'post /api/people/notices/read': { statuses: own(204) },
  // Over a guardian whom the school let in long ago nobody has any power; over whom else is tried elsewhere.
  'patch /api/students/:studentId/people/:personId': {
    statuses: writing(403),
    body: () => ({ role: 'look-only' }),
  },
  'post /api/students/:studentId/people/:personId/objection': { statuses: writing(403) },
  'delete /api/students/:studentId/people/:personId': { statuses: writing(403) },
};
