import type { TFunction } from 'i18next';
import type { DayMark } from '@cadro/contract';

/** What a mark says, in words: 'absent, no reason given'. */
export function markWord(
  t: TFunction,
  { kind, excused, code }: Pick<DayMark, 'kind' | 'excused' | 'code'>,
): string {
  if (kind === null) return t('days.kinds.unknown', { code });
  return t(`days.kinds.${kind === 'absent' && excused ? 'excused' : kind}`);
}
