import { Type, type Static } from '@sinclair/typebox';
import { route } from '../shared/route';
import { DateOnly, Instant, Nullable, Uuid } from '../shared/scalars';
import { AlertReason, AlertSubject } from './alerts';
import { Digest } from './digest';
import { NewPushDevice, PushDevice } from './push';
import { AlertKindSchema, KeptRules, Silence } from './rules';
import {
  AlertSettings,
  AlertSettingsChange,
  ChannelSchema,
  PhoneNumber,
  Delivery,
  KeptSilence,
} from './settings';

export const alertStates = ['open', 'read', 'done'] as const;
export type AlertStateName = (typeof alertStates)[number];
const AlertStateSchema = Type.Union(alertStates.map((state) => Type.Literal(state)));

/** One alert of a guardian. */
export const Alert = Type.Composite([
  AlertSubject,
  Type.Object({
    id: Uuid,
    state: AlertStateSchema,
    raisedAt: Instant,
    /** When something last came to it. */
    newsAt: Instant,
    /** Since when nothing of it holds any more. */
    overAt: Nullable(Instant),
    reasons: Type.Array(AlertReason),
    /** Ids of the reasons it was last told for. */
    leading: Type.Array(Type.String()),
    /** What it was first told for, as it was then: its title is theirs. */
    titled: Type.Array(AlertReason),
    /** The last day on which it is not told again. */
    silencedUntil: Nullable(DateOnly),
    deliveries: Type.Array(Delivery),
  }),
]);
export type Alert = Static<typeof Alert>;

export const AlertCounts = Type.Object({
  open: Type.Integer(),
  read: Type.Integer(),
  done: Type.Integer(),
});

const room = 'alerts';
const params = Type.Object({ alertId: Uuid });
export const AlertQuery = Type.Object({
  state: Type.Optional(AlertStateSchema),
  kind: Type.Optional(AlertKindSchema),
  studentId: Type.Optional(Uuid),
  /** Words that the alert has to say, in the guardian's language. */
  q: Type.Optional(Type.String({ maxLength: 100 })),
  /** One that stands beside the list: having been read, it stays among the open ones. */
  beside: Type.Optional(Uuid),
});

