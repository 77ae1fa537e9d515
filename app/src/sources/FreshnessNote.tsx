import { useTranslation } from 'react-i18next';
import type { Freshness } from '@cadro/contract';
import { useFormat } from '../household';
import { Words } from '../ui';

/** A source that cannot be read: since when, and how old what one sees is. */
export function SourceDown({ freshness: { sourceName, failingSince, readAt } }: { freshness: Freshness }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (!failingSince) return null;
  const when = readAt ? format.dayTime(readAt) : t('shell.neverRead');
  return (
    <Words size="small" colour="plum">
      {t('shell.sourceDown', { source: sourceName, since: format.dayTime(failingSince), when })}
    </Words>
  );
}
