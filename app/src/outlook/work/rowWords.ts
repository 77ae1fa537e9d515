import type { TFunction } from 'i18next';
import type { WorkRow } from '@cadro/contract';
import { frameOf, type FrameKind } from '../../ui';
import { creditWords, daysTo, gainParts, sourcesWords, turnInWords } from '../../gradebook';
import type { Format } from '../../i18n';

export const frameOfRow = ({ kind, said }: WorkRow): FrameKind =>
  kind === 'unmarked' ? 'handed-in' : frameOf(said.status, kind);

/** Why it stands here, in a sentence; empty where its part says it already. */
export function reasonWords(t: TFunction, format: Format, row: WorkRow): string {
  // What may only be under way is called by no other name.
  if (row.doubt === 'doubtful') return '';
  if (row.doubt === 'apart') return t('work.reasons.apart');
  switch (row.kind) {
    case 'zero':
      return t(`work.reasons.${row.remarked ? 'zeroRemarked' : row.flagsMissing ? 'zero' : 'zeroHere'}`);
    case 'unmarked': {
      const since = row.said.status === 'open' ? row.dueAt : row.said.at;
      const days = since ? -format.daysBetween(format.today, since) : '';
      return t(row.said.status === 'open' ? 'work.reasons.unmarkedInClass' : 'work.reasons.unmarked', {
        days,
      });
    }
    case 'again': {
      const { earned } = row.said;
      const score = { earned: format.amount(earned ?? 0), possible: format.amount(row.possible) };
      return t('work.reasons.again', { now: t('item.score', score) });
    }
    case null:
      if (row.group !== 'waiting') return '';
      return t(row.said.status === 'open' ? 'work.reasons.taken' : 'work.reasons.waiting');
    case 'at-floor':
      return t(row.remarked ? 'work.reasons.at-floorRemarked' : 'work.reasons.at-floor');
    default:
      return t(`work.reasons.${row.kind}`);
  }
}

/** What each of two sources says, with its age: laid side by side. */
export function bothWords(t: TFunction, format: Format, row: WorkRow): string[] {
  return row.other ? sourcesWords(t, format, row.said, row.other, row.possible) : [];
}

/** Until when it is taken and for how much, with the days that are left. */
export function untilWords(t: TFunction, format: Format, row: WorkRow): string {
  if (row.doubt === 'doubtful') return '';
  if (row.group === 'coming' && row.dueAt) {
    return t('work.due', { date: format.day(row.dueAt), when: format.relative(row.dueAt) });
  }
  if (row.kind === null || row.kind === 'unmarked') {
    return row.said.at
      ? t('work.since', { date: format.day(row.said.at), when: format.relative(row.said.at) })
      : '';
  }
  if (!row.recoverable || !row.deadline) return t('work.tooLate');
  return t('work.until', {
    date: format.day(row.deadline),
    left: t('work.daysLeft', { count: daysTo(format, row.deadline) }),
    credit: creditWords(t, format, row.credit ?? 1),
  });
}

/** A loose end that can be made up, for a narrow list: what it is and until when in few words, and the days that are left, to be drawn. */
export function briefly(
  t: TFunction,
  format: Format,
  { group, kind, recoverable, deadline, credit }: WorkRow,
): { kind: string; until: string; deadline: string; left: string } | null {
  if (group !== 'loose' || kind === null || kind === 'unmarked' || !recoverable || !deadline) return null;
  return {
    kind: t(`kinds.${kind}`),
    until: turnInWords(t, format, deadline, credit),
    deadline,
    left: t('work.daysLeft', { count: daysTo(format, deadline) }),
  };
}

/** What it does to the grade: the gain of a loose end, what rides on work to come; empty where it is nothing. */
export const effectWords = (t: TFunction, format: Format, row: WorkRow): ReturnType<typeof gainParts> =>
  row.kind === null || row.doubt === 'doubtful' ? null : gainParts(t, format, row.impact, row.outOf);

export function stakeWords(t: TFunction, format: Format, row: WorkRow): string {
  if (row.kind !== null || row.impact === null || row.impact < 0.005) return '';
  const gain = format.amount(row.impact);
  return row.outOf <= 10 ? t('work.stakeOf', { gain, outOf: row.outOf }) : t('work.stake', { gain });
}

/** Where its facts come from and how old they are. */
export const sourceLine = (t: TFunction, format: Format, row: WorkRow): string =>
  row.readAt ? t('work.sources.read', { school: row.said.sourceName, when: format.recent(row.readAt) }) : '';

/** What a work that is settled was, and what it came to. */
export function settledWords(t: TFunction, format: Format, { group, was, said, possible }: WorkRow): string {
  if (group !== 'settled' || !was) return '';
  const now =
    said.earned === null
      ? t(`item.states.${said.status}`)
      : t('item.score', { earned: format.amount(said.earned), possible: format.amount(possible) });
  return t(`item.was.${was}`, { now });
}

/** What matters less: what rides on it, how long it takes, what is needed for it. */
export function lesserWords(t: TFunction, format: Format, row: WorkRow): string {
  const { group, early, supplies, effort } = row;
  const over = group === 'settled' || group === 'excused' || group === 'waiting';
  return [
    stakeWords(t, format, row),
    group === 'coming' && early ? t('work.early') : '',
    supplies.length > 0 && group !== 'settled' ? t('work.supplies', { list: format.list(supplies) }) : '',
    over ? '' : t(effort.told ? 'work.minutesTold' : 'work.minutes', { count: effort.minutes }),
  ]
    .filter(Boolean)
    .join(' · ');
}
