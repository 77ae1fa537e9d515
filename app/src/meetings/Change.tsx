import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { Meeting, MeetingMove } from '@cadro/contract';
import { Trouble } from '../household';
import { Heading, Quietly, Row, Stack, Words } from '../ui';
import { useGiveMeetingBackMutation, useMoveMeetingMutation, useSlotsQuery } from './api';
import { SlotList } from './Offered';
import { useTurn } from './useChange';
import { WhenAndWhere } from './WhenAndWhere';

/** Another time: one that is offered, or one that is said. */
function Move({ meeting, onDone }: { meeting: Meeting; onDone: () => void }) {
  const { t } = useTranslation();
  const { data } = useSlotsQuery();
  const [move, { isLoading, error, originalArgs }] = useMoveMeetingMutation();
  const { id: meetingId, teacherId, studentId, timeZone, offered } = meeting;
  const turn = useTurn<Pick<MeetingMove, 'to'>>(meeting, (change) => move({ meetingId, move: change }));
  const own = (data?.slots ?? []).filter(
    (slot) => slot.teacherId === teacherId && slot.studentId === studentId,
  );
  const to = async (where: MeetingMove['to']) => {
    if (await turn(() => ({ to: where }))) onDone();
  };
  const asked = originalArgs?.move.to;
  const taking = isLoading && asked && 'slotId' in asked ? asked.slotId : null;
  return (
    <Stack>
      <Heading level={2}>{t('meeting.move')}</Heading>
      {offered ? <Words colour="soft">{t('meeting.moveLead')}</Words> : null}
      <SlotList
        slots={own}
        taking={taking}
        label={t('meeting.take')}
        onTake={({ id: slotId }) => void to({ slotId })}
      />
      <WhenAndWhere
        {...{ timeZone, error }}
        before={meeting}
        busy={isLoading && taking === null}
        onKeep={(given) => void to(given)}
      />
      <Quietly label={t('meeting.noMove')} onPress={onDone} />
    </Stack>
  );
}

/** A meeting that is ahead is moved, or given back. */
export function Change({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  const [moving, setMoving] = useState(false);
  const [giveBack, { error }] = useGiveMeetingBackMutation();
  const give = useTurn(meeting, ({ version }) => giveBack({ meetingId: meeting.id, version }));
  if (moving) return <Move meeting={meeting} onDone={() => setMoving(false)} />;
  return (
    <Stack space={0.5}>
      <Row wrap space={2}>
        <Quietly label={t('meeting.move')} onPress={() => setMoving(true)} />
        <Quietly label={t('meeting.giveBack')} onPress={() => void give(() => ({}))} />
      </Row>
      <Trouble error={error} />
    </Stack>
  );
}
