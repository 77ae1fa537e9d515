import * as english from 'chrono-node/en';
import * as spanish from 'chrono-node/es';
import type { Language } from '@cadro/contract';

const parsers = { en: english, es: spanish } as const;

/**
 * The day that words mean: 'Oct 21', 'last Friday', '21 de octubre'. Null where they mean none, or only a time of day.
 * @param today `2026-10-21`, which days are counted from.
 */
export function dayMeant(words: string, language: Language, today: string): string | null {
  const [found] = parsers[language].parse(words, new Date(`${today}T12:00:00`));
  if (!found || found.text.length < words.trim().length) return null;
  const { start } = found;
  if (!start.isCertain('day') && !start.isCertain('weekday')) return null;
  const [year, month, day] = (['year', 'month', 'day'] as const).map((part) =>
    String(start.get(part) ?? '').padStart(2, '0'),
  );
  return `${year}-${month}-${day}`;
}
