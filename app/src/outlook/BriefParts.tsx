import { StyleSheet } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Brief } from '@cadro/contract';
import { MailReturned } from '../alerts';
import { OnTheCalendar } from '../calendar';
import { ownerWords } from '../followups';
import { Leaving, PeopleNews, Unconfirmed, useChildren, useFormat, useMeQuery } from '../household';
import { beginning } from '../i18n';
import { SourceDown } from '../sources';
import { Heading, Icon, List, Row, Stack, styles, WayOn, Words } from '../ui';
import { ComingList } from './ComingList';

/** What went well since: said before what asks for something. */
export function GoodNews({ brief }: { brief: Brief }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  if (brief.goodNews.length === 0) return null;
  return (
    <List label={t('brief.goodNews')} style={own.lines}>
      {brief.goodNews.map(({ studentId, itemId, title, was, now }) => (
        <Row key={`${studentId}:${itemId}`}>
          <Icon name="work" active />
          <Words size="small" bold colour="teal" style={styles.shrink}>
            {t('brief.was', {
              child: nameOf(studentId),
              title,
              was: t(`kinds.${was}`),
              now: t('item.score', {
                earned: format.amount(now.earned ?? 0),
                possible: format.amount(now.possible),
              }),
            })}
          </Words>
        </Row>
      ))}
    </List>
  );
}

/** What can no longer be turned in: said once, and it asks for nothing. */
export function Closed({ brief }: { brief: Brief }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  if (brief.closed.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('brief.closed')}</Heading>
      <List style={own.lines}>
        {brief.closed.map(({ studentId, courseId, courseTitle, works, countsAs }) => (
          <Words key={`${studentId}:${courseId}`}>
            {t('brief.closedLine', {
              ...{ child: nameOf(studentId), course: courseTitle, count: works.length },
              titles: format.list(works.map(({ title }) => title)),
              as: countsAs > 0 ? format.percent(countsAs) : '0',
            })}
          </Words>
        ))}
      </List>
    </Stack>
  );
}

function InHand({ brief }: { brief: Brief }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  if (brief.inHand.length === 0) return null;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('brief.inHand')}</Heading>
      <List style={own.lines}>
        {brief.inHand.map(({ followUpId, studentId, title, lookAgainOn, owner, asked }) => (
          <WayOn
            key={followUpId}
            label={[
              lookAgainOn
                ? t('brief.comesBack', { child: nameOf(studentId), title, when: format.dayLong(lookAgainOn) })
                : t('brief.noDate', { child: nameOf(studentId), title }),
              ownerWords(t, { owner, asked }, nameOf(studentId)),
            ].join(' · ')}
            href={`/talk/follow-ups/${followUpId}`}
          />
        ))}
      </List>
    </Stack>
  );
}

/** The way to all that came since the last look. */
export function WhatIsNew({ fresh: { since, looked, counts } }: { fresh: Brief['fresh'] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const count = counts.reduce((sum, each) => sum + each.count, 0);
  const label = looked
    ? t('news.brief', { count, when: format.recent(since) })
    : t('news.briefFirst', { count });
  return <WayOn label={label} href="/brief/new" />;
}

/** How many matters there are, and as of when. */
export function BriefTitle({ brief, count }: { brief: Brief; count: number }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { data: me } = useMeQuery();
  const readAt = brief.freshness.flatMap((source) => (source.readAt ? [source.readAt] : [])).sort()[0];
  const when = readAt ? format.recent(readAt) : t('shell.neverRead');
  return (
    <Stack space={0.25}>
      <Heading level={1}>
        {t('brief.title', { count, number: format.small(count), name: me?.givenName ?? '' })}
      </Heading>
      <Words colour="soft">
        {[beginning(format.dayLong(brief.asOf)), t('shell.readAt', { when })].join(' · ')}
      </Words>
      {brief.freshness.map((source) => (
        <SourceDown key={source.sourceName} freshness={source} />
      ))}
      <Unconfirmed />
      <Leaving />
      <PeopleNews />
      <MailReturned />
    </Stack>
  );
}

/** What is in hand and what is coming: below the matters, or beside them where there is room. */
export function Ahead({ brief }: { brief: Brief }) {
  const { t } = useTranslation();
  return (
    <Stack space={3}>
      <InHand brief={brief} />
      {brief.coming.length > 0 ? (
        <Stack>
          <Heading level={2}>{t('brief.coming')}</Heading>
          <ComingList days={brief.coming.slice(0, 3)} most={4} />
        </Stack>
      ) : null}
      <OnTheCalendar />
    </Stack>
  );
}

const own = StyleSheet.create({ lines: { gap: 4 } });
