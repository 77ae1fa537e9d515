import { useTranslation } from 'react-i18next';
import type { PeopleNotice } from '@cadro/contract';
import { Heading, Quietly, Stack, WayOn, Words } from '../../ui';
import { useMeQuery } from '../api';
import { usePeopleQuery, useReadNoticesMutation } from './api';
import { useFormat } from '../useFormat';

/** What has changed about who sees what, the latest first. */
export function Notices({ notices }: { notices: readonly PeopleNotice[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { data: me } = useMeQuery();
  const [read] = useReadNoticesMutation();
  if (notices.length === 0) return null;
  const childOf = (id: string | null) => me?.children.find((child) => child.id === id)?.givenName ?? '';
  return (
    <Stack>
      <Heading level={2}>{t('people.newsTitle')}</Heading>
      {notices.slice(0, 12).map(({ id, kind, name, studentId, device, at, read: seen }) => (
        <Stack key={id} space={0}>
          <Words bold={!seen}>
            {t(`people.kinds.${kind}`, {
              who: name ?? t('people.unnamed'),
              child: childOf(studentId),
              device: device || t('safety.unknownDevice'),
            })}
          </Words>
          <Words size="small" colour="soft">
            {format.recent(at)}
          </Words>
        </Stack>
      ))}
      {notices.some(({ read: seen }) => !seen) ? (
        <Quietly label={t('people.newsRead')} onPress={() => void read()} />
      ) : null}
    </Stack>
  );
}

/** A line on the Brief while there is something of it that one has not seen. */
export function PeopleNews() {
  const { t } = useTranslation();
  const { data } = usePeopleQuery();
  const count = data?.notices.filter(({ read }) => !read).length ?? 0;
  return count > 0 ? <WayOn label={t('people.news', { count })} href="/settings/people" /> : null;
}
