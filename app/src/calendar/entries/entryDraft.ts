import type { Entry, EntryBody, OwnEntryKind } from '@cadro/contract';
import { lightFormat as stamp } from 'date-fns/lightFormat';
import { getDate } from 'date-fns/getDate';
import { parseISO } from 'date-fns/parseISO';
import { timeOf } from '../../i18n';

/** How often an entry comes; `other` keeps a rule that none of these makes. */
export const repeats = [
  'never',
  'daily',
  'school-days',
  'weekly',
  'fortnightly',
  'monthly',
  'other',
] as const;
export type Repeat = (typeof repeats)[number];

/** What the form holds; a text for every field, as it is typed. */
export interface EntryDraft {
  readonly kind: OwnEntryKind;
  readonly title: string;
  readonly text: string;
  readonly studentIds: readonly string[];
  readonly shared: boolean;
  readonly on: string | null;
  readonly lastOn: string | null;
  readonly startsAt: string;
  readonly endsAt: string;
  readonly repeat: Repeat;
  readonly until: string | null;
  /** The rule of an entry that came from elsewhere than this form. */
  readonly rule: string | null;
  readonly itemId: string | null;
  readonly daysBefore: number;
}

const weekdays = ['SU', 'MO', 'TU', 'WE', 'TH', 'FR', 'SA'] as const;
const untilOf = /;UNTIL=(\d{4})(\d{2})(\d{2})(T\d{6}Z?)?$/;

/** The rule of a repetition by its first day: weekly is on the weekday of that day. */
export function ruleOf({ repeat, on, until, rule }: Pick<EntryDraft, 'repeat' | 'on' | 'until' | 'rule'>) {
  if (repeat === 'never' || on === null) return null;
  if (repeat === 'other') return rule;
  const day = parseISO(on);
  const weekday = weekdays[day.getDay()];
  const base = {
    daily: 'FREQ=DAILY',
    'school-days': 'FREQ=WEEKLY;BYDAY=MO,TU,WE,TH,FR',
    weekly: `FREQ=WEEKLY;BYDAY=${weekday}`,
    fortnightly: `FREQ=WEEKLY;INTERVAL=2;BYDAY=${weekday}`,
    monthly: `FREQ=MONTHLY;BYMONTHDAY=${getDate(day)}`,
  }[repeat];
  return until ? `${base};UNTIL=${stamp(parseISO(until), 'yyyyMMdd')}` : base;
}

/** The repetition that makes a rule, and until when. */
export function repeatOf(on: string | null, rule: string | null): Pick<EntryDraft, 'repeat' | 'until'> {
  if (rule === null) return { repeat: 'never', until: null };
  const [whole, year, month, day] = untilOf.exec(rule) ?? [];
  const until = whole ? `${year}-${month}-${day}` : null;
  const found = repeats.find(
    (repeat) => repeat !== 'other' && ruleOf({ repeat, on, until, rule: null }) === rule,
  );
  return found ? { repeat: found, until } : { repeat: 'other', until: null };
}

export const emptyDraft = (given: Partial<EntryDraft>): EntryDraft => ({
  ...{ kind: 'reminder', title: '', text: '', studentIds: [], shared: true, on: null, lastOn: null },
  ...{ startsAt: '', endsAt: '', repeat: 'never', until: null, rule: null, itemId: null, daysBefore: 2 },
  ...given,
});

export const draftOf = (entry: Entry): EntryDraft => ({
  ...emptyDraft({}),
  ...repeatOf(entry.on, entry.rule),
  kind: entry.kind,
  title: entry.title,
  text: entry.text ?? '',
  studentIds: entry.studentIds,
  shared: entry.shared,
  on: entry.on,
  lastOn: entry.lastOn,
  startsAt: entry.startsAt ?? '',
  endsAt: entry.endsAt ?? '',
  rule: entry.rule,
  itemId: entry.itemId,
  daysBefore: entry.daysBefore ?? 0,
});

/** What is sent: only what the kind of entry has. */
export function bodyOf(draft: EntryDraft): EntryBody {
  const { kind, itemId } = draft;
  const atWork = itemId !== null;
  const timed = kind === 'reminder' || kind === 'event';
  return {
    kind,
    title: draft.title.trim(),
    text: draft.text.trim() || null,
    studentIds: [...draft.studentIds],
    shared: draft.shared,
    on: atWork ? null : draft.on,
    lastOn: kind === 'event' && !atWork && draft.repeat === 'never' ? draft.lastOn : null,
    startsAt: timed ? timeOf(draft.startsAt) : null,
    endsAt: kind === 'event' ? timeOf(draft.endsAt) : null,
    rule: atWork || kind === 'note' ? null : ruleOf(draft),
    itemId,
    daysBefore: atWork ? draft.daysBefore : null,
  };
}
