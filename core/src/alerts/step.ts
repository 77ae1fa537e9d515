import type { AlertKind, AlertReason, AlertSubject } from '@cadro/contract';
import { dayMs } from '../dates';
import { instantOf } from '../gradebook';
import { hasHappened } from './rules';
import type { Signal } from './signal';

const hourMs = 60 * 60 * 1000;
/** What comes back within this is the same alert as before. */
const sameAgainMs = 7 * dayMs;
/** An alert names no more than this of what has happened, and remembers no more than that of what it has named. */
const mostEvents = 30;
const mostKnown = 300;

/**
 * What comes to an alert joins it at once and is told of its own only when the last telling is this long ago. Looks
 * are a day apart at times, hence a little less than whole days.
 */
const pauseMs: Readonly<Record<AlertKind, number>> = {
  figure: 5 * dayMs - hourMs,
  work: 2 * dayMs - hourMs,
  coming: 0,
  comment: dayMs - hourMs,
  attendance: 3 * dayMs - hourMs,
  term: 0,
  school: 0,
  good: 2 * dayMs - hourMs,
  upkeep: 7 * dayMs - hourMs,
};

/** An alert as it stands between two looks. Instants are ISO 8601. */
export interface AlertState extends AlertSubject {
  /** Counts up when the same cause comes back after it was over for long. */
  readonly episode: number;
  /** When it was first told in this episode; null while it has not been: such an alert is shown to nobody. */
  readonly raisedAt: string | null;
  readonly toldAt: string | null;
  /** When something last came to it. */
  readonly newsAt: string | null;
  /** Since when nothing of it holds; null while something does. */
  readonly overAt: string | null;
  readonly reasons: readonly AlertReason[];
  /** Ids of the reasons that have been told, have joined, or were there before the first look. */
  readonly known: readonly string[];
  /** Ids of the reasons that the last telling was about. */
  readonly told: readonly string[];
  /** The reasons as they were when it was first told: its title is theirs, and does not change afterwards. */
  readonly titled: readonly AlertReason[];
}

/** One alert told, for the first time or again with news. */
export interface Telling {
  readonly key: string;
  readonly again: boolean;
  readonly reasonIds: readonly string[];
}

export interface Look {
  readonly states: readonly AlertState[];
  readonly signals: readonly Signal[];
  readonly asOfMs: number;
  /** Whether the guardian does not want to hear of it now. */
  readonly silenced: (subject: AlertSubject) => boolean;
  /** The first look of all takes in what is there and tells nothing of it. */
  readonly first: boolean;
}

interface Cause {
  readonly subject: AlertSubject;
  readonly signals: readonly Signal[];
}

function causesOf(signals: readonly Signal[]): Map<string, Cause> {
  const causes = new Map<string, Cause>();
  for (const signal of signals) {
    const { key, kind, studentId, courseId, courseTitle } = signal;
    const known = causes.get(key);
    const subject = { key, kind, studentId, courseId, courseTitle };
    causes.set(key, { subject, signals: [...(known?.signals ?? []), signal] });
  }
  return causes;
}

/** An alert nobody has been told of yet. */
const untold = (subject: AlertSubject, episode: number): AlertState => ({
  ...subject,
  episode,
  raisedAt: null,
  toldAt: null,
  newsAt: null,
  overAt: null,
  reasons: [],
  known: [],
  told: [],
  titled: [],
});

/** Whether an alert is of something that can end; one of words or of marks that have come is only read. */
export const canEnd = ({ reasons }: Pick<AlertState, 'reasons'>): boolean =>
  reasons.some((reason) => !hasHappened(reason));

/** What is so now first, then what has happened and still belongs to it. */
function gathered(before: AlertState, { signals }: Cause): AlertReason[] {
  const now = signals.map(({ reason }) => reason);
  const ids = new Set(now.map(({ id }) => id));
  const happened = before.reasons.filter((reason) => !ids.has(reason.id) && hasHappened(reason));
  return [...now, ...happened.slice(0, mostEvents)];
}

/** What a telling is titled by: the reasons of the first telling, those of a second look at the same instant among them. */
function titleOf(
  before: AlertState,
  reasons: readonly AlertReason[],
  told: readonly string[],
  same: boolean,
): readonly AlertReason[] {
  const first = before.titled.length === 0 || (same && before.raisedAt === before.toldAt);
  return first ? reasons.filter(({ id }) => told.includes(id)) : before.titled;
}

function looked(
  before: AlertState,
  cause: Cause,
  look: Look,
): { state: AlertState; telling: Telling | null } {
  const now = instantOf(look.asOfMs);
  const known = new Set(before.known);
  const fresh = cause.signals.filter(({ reason }) => !known.has(reason.id));
  const base: AlertState = { ...before, ...cause.subject, overAt: null, reasons: gathered(before, cause) };
  const all = [...known, ...fresh.map(({ reason }) => reason.id)].slice(-mostKnown);
  if (look.first) return { state: { ...base, known: all }, telling: null };
  if (fresh.length === 0 || look.silenced(cause.subject)) return { state: base, telling: null };
  const sinceTold = before.toldAt === null ? Infinity : look.asOfMs - Date.parse(before.toldAt);
  // A second look at the same instant adds to what the first one told.
  const same = Math.abs(sinceTold) < 1000;
  const rests = !same && sinceTold < pauseMs[before.kind];
  if (rests) {
    // What has happened has joined now; what lasts is told when the pause is over, if it lasts till then.
    const joined = fresh.flatMap(({ reason }) => (hasHappened(reason) ? [reason.id] : []));
    return { state: { ...base, known: [...known, ...joined], newsAt: now }, telling: null };
  }
  const reasonIds = [...(same ? before.told : []), ...fresh.map(({ reason }) => reason.id)];
  return {
    state: {
      ...base,
      known: all,
      told: reasonIds,
      titled: titleOf(before, base.reasons, reasonIds, same),
      toldAt: now,
      newsAt: now,
      raisedAt: before.raisedAt ?? now,
    },
    telling: { key: before.key, again: before.toldAt !== null && !same, reasonIds },
  };
}

/** The state a cause meets: its own, or a new episode where the last one has been over for long. */
function metBy(cause: Cause, state: AlertState | undefined, asOfMs: number): AlertState {
  if (!state) return untold(cause.subject, 1);
  const longOver = state.overAt !== null && asOfMs - Date.parse(state.overAt) > sameAgainMs;
  return longOver ? untold(cause.subject, state.episode + 1) : state;
}

/**
 * One look at what holds: raises one alert for each cause, lets later news join it, ends what no longer holds, and
 * says what is to be told. Looking twice at the same is looking once.
 */
export function step(look: Look): { states: AlertState[]; tellings: Telling[] } {
  const causes = causesOf(look.signals);
  const byKey = new Map(look.states.map((state) => [state.key, state]));
  const ended = look.states
    .filter(({ key }) => !causes.has(key))
    .map((state) => (state.overAt === null ? { ...state, overAt: instantOf(look.asOfMs) } : state));
  const results = [...causes.values()].map((cause) =>
    looked(metBy(cause, byKey.get(cause.subject.key), look.asOfMs), cause, look),
  );
  return {
    states: [...ended, ...results.map(({ state }) => state)],
    tellings: results.flatMap(({ telling }) => telling ?? []),
  };
}

/** Whether a reason by a rule stands in an alert that is not over. */
export const standsIn =
  (states: readonly AlertState[]) =>
  (key: string, rule: AlertReason['rule']): boolean =>
    states.some(
      (state) =>
        state.key === key && state.overAt === null && state.reasons.some((reason) => reason.rule === rule),
    );
