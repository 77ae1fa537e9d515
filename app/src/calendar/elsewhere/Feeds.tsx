import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CalendarFeed, CalendarLayer, FeedBody } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { Action, Heading, Quietly, Row, Stack, usePalette, Words } from '../../ui';
import {
  useChangeFeedMutation,
  useCreateFeedMutation,
  useRenewFeedMutation,
  useRevokeFeedMutation,
} from '../calendarApi';
import { FeedForm } from './FeedForm';

/** What one usually wants beside the family's own appointments. */
const usualLayers: CalendarLayer[] = ['test', 'due', 'offer', 'school', 'meeting', 'closed'];

function Feed({ feed }: { feed: CalendarFeed }) {
  const { t } = useTranslation();
  const format = useFormat();
  const palette = usePalette();
  const { nameOf } = useChildren();
  const [copied, setCopied] = useState(false);
  const [editing, setEditing] = useState(false);
  const [change, { isLoading }] = useChangeFeedMutation();
  const [renew] = useRenewFeedMutation();
  const [revoke] = useRevokeFeedMutation();
  const { id, name, layers, studentIds, url, readAt } = feed;
  // Where a browser does not allow it, the address stands there to be copied by hand.
  const copy = () =>
    navigator.clipboard.writeText(url).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  const keep = async (body: FeedBody) => {
    const answer = await change({ feedId: id, ...body });
    if (answer.data) setEditing(false);
  };
  return (
    <Stack space={0.5} style={{ borderBottomWidth: 1, borderColor: palette.line, paddingBottom: 16 }}>
      <Heading level={3}>{name}</Heading>
      <Words size="small" colour="soft">
        {[
          studentIds.length > 0 ? format.list(studentIds.map(nameOf)) : t('shell.everyone'),
          ...layers.map((layer) => t(`calendar.layer.${layer}`)),
        ].join(' · ')}
      </Words>
      <Words size="small" style={{ wordBreak: 'break-all' } as object}>
        {url}
      </Words>
      <Words size="small" colour="soft">
        {readAt ? t('elsewhere.readAt', { when: format.recent(readAt) }) : t('elsewhere.neverRead')}
      </Words>
      <Row wrap space={2}>
        <Quietly
          label={t(copied ? 'elsewhere.copied' : 'elsewhere.copy')}
          hint={name}
          onPress={() => void copy()}
        />
        <Quietly label={t('elsewhere.change')} hint={name} onPress={() => setEditing(!editing)} />
        <Quietly
          label={t('elsewhere.renew')}
          hint={name}
          onPress={() => {
            setCopied(false);
            void renew(id);
          }}
        />
        <Quietly label={t('elsewhere.revoke')} hint={name} onPress={() => void revoke(id)} />
      </Row>
      {editing ? (
        <FeedForm
          start={{ name, layers, studentIds }}
          action={t('entry.keep')}
          busy={isLoading}
          onKeep={(body) => void keep(body)}
        />
      ) : null}
    </Stack>
  );
}

/** Addresses that calendar programs read, each with what it holds. */
export function Feeds({ feeds }: { feeds: readonly CalendarFeed[] }) {
  const { t } = useTranslation();
  const [adding, setAdding] = useState(false);
  const [create, { isLoading }] = useCreateFeedMutation();
  const keep = async (body: FeedBody) => {
    const answer = await create(body);
    if (answer.data) setAdding(false);
  };
  return (
    <View style={{ gap: 16 }}>
      <Stack space={0.25}>
        <Heading level={2}>{t('elsewhere.feeds')}</Heading>
        <Words colour="soft">{t('elsewhere.feedsLead')}</Words>
      </Stack>
      {feeds.map((feed) => (
        <Feed key={feed.id} feed={feed} />
      ))}
      {adding ? (
        <FeedForm
          start={{ name: t('elsewhere.usualName'), layers: usualLayers, studentIds: [] }}
          action={t('elsewhere.make')}
          busy={isLoading}
          onKeep={(body) => void keep(body)}
        />
      ) : (
        <Action label={t('elsewhere.add')} onPress={() => setAdding(true)} />
      )}
    </View>
  );
}
