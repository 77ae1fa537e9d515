import { useDeferredValue, useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Href } from 'expo-router';
import type { Found } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { BackLink, Field, Heading, Loaded, Page, Quiet, RowLink, Words } from '../ui';
import { useSearchTalkQuery } from './api';

/** Where something that was found stands. */
const placeOf = ({ kind, id, studentId }: Found): string => {
  if (kind === 'letter') return `/talk/threads/${id}`;
  if (kind === 'follow-up') return `/talk/follow-ups/${id}`;
  if (kind === 'meeting') return `/talk/meetings/${id}`;
  return kind === 'note' ? `/talk/notes?studentId=${studentId}` : `/talk/school/${id}`;
};

function FoundRow({ found }: { found: Found }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const { kind, studentId, title, excerpt, at } = found;
  const context = [t(`search.kinds.${kind}`), nameOf(studentId), format.date(at)].join(' · ');
  return (
    <RowLink href={placeOf(found) as Href} label={`${title}. ${context}`}>
      <Words bold>{title}</Words>
      <Words size="small" colour="soft">
        {context}
      </Words>
      {excerpt ? <Words size="small">{excerpt}</Words> : null}
    </RowLink>
  );
}

/** One search over letters, follow-ups, announcements, notes and meetings. */
export function SearchScreen() {
  const { t } = useTranslation();
  const [q, setQ] = useState('');
  const asked = useDeferredValue(q.trim());
  const query = useSearchTalkQuery(asked, { skip: asked.length < 2 });
  const { shown } = useChildren();
  return (
    <Page>
      <BackLink href="/talk" label={t('places.talk')} />
      <Heading level={1}>{t('search.title')}</Heading>
      <Field label={t('search.field')} hint={t('search.hint')} value={q} onChange={setQ} longest={100} />
      {asked.length < 2 ? null : (
        <Loaded query={query}>
          {({ found, more }) => {
            const own = found.filter(({ studentId }) => shown.some(({ id }) => id === studentId));
            return (
              <View>
                {own.length === 0 ? <Quiet>{t('search.none')}</Quiet> : null}
                {own.map((each, at) => (
                  <FoundRow key={`${at}${each.id}`} found={each} />
                ))}
                {more ? <Words colour="soft">{t('search.more')}</Words> : null}
              </View>
            );
          }}
        </Loaded>
      )}
    </Page>
  );
}
