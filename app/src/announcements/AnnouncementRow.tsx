import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Announcement } from '@cadro/contract';
import { MarkOf, useChildren, useFormat } from '../household';
import { Row, RowLink, styles, Words } from '../ui';
import { waitsFor } from './asks';
import { givenWords, wantedWords } from './words';

/** One announcement in a list: what it is called, what it wants, and what was answered. */
export function AnnouncementRow({
  announcement,
  selected,
  brief,
}: {
  announcement: Announcement;
  selected: boolean;
  /** Two lines: whose it is, is drawn; from where it comes, is left to its page where it wants something. */
  brief?: boolean;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf, shown } = useChildren();
  const { id, title, studentIds, schoolName, courseTitle, postedAt, read, kept, answers } = announcement;
  const context = [
    format.list(studentIds.map(nameOf)),
    courseTitle ?? schoolName,
    format.relative(postedAt),
  ].join(' · ');
  const waits = waitsFor(announcement, new Set(shown.map((child) => child.id)));
  const needs = waits && !announcement.helpers;
  const wanted = wantedWords(t, format, announcement);
  const given = answers.map((answer) => givenWords(t, answer, nameOf(answer.studentId)));
  const said = waits ? wanted : [...given, ...(given.length === 0 && wanted ? [wanted] : [])].join(' ');
  const named = [title, ...(read ? [] : [t('talk.unread')]), ...(kept ? [t('school.isKept')] : [])].join(
    ' · ',
  );
  return (
    <RowLink
      href={`/talk/school/${id}`}
      label={[named, ...(said ? [said] : []), context].join('. ')}
      selected={selected}
    >
      <Row style={styles.top}>
        {brief ? studentIds.map((each) => <MarkOf key={each} studentId={each} />) : null}
        <View style={styles.fill}>
          <Words bold={!read || needs}>{named}</Words>
          {said ? (
            <Words size="small" colour={needs ? 'plum' : 'ink'}>
              {said}
            </Words>
          ) : null}
          {brief && said ? null : (
            <Words size="small" colour="soft" lines={1}>
              {context}
            </Words>
          )}
        </View>
      </Row>
    </RowLink>
  );
}
