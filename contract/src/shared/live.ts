/**
 * What a browser is told of while it is open, as the names of server-sent events: alerts that came, alerts that were put
 * down, and what somebody of the family has just done.
 */
export const liveKinds = [
  'news',
  'state',
  'talk',
  'notes',
  'announced',
  'desk',
  'plan',
  'sitdown',
  'meetings',
] as const;
export type LiveKind = (typeof liveKinds)[number];
