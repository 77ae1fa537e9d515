import { useState } from 'react';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import type { NewMeeting } from '@cadro/contract';
import { useChildren } from '../household';
import { ReceiversOf } from '../messages';
import { useTeachersQuery } from '../messages/api';
import { BackLink, Heading, Loaded, Page, Quiet, Quietly, Stack } from '../ui';
import { useAddMeetingMutation } from './api';
import { FreeTimes } from './FreeTimes';
import { FromFile } from './FromFile';
import { Offered } from './Offered';
import { WhenAndWhere } from './WhenAndWhere';

type Person = { id: string; name: string };

/** A time that was agreed on elsewhere: by hand, or out of a file. */
function AgreedElsewhere({ studentId, teacher }: { studentId: string; teacher: Person }) {
  const { t } = useTranslation();
  const router = useRouter();
  const { all } = useChildren();
  const [open, setOpen] = useState(false);
  const [add, { isLoading, error }] = useAddMeetingMutation();
  const keep = async (given: Omit<NewMeeting, 'studentId' | 'teacherId'>) => {
    const { data } = await add({ studentId, teacherId: teacher.id, ...given });
    if (data) router.replace(`/talk/meetings/${data.id}`);
  };
  const timeZone = all.find(({ id }) => id === studentId)?.timeZone ?? 'UTC';
  return (
    <>
      <Stack>
        <Heading level={2}>{t('meeting.handTitle')}</Heading>
        {open ? (
          <WhenAndWhere {...{ timeZone, error }} busy={isLoading} onKeep={(given) => void keep(given)} />
        ) : (
          <Quietly label={t('meeting.hand')} onPress={() => setOpen(true)} open={false} />
        )}
      </Stack>
      <FromFile
        studentId={studentId}
        busy={isLoading}
        onTake={({ startsAt, endsAt, place }) =>
          void keep({ startsAt, endsAt, way: 'in-person', place: place && place.slice(0, 200), href: null })
        }
      />
    </>
  );
}

function With({ studentId, teacher }: { studentId: string; teacher: Person }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  return (
    <Page>
      <BackLink href="/talk/meetings/new" label={t('meeting.chooseOther')} />
      <Heading level={1}>{t('meeting.about', { teacher: teacher.name, child: nameOf(studentId) })}</Heading>
      <Offered only={{ teacherId: teacher.id, studentId }} />
      <FreeTimes {...{ studentId, teacher }} />
      <AgreedElsewhere {...{ studentId, teacher }} />
    </Page>
  );
}

/** Arranges a meeting: with whom, then at which time. */
export function ArrangeScreen({ studentId, teacherId }: { studentId?: string; teacherId?: string }) {
  const { t } = useTranslation();
  const { shown, mayTalk } = useChildren();
  const query = useTeachersQuery(studentId ?? '', { skip: !studentId });
  if (studentId && teacherId)
    return (
      <Loaded query={query}>
        {({ teachers }) => {
          const teacher = teachers.find(({ id }) => id === teacherId);
          return teacher ? <With {...{ studentId, teacher }} /> : <Quiet>{t('problems.not-found')}</Quiet>;
        }}
      </Loaded>
    );
  return (
    <Page>
      <BackLink href="/talk/meetings" label={t('meeting.title')} />
      <Heading level={1}>{t('meeting.withWhom')}</Heading>
      {shown
        .filter(({ id }) => mayTalk(id))
        .map(({ id }) => (
          <ReceiversOf
            key={id}
            studentId={id}
            hrefOf={(teacherId) => `/talk/meetings/new?studentId=${id}&teacherId=${teacherId}`}
          />
        ))}
    </Page>
  );
}
