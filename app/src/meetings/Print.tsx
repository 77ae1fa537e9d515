import { useTranslation } from 'react-i18next';
import type { Meeting, PaperPages, TaughtCourse } from '@cadro/contract';
import { useLazyCourseQuery } from '../gradebook';
import { Trouble, useChildren, useFormat } from '../household';
import { fileName, OutLink, Quietly, Row, saveAddress, Stack } from '../ui';
import { meetingFile, useMeetingPaperMutation } from './api';
import { courseOnPage } from './bring';
import { useQuestions } from './PageToBring';
import { whenWords, whereWords } from './words';

const longest = 500;
/** Room to write on by hand. */
const blank = Array.from({ length: 6 }, () => '_'.repeat(60));

type Section = PaperPages['pages'][number]['sections'][number];

/** The page to bring as PDF, and the meeting for a calendar. */
export function Print({ meeting, courses }: { meeting: Meeting; courses: readonly TaughtCourse[] }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const questions = useQuestions(meeting, courses);
  const [courseOf] = useLazyCourseQuery();
  const [make, { error }] = useMeetingPaperMutation();
  const { studentId, teacherName: teacher } = meeting;
  const print = async () => {
    const sections: Section[] = [];
    const put = (title: string, ticks: boolean, lines: readonly string[]) => {
      const whole = lines.filter((line) => line !== '').map((line) => line.slice(0, longest));
      if (whole.length > 0) sections.push({ title: title.slice(0, 200), ticks, lines: whole });
    };
    for (const { id: courseId } of courses) {
      const { data } = await courseOf({ studentId, courseId }, true);
      if (!data) continue;
      const { title, figure, span, moved } = courseOnPage({ t, format }, data);
      put(t('meeting.figure', { course: title, figure }), false, [span, ...moved]);
    }
    put(
      t('meeting.questions'),
      true,
      questions.map(({ text }) => text),
    );
    put(t('meeting.printNotes'), false, meeting.notes ? meeting.notes.split('\n') : blank);
    const title = t('meeting.about', { teacher, child: nameOf(studentId) });
    const name = `${whenWords(t, format, meeting)}. ${whereWords(t, meeting)}`.slice(0, 100);
    const { data } = await make({ title, pages: [{ name, sections: sections.slice(0, 10) }] });
    if (data) saveAddress(fileName(title, 'pdf'), data);
  };
  return (
    <Stack space={0.5}>
      <Row>
        <Quietly label={t('meeting.print')} onPress={() => void print()} />
      </Row>
      <OutLink label={t('meeting.calendarFile')} href={meetingFile(meeting.id)} />
      <Trouble error={error} />
    </Stack>
  );
}
