import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { Meeting, MeetingGuest } from '@cadro/contract';
import { Trouble, useMeQuery } from '../household';
import { Action, Field, Heading, Quiet, Quietly, Row, Stack, styles, Words } from '../ui';
import { useInviteGuestMutation, useUninviteGuestMutation } from './api';

function GuestRow({ guest, onTakeBack }: { guest: MeetingGuest; onTakeBack: (() => void) | null }) {
  const { t } = useTranslation();
  const { name, address, answer, answeredBy, words, wordsBy, state } = guest;
  const said =
    answer && state !== 'came-back' ? t(`meeting.answers.${answer}`) : t(`meeting.guestState.${state}`);
  return (
    <View role="listitem">
      <Words bold>{`${name} · ${said}`}</Words>
      <Words size="small" colour="soft">
        {address}
      </Words>
      {answeredBy ? <Words size="small">{t('meeting.answeredBy', { address: answeredBy })}</Words> : null}
      {words ? <Words size="small">{t('meeting.says', { words })}</Words> : null}
      {wordsBy ? <Words size="small">{t('meeting.answeredBy', { address: wordsBy })}</Words> : null}
      {onTakeBack ? (
        <Quietly
          label={t('meeting.uninvite')}
          hint={t('meeting.uninviteHint', { name })}
          onPress={onTakeBack}
        />
      ) : null}
    </View>
  );
}

/** To whose calendar the meeting has gone, what they answer, and the way to ask somebody else. */
export function Guests({ meeting, mayAsk }: { meeting: Meeting; mayAsk: boolean }) {
  const { t } = useTranslation();
  const { data: me } = useMeQuery();
  const [name, setName] = useState('');
  const [address, setAddress] = useState('');
  const [invite, { isLoading, error }] = useInviteGuestMutation();
  const [uninvite] = useUninviteGuestMutation();
  const { id: meetingId, guests } = meeting;
  const ask = async (guest: { name: string; address: string }) => {
    const { data } = await invite({ meetingId, ...guest });
    if (!data) return;
    setName('');
    setAddress('');
  };
  const own = me && !guests.some((guest) => guest.address.toLowerCase() === me.email.toLowerCase());
  return (
    <Stack>
      <Heading level={2}>{t('meeting.guests')}</Heading>
      {guests.length === 0 ? <Quiet>{t('meeting.guestsNone')}</Quiet> : null}
      <View role="list" style={styles.gap8}>
        {guests.map((guest) => (
          <GuestRow
            key={guest.id}
            guest={guest}
            onTakeBack={mayAsk ? () => void uninvite({ meetingId, guestId: guest.id }) : null}
          />
        ))}
      </View>
      {mayAsk ? (
        <>
          {own ? (
            <Row>
              <Quietly
                label={t('meeting.inviteMe')}
                onPress={() => void ask({ name: me.name, address: me.email })}
              />
            </Row>
          ) : null}
          <Field label={t('meeting.inviteName')} value={name} onChange={setName} longest={100} />
          <Field
            label={t('meeting.inviteAddress')}
            kind="email"
            value={address}
            onChange={setAddress}
            longest={320}
          />
          <Trouble error={error} />
          <Action
            label={t('meeting.invite')}
            busy={isLoading}
            disabled={!name.trim() || !address.includes('@')}
            onPress={() => void ask({ name: name.trim(), address: address.trim() })}
          />
        </>
      ) : null}
    </Stack>
  );
}
