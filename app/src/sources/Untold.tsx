import { useTranslation } from 'react-i18next';
import type { SourcePart } from '@cadro/contract';
import { Quiet } from '../ui';
import { useSourcesQuery } from './api';

/** The name of a child's source that does not give a part of what it is asked for; null where it does. */
function useUntold(studentId: string, part: SourcePart): string | null {
  const { data } = useSourcesQuery();
  const source = data?.sources.find(({ studentIds }) => studentIds.includes(studentId));
  return source?.untold.includes(part) ? source.name : null;
}

/** Where there is nothing: whether the school does not share such a thing at all, or has nothing of it yet. */
export function NothingYet({
  studentId,
  what,
  none,
}: {
  studentId: string;
  what: 'attendance' | 'comments';
  none: string;
}) {
  const { t } = useTranslation();
  const source = useUntold(studentId, 'feed');
  return <Quiet>{source === null ? none : t(`settings.notShared.${what}`, { source })}</Quiet>;
}
