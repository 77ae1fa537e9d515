import { View } from 'react-native';
import { useRouter } from 'expo-router';
import { useTranslation } from 'react-i18next';
import type { OfferedSlot } from '@cadro/contract';
import { Trouble, useChildren, useFormat } from '../household';
import { Action, Heading, Quiet, Row, Stack, styles, Words } from '../ui';
import { useBookSlotMutation, useSlotsQuery } from './api';
import { useBusy } from './useBusy';
import { whenWords, whereWords } from './words';

/** One time: when, where, who at home is free, and the way to take it. */
function SlotRow({
  slot,
  free,
  busy,
  label,
  onTake,
}: {
  slot: OfferedSlot;
  /** Who at home is free then, in words; empty while it is not known. */
  free: string;
  busy: boolean;
  label: string;
  onTake: () => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const when = whenWords(t, format, slot);
  const said = [
    ...(slot.state === 'ours' ? [t('meeting.ours')] : []),
    whereWords(t, slot),
    ...(free ? [free] : []),
  ].join(' · ');
  return (
    <View role="listitem" style={styles.gap8}>
      <View>
        <Words bold>{when}</Words>
        <Words size="small" colour="soft">
          {said}
        </Words>
      </View>
      <Row>
        <Action
          label={label}
          hint={t('meeting.takeHint', { when, teacher: slot.teacherName })}
          busy={busy}
          onPress={onTake}
        />
      </Row>
    </View>
  );
}

/** Times of one person for one child. */
export function SlotList({
  slots,
  taking,
  label,
  onTake,
}: {
  slots: readonly OfferedSlot[];
  taking: string | null;
  label: string;
  onTake: (slot: OfferedSlot) => void;
}) {
  const known = useBusy();
  return (
    <View role="list" style={styles.gap16}>
      {slots.map((slot) => (
        <SlotRow
          key={`${slot.id}${slot.studentId}`}
          {...{ slot, label }}
          free={known?.said(slot) ?? ''}
          busy={taking === slot.id}
          onTake={() => onTake(slot)}
        />
      ))}
    </View>
  );
}

const placeOf = ({ teacherId, studentId }: OfferedSlot): string => `${teacherId}:${studentId}`;

/** The times that schools offer, by whom they are with and for whom. @param only those of one person for one child. */
export function Offered({ only }: { only?: { teacherId: string; studentId: string } }) {
  const { t } = useTranslation();
  const router = useRouter();
  const { data } = useSlotsQuery();
  const { shown, nameOf } = useChildren();
  const [book, { isLoading, error, originalArgs }] = useBookSlotMutation();
  if (!data) return null;
  const ids = new Set(shown.map(({ id }) => id));
  const own = data.slots.filter(({ teacherId, studentId }) =>
    only ? teacherId === only.teacherId && studentId === only.studentId : ids.has(studentId),
  );
  const places = [...new Set(own.map(placeOf))];
  const take = async ({ id: slotId, studentId }: OfferedSlot) => {
    const { data: meeting } = await book({ slotId, studentId });
    if (meeting) router.push(`/talk/meetings/${meeting.id}`);
  };
  if (own.length === 0) return only ? null : <Quiet>{t('meeting.offeredNone')}</Quiet>;
  return (
    <Stack space={2}>
      {only ? <Heading level={2}>{t('meeting.offered')}</Heading> : null}
      <Trouble error={error} />
      {places.map((place) => {
        const [first, ...others] = own.filter((slot) => placeOf(slot) === place);
        if (!first) return null;
        return (
          <Stack key={place}>
            {only ? null : (
              <Heading level={3}>
                {t('meeting.offeredFor', { teacher: first.teacherName, child: nameOf(first.studentId) })}
              </Heading>
            )}
            <SlotList
              slots={[first, ...others]}
              taking={isLoading ? (originalArgs?.slotId ?? null) : null}
              label={t('meeting.take')}
              onTake={(slot) => void take(slot)}
            />
          </Stack>
        );
      })}
    </Stack>
  );
}
