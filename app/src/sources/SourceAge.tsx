import { useTranslation } from 'react-i18next';
import type { AnswerOf, sourceRoutes } from '@cadro/contract';
import { useFormat } from '../household';
import { Words } from '../ui';

export type SourceSeen = AnswerOf<typeof sourceRoutes.sources>['sources'][number];

/** How old what a source has told is, or since when it cannot be read. */
export function SourceAge({
  source: { name, kind, readAt, failingSince },
  lead,
}: {
  source: SourceSeen;
  /** What is said first in the same line, where all is well. */
  lead?: string;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const when = readAt ? format.recent(readAt) : t('shell.neverRead');
  const said = failingSince
    ? t('shell.sourceDown', { source: name, since: format.dayTime(failingSince), when })
    : t(kind === 'own' ? 'own.source' : 'settings.read', { when });
  return (
    <Words size="small" colour={failingSince ? 'plum' : 'soft'}>
      {lead && !failingSince ? `${lead} · ${said}` : said}
    </Words>
  );
}
