import { useTranslation } from 'react-i18next';
import type { Meeting } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { RowLink, Words } from '../ui';
import { stateWords, whenWords, whereWords } from './words';

/** One meeting in a list: with whom, about whom, when and where. */
export function MeetingRow({ meeting, selected }: { meeting: Meeting; selected: boolean }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const title = t('meeting.about', { teacher: meeting.teacherName, child: nameOf(meeting.studentId) });
  const when = whenWords(t, format, meeting);
  const more = stateWords(t, meeting) || whereWords(t, meeting);
  return (
    <RowLink href={`/talk/meetings/${meeting.id}`} label={[title, when, more].join('. ')} selected={selected}>
      <Words bold>{title}</Words>
      <Words size="small">{when}</Words>
      <Words size="small" colour={meeting.state === 'called-off' ? 'plum' : 'soft'}>
        {more}
      </Words>
    </RowLink>
  );
}
