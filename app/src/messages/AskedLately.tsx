import { useTranslation } from 'react-i18next';
import { useChildren, useFormat } from '../household';
import { Stack, Words } from '../ui';
import { useTeachersQuery } from './api';

/** So many letters are named. */
const most = 3;

/** What the family has asked a teacher lately, so that nothing is asked twice. */
export function AskedLately({ studentId, teacherId }: { studentId: string; teacherId: string }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { nameOf } = useChildren();
  const { data } = useTeachersQuery(studentId);
  const receiver = data?.teachers.find(({ id }) => id === teacherId);
  const lately = receiver?.lately ?? [];
  if (lately.length === 0) return null;
  return (
    <Stack space={0.25}>
      <Words size="small" bold>
        {t('message.lately', { name: receiver?.name ?? '' })}
      </Words>
      {lately.slice(0, most).map(({ author, subject, at, answered, studentId: about }) => (
        <Words key={`${at}${subject}`} size="small" colour="soft">
          {t(answered ? 'message.askedAnswered' : 'message.askedOpen', {
            ...{ author, subject, child: nameOf(about), when: format.relative(at) },
          })}
        </Words>
      ))}
    </Stack>
  );
}
