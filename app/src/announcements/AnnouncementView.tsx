import { useEffect } from 'react';
import { useTranslation } from 'react-i18next';
import { wantsAnswer, type Announcement, type AnnouncementState } from '@cadro/contract';
import { Trouble, useChildren, useFormat } from '../household';
import { BackLink, Heading, Loaded, MarkedWords, Page, Quietly, Row, Stack, Words } from '../ui';
import { Answers } from './Answers';
import { useAnnouncementQuery, useKeepAnnouncementMutation } from './api';
import { Parts } from './Parts';

/** Where it stands with this guardian: kept, put away, read. */
function Shelving({ announcement: { id, title, kept, archived } }: { announcement: Announcement }) {
  const { t } = useTranslation();
  const [keep, { error }] = useKeepAnnouncementMutation();
  const put = (state: AnnouncementState) => void keep({ announcementId: id, state });
  return (
    <Stack space={0.5}>
      <Row wrap space={2}>
        <Quietly
          label={t(kept ? 'school.unkeep' : 'school.keep')}
          hint={title}
          onPress={() => put({ kept: !kept })}
        />
        <Quietly
          label={t(archived ? 'school.bringBack' : 'school.putAway')}
          hint={title}
          onPress={() => put({ archived: !archived })}
        />
        <Quietly label={t('school.unread')} hint={title} onPress={() => put({ read: false })} />
      </Row>
      <Trouble error={error} />
    </Stack>
  );
}

function Whole({ announcement }: { announcement: Announcement }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const [keep] = useKeepAnnouncementMutation();
  const { id, title, text, studentIds, schoolName, courseTitle, postedAt, takenBack, parts, stated, wish } =
    announcement;
  // Opened once is read; 'unread' on this page stays so.
  useEffect(() => void keep({ announcementId: id, state: { read: true } }), [id, keep]);
  const context = [
    format.list(studentIds.map(nameOf)),
    ...(courseTitle ? [courseTitle] : []),
    schoolName,
    format.date(postedAt),
  ].join(' · ');
  return (
    <Page sheet>
      <BackLink href="/talk/school" label={t('talk.announcements')} />
      <Stack space={0.25}>
        <Words size="small" colour="soft">
          {context}
        </Words>
        <Heading level={1}>{title}</Heading>
      </Stack>
      {takenBack ? <Words colour="plum">{t('school.takenBackWhole', { school: schoolName })}</Words> : null}
      <MarkedWords text={text} marks={parts} />
      {!stated && wantsAnswer(wish) ? (
        <Words size="small" colour="soft">
          {t('school.readWish')}
        </Words>
      ) : null}
      <Answers announcement={announcement} />
      <Parts announcement={announcement} />
      <Shelving announcement={announcement} />
    </Page>
  );
}

/** One announcement: its words, what it wants, and what can be taken out of it. */
export function AnnouncementView({ announcementId }: { announcementId: string }) {
  const query = useAnnouncementQuery(announcementId);
  return <Loaded query={query}>{(announcement) => <Whole announcement={announcement} />}</Loaded>;
}
