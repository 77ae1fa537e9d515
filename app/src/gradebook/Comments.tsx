import { useTranslation } from 'react-i18next';
import type { Comment } from '@cadro/contract';
import { useFormat } from '../i18n';
import { Quiet, Stack, Words } from '../ui';

/** A teacher's words, each with what they are about, newest first. */
export function Comments({ comments, none }: { comments: readonly Comment[]; none: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (comments.length === 0) return <Quiet>{none}</Quiet>;
  return (
    <Stack space={2}>
      {comments.map(({ id, text, author, subject, writtenAt }) => (
        <Stack key={id} space={0.25}>
          <Words>{t('matter.quote', { text })}</Words>
          <Words size="small" colour="soft">
            {t('item.signed', {
              author,
              subject: t(`item.subjects.${subject}`),
              date: format.date(writtenAt),
            })}
          </Words>
        </Stack>
      ))}
    </Stack>
  );
}
