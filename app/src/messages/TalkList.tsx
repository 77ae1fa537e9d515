import type { Href } from 'expo-router';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ThreadSummary } from '@cadro/contract';
import { FromSchools } from '../announcements';
import { FollowUpList } from '../followups';
import { useChildren, useDraftsQuery, useFormat } from '../household';
import { Heading, LinkAction, List, Loaded, Page, Row, RowLink, styles, WayOn, Words } from '../ui';
import { useThreadsQuery } from './api';

function ThreadRow({ thread, selected }: { thread: ThreadSummary; selected: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const { teacher, studentId, lastMessage, unread, courseTitle } = thread;
  const context = [
    nameOf(studentId),
    ...(courseTitle ? [courseTitle] : []),
    ...(lastMessage ? [format.relative(lastMessage.at)] : []),
  ].join(' · ');
  const last = lastMessage?.text || lastMessage?.files.map(({ name }) => name).join(', ');
  return (
    <RowLink
      href={`/talk/threads/${thread.id}`}
      label={[
        `${teacher.name}${unread ? ` · ${t('talk.unread')}` : ''}`,
        context,
        ...(last ? [last] : []),
      ].join('. ')}
      selected={selected}
    >
      <Words bold>{`${teacher.name}${unread ? ` · ${t('talk.unread')}` : ''}`}</Words>
      <Words size="small" colour="soft">
        {context}
      </Words>
      {last ? (
        <Words size="small" colour="soft" lines={1}>
          {last}
        </Words>
      ) : null}
    </RowLink>
  );
}

/** What has been begun and neither sent nor thrown away. */
function BegunList() {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf, shown } = useChildren();
  const { data } = useDraftsQuery(undefined, { refetchOnMountOrArgChange: true });
  const own = (data?.drafts ?? []).filter(({ studentId }) => shown.some(({ id }) => id === studentId));
  if (own.length === 0) return null;
  return (
    <View>
      <Heading level={2}>{t('begun.title')}</Heading>
      <List>
        {own.map(({ key, studentId, kind, title, place, savedAt }) => {
          const saved = t('begun.saved', { kind: t(`begun.kinds.${kind}`), when: format.relative(savedAt) });
          const context = `${nameOf(studentId)} · ${saved}`;
          return (
            <RowLink key={key} href={place as Href} label={`${title}. ${context}`}>
              <Words bold>{title}</Words>
              <Words size="small" colour="soft">
                {context}
              </Words>
            </RowLink>
          );
        })}
      </List>
    </View>
  );
}

/** The ways to what each child shows its family. */
function FromChildren() {
  const { t } = useTranslation();
  const { shown } = useChildren();
  return (
    <Row wrap style={styles.spread}>
      {shown
        .filter(({ role }) => role === 'guardian' || role === 'look-only')
        .map(({ id, givenName }) => (
          <WayOn key={id} label={t('desk.from.title', { child: givenName })} href={`/talk/from/${id}`} />
        ))}
    </Row>
  );
}

/** Who does what next: follow-ups, letters, and what the schools announce. */
export function TalkList({ selected }: { selected?: string }) {
  const { t } = useTranslation();
  const query = useThreadsQuery();
  const { shown, mayTalk } = useChildren();
  const ids = new Set(shown.map(({ id }) => id));
  const mayWrite = shown.some(({ id }) => mayTalk(id));
  return (
    <Loaded query={query}>
      {({ threads }) => {
        const own = threads.filter(({ studentId }) => ids.has(studentId));
        return (
          <Page>
            <Row wrap style={styles.apart}>
              <Heading level={1}>{t('talk.title')}</Heading>
              {mayWrite ? <LinkAction label={t('talk.newLetter')} href="/talk/write" /> : null}
            </Row>
            <Row wrap style={styles.spread}>
              <WayOn label={t('sitdown.title')} href="/talk/sit-down" />
              <WayOn label={t('meeting.title')} href="/talk/meetings" />
              <WayOn label={t('search.title')} href="/search" />
            </Row>
            <BegunList />
            <FromSchools {...(selected ? { selected } : {})} />
            <FollowUpList {...(selected ? { selected } : {})} />
            <View>
              <Row style={styles.apartBase}>
                <Heading level={2}>{t('talk.threads')}</Heading>
                {own.length === 0 ? (
                  <Words size="small" colour="soft">
                    {t('talk.noThreads')}
                  </Words>
                ) : null}
              </Row>
              {own.length === 0 ? null : (
                <List>
                  {own.map((thread) => (
                    <ThreadRow key={thread.id} thread={thread} selected={thread.id === selected} />
                  ))}
                </List>
              )}
            </View>
            <FromChildren />
            <Row wrap style={styles.spread}>
              <WayOn label={t('notes.title')} href="/talk/notes" />
              <WayOn label={t('contacts.title')} href="/talk/contacts" />
              <WayOn label={t('around.title')} href="/talk/around" />
            </Row>
          </Page>
        );
      }}
    </Loaded>
  );
}
