import { useTranslation } from 'react-i18next';
import { makeFormat, type Format } from '../i18n';
import { useMeQuery } from './api';

/** What was made last for each language: every line of a page asks for the same. */
const made = new Map<string, { readonly key: string; readonly format: Format }>();
function formatFor(language: string, timeZone: string, now: string): Format {
  const key = `${timeZone} ${now}`;
  const last = made.get(language);
  if (last?.key === key) return last.format;
  const format = makeFormat(language, timeZone, now);
  made.set(language, { key, format });
  return format;
}

/** Numbers and days as they are written in a language, in the zone of the first child's school. */
export function useFormatIn(): (language: string) => Format {
  const { data: me } = useMeQuery();
  const timeZone = me?.children[0]?.timeZone ?? 'UTC';
  const now = me?.now ?? '1970-01-01T00:00:00Z';
  return (language) => formatFor(language, timeZone, now);
}

/** Numbers and days as the signed-in guardian reads them. */
export function useFormat(): Format {
  const { i18n } = useTranslation();
  const formatIn = useFormatIn();
  return formatIn(i18n.language);
}
