import { useTranslation } from 'react-i18next';
import { Trouble } from '../household';
import { Action, fileName, LinkAction, saveAddress, Stack } from '../ui';
import { usePaperMutation, useTeachersQuery } from './api';
import type { Receiver } from './receiver';

/** Somebody without an address: by way of the office, or on paper. */
export function OnPaper({
  studentId,
  teacher,
  subject,
  text,
}: {
  studentId: string;
  teacher: Receiver;
  subject: string;
  text: string;
}) {
  const { t } = useTranslation();
  const [make, { isLoading, error }] = usePaperMutation();
  const { data } = useTeachersQuery(studentId);
  const office = data?.teachers.find(({ kind, contactable }) => kind === 'office' && contactable);
  const print = async () => {
    const { data: address } = await make({ studentId, teacherId: teacher.id, subject, text });
    if (address) saveAddress(fileName(subject, 'pdf'), address);
  };
  return (
    <Stack>
      <Trouble error={error} />
      <Action
        main
        label={t('message.print')}
        busy={isLoading}
        disabled={!subject.trim() || !text.trim()}
        onPress={() => void print()}
      />
      {office ? (
        <LinkAction
          label={t('message.toOffice', { office: office.name })}
          href={`/talk/write?studentId=${studentId}&teacherId=${office.id}&passOnTo=${encodeURIComponent(teacher.name)}`}
        />
      ) : null}
    </Stack>
  );
}
