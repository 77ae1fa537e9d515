import { use } from 'react';
import { useFormat } from '../household';
import { useAppSelector } from '../store';
import type * as DayMeant from './dayMeant';

let coming: Promise<typeof DayMeant> | undefined;

/** The day that words mean; what reads them comes when somebody first searches. */
export function useDayMeant(words: string): string | null {
  const { dayMeant } = use((coming ??= import('./dayMeant')));
  const language = useAppSelector((state) => state.prefs.language);
  const { today } = useFormat();
  return dayMeant(words, language, today);
}
