import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { CalendarFeed, CalendarLayer, FeedBody } from '@cadro/contract';
import { useChildren, useFormat } from '../../household';
import { Action, Heading, Quietly, Row, Stack, styles, themed, Words } from '../../ui';
import {
  useChangeFeedMutation,
  useCreateFeedMutation,
  useRenewFeedMutation,
  useRevokeFeedMutation,
} from './elsewhereApi';
import { FeedForm } from './FeedForm';

/** What one usually wants beside the family's own appointments. */
const usualLayers: CalendarLayer[] = ['test', 'due', 'offer', 'school', 'meeting', 'closed'];

/** What can be done with an address: copied, changed, renewed, ended. */
function FeedActs({ feed: { id, name, url }, onEdit }: { feed: CalendarFeed; onEdit: () => void }) {
  const { t } = useTranslation();
  const [copied, setCopied] = useState(false);
  const [renew] = useRenewFeedMutation();
  const [revoke] = useRevokeFeedMutation();
  // Where a browser does not allow it, the address stands there to be copied by hand.
  const copy = () =>
    navigator.clipboard.writeText(url).then(
      () => setCopied(true),
      () => setCopied(false),
    );
  const makeNew = () => {
    setCopied(false);
    void renew(id);
  };
  return (
    <Row wrap space={2}>
      <Quietly
        label={t(copied ? 'elsewhere.copied' : 'elsewhere.copy')}
        hint={name}
        onPress={() => void copy()}
      />
      <Quietly label={t('elsewhere.change')} hint={name} onPress={onEdit} />
      <Quietly label={t('elsewhere.renew')} hint={name} onPress={makeNew} />
      <Quietly label={t('elsewhere.revoke')} hint={name} onPress={() => void revoke(id)} />
    </Row>
  );
}

function Feed({ feed }: { feed: CalendarFeed }) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  const { nameOf } = useChildren();
  const [editing, setEditing] = useState(false);
  const [change, { isLoading }] = useChangeFeedMutation();
  const { id, name, layers, studentIds, url, readAt } = feed;
  const keep = async (body: FeedBody) => {
    const answer = await change({ feedId: id, ...body });
    if (answer.data) setEditing(false);
  };
  return (
    <Stack space={0.5} style={looks.ruled}>
      <Heading level={3}>{name}</Heading>
      <Words size="small" colour="soft">
        {[
          studentIds.length > 0 ? format.list(studentIds.map(nameOf)) : t('shell.everyone'),
          ...layers.map((layer) => t(`calendar.layer.${layer}`)),
        ].join(' · ')}
      </Words>
      <Words size="small" style={looks.address}>
        {url}
      </Words>
      <Words size="small" colour="soft">
        {readAt ? t('elsewhere.readAt', { when: format.recent(readAt) }) : t('elsewhere.neverRead')}
      </Words>
      <FeedActs feed={feed} onEdit={() => setEditing(!editing)} />
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
    <View style={styles.gap16}>
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

const useLooks = themed((palette) => ({
  /** A long address breaks where it must: only the browser knows this. */
  address: { wordBreak: 'break-all' } as object,
  ruled: { borderBottomWidth: 1, borderColor: palette.line, paddingBottom: 16 },
}));
