import type { TFunction } from 'i18next';
import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import type { Comment, CourseDetail } from '@cadro/contract';
import { useFormat } from '../household';
import { OutLink, SaveCsv, Stack, Words } from '../ui';
import { recordingAddress } from './api';
import { OfferCard, OfferedWords } from './OfferCard';

/** Spoken words: played here, with what is said where the school gives it. */
function Spoken({ studentId, comment: { id, recording } }: { studentId: string; comment: Comment }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (!recording) return null;
  const length = t('item.recorded', { length: format.length(recording.seconds) });
  return (
    <Stack space={0.25}>
      <Words size="small" bold>
        {length}
      </Words>
      <audio controls preload="none" aria-label={length} src={recordingAddress(studentId, id)} />
      {recording.text ? <Words size="small">{t('matter.quote', { text: recording.text })}</Words> : null}
    </Stack>
  );
}

/** What exactly a teacher's words are about: the score, one answer, a place in the file. */
function aboutWords(t: TFunction, { about, subject }: Pick<Comment, 'about' | 'subject'>): string {
  if (!about) return t(`item.subjects.${subject}`);
  if (about.kind === 'answer') return t('item.onAnswer', { title: about.title });
  return about.place === null
    ? t('item.onFile', { title: about.title })
    : t('item.onPlace', { title: about.title, place: about.place });
}

/** A teacher's words, each with what they are about, newest first. */
export function Comments({
  comments,
  none,
  studentId,
  told = false,
}: {
  comments: readonly Comment[];
  /** What stands there where nothing is said. */
  none: ReactNode;
  studentId: string;
  /** Until when and for how much it can be made up stands above already. */
  told?: boolean;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  if (comments.length === 0) return none;
  return (
    <Stack space={2}>
      {comments.map((comment) => {
        const { id, text, author, writtenAt, offers, elsewhere } = comment;
        return (
          <Stack key={id} space={1}>
            <OfferedWords text={text} offers={offers} />
            <Words size="small" colour="soft">
              {t('item.signed', {
                author,
                subject: aboutWords(t, comment),
                date: format.date(writtenAt),
              })}
            </Words>
            <Spoken studentId={studentId} comment={comment} />
            {elsewhere ? <OutLink label={t('item.elsewhere')} href={elsewhere} /> : null}
            {offers.map((offer) => (
              <OfferCard key={offer.place} {...{ offer, studentId, told }} commentId={id} />
            ))}
          </Stack>
        );
      })}
    </Stack>
  );
}

/** Every remark of a course, on the course and on its works. */
export function CommentsCsv({ course }: { course: CourseDetail }) {
  const { t } = useTranslation();
  const titleOf = (itemId: string | null) => course.items.find(({ id }) => id === itemId)?.title ?? '';
  return (
    <SaveCsv
      name={t('course.csv.comments', { course: course.title })}
      columns={[
        t('course.csv.when'),
        t('course.csv.author'),
        t('course.csv.about'),
        t('course.csv.work'),
        t('course.csv.text'),
      ]}
      rows={() =>
        course.comments.map(({ writtenAt, author, subject, about, itemId, text }) => [
          writtenAt,
          author,
          aboutWords(t, { subject, about }),
          titleOf(itemId),
          text,
        ])
      }
    />
  );
}
