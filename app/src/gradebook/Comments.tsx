import { useTranslation } from 'react-i18next';
import type { Comment, CourseDetail } from '@cadro/contract';
import { useFormat } from '../household';
import { Quiet, SaveCsv, Stack, Words } from '../ui';
import { OfferCard, OfferedWords } from './OfferCard';

/** A teacher's words, each with what they are about, newest first. */
export function Comments({
  comments,
  none,
  studentId,
}: {
  comments: readonly Comment[];
  none: string;
  studentId: string;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  if (comments.length === 0) return <Quiet>{none}</Quiet>;
  return (
    <Stack space={2}>
      {comments.map(({ id, text, author, subject, writtenAt, offers }) => (
        <Stack key={id} space={0.25}>
          <OfferedWords text={text} offers={offers} />
          <Words size="small" colour="soft">
            {t('item.signed', {
              author,
              subject: t(`item.subjects.${subject}`),
              date: format.date(writtenAt),
            })}
          </Words>
          {offers.map((offer) => (
            <OfferCard key={offer.place} offer={offer} studentId={studentId} commentId={id} />
          ))}
        </Stack>
      ))}
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
        course.comments.map(({ writtenAt, author, subject, itemId, text }) => [
          writtenAt,
          author,
          t(`item.subjects.${subject}`),
          titleOf(itemId),
          text,
        ])
      }
    />
  );
}
