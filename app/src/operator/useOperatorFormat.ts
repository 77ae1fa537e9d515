import { useMemo, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { makeFormat, type Format } from '../i18n';

/** Numbers and days for one who runs this Cadro: of no school, and so in the zone of their own machine. */
export function useOperatorFormat(): Format {
  const { i18n } = useTranslation();
  const [here] = useState(() => ({
    zone: new Intl.DateTimeFormat().resolvedOptions().timeZone,
    now: new Date().toISOString(),
  }));
  return useMemo(() => makeFormat(i18n.language, here.zone, here.now), [i18n.language, here]);
}
