import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import { useChangeFollowUpMutation, useFollowUpQuery } from '../followups/api';
import { Trouble, useFormat } from '../household';
import { Action, fileName, LinkAction, saveAddress, Stack } from '../ui';
import { usePaperMutation, useTeachersQuery } from './api';
import type { Receiver } from './receiver';

/** A letter on paper is put down in what it is about, as one by mail puts itself down. */
function HandedOver({
  followUpId,
  note,
  lookAgainOn,
}: {
  followUpId: string;
  note: string;
  lookAgainOn: string;
}) {
  const { t } = useTranslation();
  const router = useRouter();
  const { data } = useFollowUpQuery(followUpId);
  const [change, { isLoading, error }] = useChangeFollowUpMutation();
  if (!data) return null;
  const put = async () => {
    const { version } = data;
    const said = { version, step: 'waiting-on-school' as const, note, lookAgainOn };
    if ((await change({ followUpId, change: said })).data) router.replace(`/talk/follow-ups/${followUpId}`);
  };
  return (
    <>
      <Trouble error={error} />
      <Action label={t('message.handedOver')} busy={isLoading} onPress={() => void put()} />
    </>
  );
}

/** So many days a letter on paper is given before one looks again. */
const paperDays = 5;

/** Somebody without an address: by way of the office, or on paper. */
export function OnPaper({
  studentId,
  teacher,
  followUpId,
  subject,
  text,
}: {
  studentId: string;
  followUpId: string | null;
  teacher: Receiver;
  subject: string;
  text: string;
}) {
  const { t } = useTranslation();
  const format = useFormat();
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
      {followUpId && text.trim() ? (
        <HandedOver
          followUpId={followUpId}
          note={t('message.paperNote', { teacher: teacher.name, text })}
          lookAgainOn={format.daysAhead(paperDays)}
        />
      ) : null}
      {office ? (
        <LinkAction
          label={t('message.toOffice', { office: office.name })}
          href={`/talk/write?studentId=${studentId}&teacherId=${office.id}&passOnTo=${encodeURIComponent(teacher.name)}`}
        />
      ) : null}
    </Stack>
  );
}
