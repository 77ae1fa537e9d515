import {
  alertRoutes as routes,
  type AlertSettingsChange,
  type AlertStateName,
  type Channel,
  type NewPushDevice,
  type Rehearsal,
  type RehearsalLine,
  type Silence,
} from '@cadro/contract';
import type { AlertRules } from '@cadro/core';
import { addressOf, api, endpointsBy, nothing } from '../store';

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
  endpoints: endpointsBy((by) => ({
    alerts: by.kept(routes.list, (filter: AlertFilter) => ({ query: queryOf(filter) }), {
      providesTags: ['Alerts'],
    }),
    alertCounts: by.kept(routes.count, nothing, { providesTags: ['Alerts'] }),
    alert: by.kept(routes.read, (alertId: string) => ({ params: { alertId } }), {
      providesTags: ['Alerts'],
    }),
    putAlerts: by.mutation(routes.change, (body: { ids: string[]; state: AlertStateName }) => ({ body }), {
      invalidatesTags: ['Alerts', 'Talk'],
    }),
    alertSettings: by.kept(routes.settings, nothing, { providesTags: ['Alerts'] }),
    changeAlertSettings: by.mutation(routes.changeSettings, (body: AlertSettingsChange) => ({ body }), {
      invalidatesTags: ['Alerts'],
    }),
    silence: by.mutation(routes.silence, (body: Silence) => ({ body }), { invalidatesTags: ['Alerts'] }),
    unsilence: by.mutation(routes.unsilence, (silenceId: string) => ({ params: { silenceId } }), {
      invalidatesTags: ['Alerts'],
    }),
    addDevice: by.mutation(routes.addDevice, (body: NewPushDevice) => ({ body }), {
      invalidatesTags: ['Alerts', 'Safety'],
    }),
    dropDevice: by.mutation(routes.dropDevice, (deviceId: string) => ({ params: { deviceId } }), {
      invalidatesTags: ['Alerts'],
    }),
    tryChannel: by.mutation(routes.test, (channel: Channel) => ({ body: { channel } }), {
      invalidatesTags: ['Alerts'],
    }),
    sendPhoneCode: by.mutation(routes.phoneCode, (phone: string) => ({ body: { phone } })),
    confirmPhone: by.mutation(routes.phoneWorks, (code: string) => ({ body: { code } }), {
      invalidatesTags: ['Alerts'],
    }),
    digest: by.kept(routes.digest, nothing, { providesTags: ['Record', 'Alerts'] }),
    stopMail: by.mutation(routes.stopMail, (token: string) => ({ params: { token } })),
    takeUpMail: by.mutation(routes.takeUpMail, (token: string) => ({ params: { token } })),
  })),
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
  useAddDeviceMutation,
  useDropDeviceMutation,
  useTryChannelMutation,
  useSendPhoneCodeMutation,
  useConfirmPhoneMutation,
  useDigestQuery,
  useStopMailMutation,
  useTakeUpMailMutation,
} = alertsApi;

export const alertsFile = (filter: AlertFilter): string => addressOf(routes.file, { query: queryOf(filter) });
export const digestPaper = (): string => addressOf(routes.digestPaper, {});
export const liveAddress = (): string => addressOf(routes.live, {});

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
  const answer = await fetch(addressOf(routes.rehearse, {}), {
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
