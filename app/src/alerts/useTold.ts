import { useTranslation } from 'react-i18next';
import { languages, type AlertReason, type AlertSubject, type Language } from '@cadro/contract';
import { alertWords, tellAlert, type AlertWords, type ToldAlert } from '@cadro/core';
import { useChildren } from '../household';

/** The language alerts are told in here. */
export function useAlertWords(): AlertWords {
  return alertWords(useLanguage());
}

export function useLanguage(): Language {
  const { i18n } = useTranslation();
  return languages.find((language) => language === i18n.language) ?? 'en';
}

/** Tells alerts in the reader's language and the zone of the child's school. */
export function useTold(): (
  alert: AlertSubject & {
    readonly reasons: readonly AlertReason[];
    readonly titled?: readonly AlertReason[];
  },
  lead?: readonly string[],
) => ToldAlert {
  const language = useLanguage();
  const { all } = useChildren();
  return (alert, lead = []) => {
    const child = all.find(({ id }) => id === alert.studentId) ?? all[0];
    return tellAlert(language, alert, { timeZone: child?.timeZone ?? 'UTC', lead });
  };
}
