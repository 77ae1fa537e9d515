import { useTranslation } from 'react-i18next';
import type { Announcement } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { RowLink, Words } from '../ui';
import { waitsFor } from './asks';
import { givenWords, wantedWords } from './words';

/** One announcement in a list: what it is called, what it wants, and what was answered. */
export function AnnouncementRow({
  announcement,
  selected,
}: {
  announcement: Announcement;
  selected: boolean;
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
      <Words bold={!read || needs}>{named}</Words>
      {said ? (
        <Words size="small" colour={needs ? 'plum' : 'ink'}>
          {said}
        </Words>
      ) : null}
      <Words size="small" colour="soft" lines={1}>
        {context}
      </Words>
    </RowLink>
  );
}
