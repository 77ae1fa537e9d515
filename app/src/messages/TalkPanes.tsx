import type { ReactNode } from 'react';
import { useFollowUpQuery } from '../followups/api';
import { CourseFacts, useItemQuery } from '../gradebook';
import { Page, Panes, useBroad } from '../ui';
import { TalkList } from './TalkList';

/** What an address of Talk names. */
interface Asked {
  readonly followUpId?: string;
  readonly threadId?: string;
  readonly announcementId?: string;
  readonly studentId?: string;
  readonly courseId?: string;
  readonly itemId?: string;
}

/** The course that a follow-up, or what is being written, is about; null where it is about none. */
function useCourseOf({ followUpId = '', ...asked }: Asked): { studentId: string; courseId: string } | null {
  const { data: followUp } = useFollowUpQuery(followUpId, { skip: followUpId === '' });
  const { studentId = '', courseId, itemId = '' } = asked;
  const { data: item } = useItemQuery(
    { studentId, itemId },
    { skip: studentId === '' || itemId === '' || courseId !== undefined },
  );
  if (followUp)
    return followUp.courseId ? { studentId: followUp.studentId, courseId: followUp.courseId } : null;
  const course = courseId ?? item?.course.id;
  return studentId && course ? { studentId, courseId: course } : null;
}

/** Talk on a wide screen: what is in hand, what is open, and where there is room the facts it is about. */
export function TalkPanes({ asked, children }: { asked: Asked; children: ReactNode }) {
  const broad = useBroad();
  const about = useCourseOf(asked);
  const selected = asked.followUpId ?? asked.threadId ?? asked.announcementId;
  return (
    <Panes
      list={<TalkList {...(selected ? { selected } : {})} />}
      detail={children}
      third={
        broad && about ? (
          <Page>
            <CourseFacts {...about} />
          </Page>
        ) : null
      }
    />
  );
}
