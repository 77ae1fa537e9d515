import {
  alertRoutes as routes,
  type Alert,
  type AlertRules,
  type AlertSettings,
  type AlertSettingsChange,
  type AlertStateName,
  type AnswerOf,
  type Channel,
  type Delivery,
  type Digest,
  type KeptSilence,
  type Rehearsal,
  type RehearsalLine,
  type Silence,
} from '@cadro/contract';
import { addressOf, api } from '../store/api';

export interface AlertFilter {
  readonly state: AlertStateName;
  readonly kind?: string;
  readonly studentId?: string;
  readonly q?: string;
  readonly beside?: string;
}

const queryOf = (filter: AlertFilter): Record<string, string> =>
  Object.fromEntries(Object.entries(filter).filter(([, value]) => value));

export const alertsApi = api.injectEndpoints({
  endpoints: (build) => ({
    alerts: build.query<AnswerOf<typeof routes.list>, AlertFilter>({
      query: (filter) => ({ route: routes.list, query: queryOf(filter) }),
      providesTags: ['Alerts'],
    }),
    alertCounts: build.query<AnswerOf<typeof routes.count>, void>({
      query: () => ({ route: routes.count }),
      providesTags: ['Alerts'],
    }),
    alert: build.query<Alert, string>({
      query: (alertId) => ({ route: routes.read, params: { alertId } }),
      providesTags: ['Alerts'],
    }),
    putAlerts: build.mutation<null, { ids: string[]; state: AlertStateName }>({
      query: (body) => ({ route: routes.change, body }),
      invalidatesTags: ['Alerts', 'Talk'],
    }),
    alertSettings: build.query<AlertSettings, void>({
      query: () => ({ route: routes.settings }),
      providesTags: ['Alerts'],
    }),
    changeAlertSettings: build.mutation<AlertSettings, AlertSettingsChange>({
      query: (body) => ({ route: routes.changeSettings, body }),
      invalidatesTags: ['Alerts'],
    }),
    silence: build.mutation<KeptSilence, Silence>({
      query: (body) => ({ route: routes.silence, body }),
      invalidatesTags: ['Alerts'],
    }),
    unsilence: build.mutation<null, string>({
      query: (silenceId) => ({ route: routes.unsilence, params: { silenceId } }),
      invalidatesTags: ['Alerts'],
    }),
    tryChannel: build.mutation<Delivery, Channel>({
      query: (channel) => ({ route: routes.test, body: { channel } }),
      invalidatesTags: ['Alerts'],
    }),
    digest: build.query<Digest, void>({
      query: () => ({ route: routes.digest }),
      providesTags: ['Record', 'Alerts'],
    }),
    stopMail: build.mutation<null, string>({
      query: (token) => ({ route: routes.stopMail, params: { token } }),
    }),
    takeUpMail: build.mutation<null, string>({
      query: (token) => ({ route: routes.takeUpMail, params: { token } }),
    }),
  }),
});
export const {
  useAlertsQuery,
  useAlertCountsQuery,
  useAlertQuery,
  usePutAlertsMutation,
  useAlertSettingsQuery,
  useChangeAlertSettingsMutation,
  useSilenceMutation,
  useUnsilenceMutation,
  useTryChannelMutation,
  useDigestQuery,
  useStopMailMutation,
  useTakeUpMailMutation,
} = alertsApi;

export const alertsFile = (filter: AlertFilter): string =>
  addressOf({ route: routes.file, query: queryOf(filter) });
export const digestPaper = (): string => addressOf({ route: routes.digestPaper });
export const liveAddress = (): string => addressOf({ route: routes.live });

const isLine = (value: unknown): value is RehearsalLine => typeof value === 'object' && value !== null;

/**
 * Tries rules on the past at the server; it writes how far it is, line by line, and the answer last.
 * @throws when the server cannot be reached, cannot try them, or `signal` ends it.
 */
export async function rehearseRules(
  rules: AlertRules,
  progress: (done: number) => void,
  signal: AbortSignal,
): Promise<Rehearsal> {
  const answer = await fetch(addressOf({ route: routes.rehearse }), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(rules),
    signal,
  });
  if (!answer.ok || !answer.body) throw new Error(`a rehearsal was answered with ${answer.status}`);
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (let part = await reader.read(); !part.done; part = await reader.read()) {
    const lines = (rest + part.value).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) {
      const said: unknown = JSON.parse(line);
      if (!isLine(said) || 'failed' in said) throw new Error('the rules could not be tried');
      if ('rehearsal' in said) return said.rehearsal;
      progress(said.done);
    }
  }
  throw new Error('a rehearsal ended without an answer');
}