export const alertRoutes = {
  list: route({
    method: 'get',
    path: '/api/alerts',
    room,
    access: 'signed-in',
    summary: 'The alerts of the guardian, the newest first',
    query: AlertQuery,
    status: 200,
    answer: Type.Object({
      alerts: Type.Array(Alert),
      /** Of all, whatever was asked for. */
      counts: AlertCounts,
    }),
  }),
  count: route({
    method: 'get',
    path: '/api/alerts/count',
    room,
    access: 'signed-in',
    summary: 'How many alerts of the guardian are open, read and done, and whether mail still reaches them',
    status: 200,
    answer: Type.Object({
      ...AlertCounts.properties,
      /** Since when mail to them comes back; null while it does not. */
      mailBouncedAt: Nullable(Instant),
    }),
  }),
  live: route({
    method: 'get',
    path: '/api/alerts/live',
    room,
    access: 'signed-in',
    summary: 'A line whenever an alert of the guardian has come or changed, as server-sent events',
    status: 200,
    produces: 'text/event-stream',
  }),
  file: route({
    method: 'get',
    path: '/api/alerts/file.csv',
    room,
    access: 'signed-in',
    summary: 'The alerts of the guardian as CSV',
    query: AlertQuery,
    status: 200,
    produces: 'text/csv',
  }),
  change: route({
    method: 'post',
    path: '/api/alerts/state',
    room,
    access: 'signed-in',
    summary: 'Put alerts down as open, read or done',
    body: Type.Object(
      { ids: Type.Array(Uuid, { minItems: 1, maxItems: 300 }), state: AlertStateSchema },
      { additionalProperties: false },
    ),
    status: 204,
  }),
  settings: route({
    method: 'get',
    path: '/api/alerts/settings',
    room,
    access: 'signed-in',
    summary: 'What the guardian is told, and how',
    status: 200,
    answer: AlertSettings,
  }),
  changeSettings: route({
    method: 'patch',
    path: '/api/alerts/settings',
    room,
    access: 'signed-in',
    summary: 'Change what the guardian is told, and how',
    body: AlertSettingsChange,
    status: 200,
    answer: AlertSettings,
  }),
  rehearse: route({
    method: 'post',
    path: '/api/alerts/rehearsal',
    room,
    access: 'signed-in',
    heavy: true,
    summary: 'What rules would have told this term: lines of JSON, progress first, the answer last',
    body: KeptRules,
    status: 200,
    produces: 'application/x-ndjson',
  }),
  silence: route({
    method: 'post',
    path: '/api/alerts/silences',
    room,
    access: 'signed-in',
    summary: 'Hear nothing of something until a day has passed',
    body: Silence,
    status: 201,
    answer: KeptSilence,
  }),
  unsilence: route({
    method: 'delete',
    path: '/api/alerts/silences/:silenceId',
    room,
    access: 'signed-in',
    summary: 'Hear of it again',
    params: Type.Object({ silenceId: Uuid }),
    status: 204,
  }),
  phoneCode: route({
    method: 'post',
    path: '/api/alerts/phone',
    room,
    access: 'signed-in',
    summary: 'Send a code to a number, to show that it is theirs',
    body: Type.Object({ phone: PhoneNumber }, { additionalProperties: false }),
    status: 202,
  }),
  phoneWorks: route({
    method: 'post',
    path: '/api/alerts/phone/works',
    room,
    access: 'signed-in',
    summary: 'The code has come: texts go to this number from now on',
    body: Type.Object(
      { code: Type.String({ minLength: 6, maxLength: 12 }) },
      { additionalProperties: false },
    ),
    status: 200,
    answer: AlertSettings,
  }),
  addDevice: route({
    method: 'post',
    path: '/api/alerts/devices',
    room,
    access: 'signed-in',
    summary: 'Have alerts pushed to this device, as long as its session lasts, which is kept from then on',
    body: NewPushDevice,
    status: 201,
    answer: PushDevice,
  }),
  dropDevice: route({
    method: 'delete',
    path: '/api/alerts/devices/:deviceId',
    room,
    access: 'signed-in',
    summary: 'Push nothing more to a device',
    params: Type.Object({ deviceId: Uuid }),
    status: 204,
  }),
  test: route({
    method: 'post',
    path: '/api/alerts/test',
    room,
    access: 'signed-in',
    summary: 'Send the guardian a message to try a channel',
    body: Type.Object({ channel: ChannelSchema }, { additionalProperties: false }),
    status: 202,
    answer: Delivery,
  }),
  digest: route({
    method: 'get',
    path: '/api/alerts/digest',
    room,
    access: 'signed-in',
    summary: 'The digest of the days up to now',
    status: 200,
    answer: Digest,
  }),
  digestPaper: route({
    method: 'get',
    path: '/api/alerts/digest.pdf',
    room,
    access: 'signed-in',
    heavy: true,
    summary: 'The digest of the days up to now, to print',
    status: 200,
    produces: 'application/pdf',
  }),
  read: route({
    method: 'get',
    path: '/api/alerts/:alertId',
    room,
    access: 'signed-in',
    summary: 'One alert',
    params,
    status: 200,
    answer: Alert,
  }),
  stopMail: route({
    method: 'post',
    path: '/api/mail-stop/:token',
    room,
    access: 'public',
    summary: 'Stop mail with the address that stands in each of them',
    params: Type.Object({ token: Type.String({ maxLength: 100 }) }),
    status: 204,
  }),
  takeUpMail: route({
    method: 'delete',
    path: '/api/mail-stop/:token',
    room,
    access: 'public',
    summary: 'Take mail up again with that address',
    params: Type.Object({ token: Type.String({ maxLength: 100 }) }),
    status: 204,
  }),
};
