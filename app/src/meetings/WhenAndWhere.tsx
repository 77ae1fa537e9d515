import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { meetingWays, type Meeting, type MeetingWay, type NewMeeting } from '@cadro/contract';
import { instantAt } from '@cadro/core';
import { Trouble, useFormat } from '../household';
import { Action, Choice, Field, PickDay, Row, Stack, styles, Words } from '../ui';
import { timesOf } from './times';

type Given = Pick<NewMeeting, 'startsAt' | 'endsAt' | 'way' | 'place' | 'href'>;

interface Draft {
  readonly on: string | null;
  readonly from: string;
  readonly to: string;
  readonly way: MeetingWay;
  readonly place: string;
  readonly href: string;
}

const textOf = (words: string): string | null => words.trim() || null;

/** The fields of a time and a place. */
function Fields({ draft, set }: { draft: Draft; set: (change: Partial<Draft>) => void }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { on, from, to, way, place, href } = draft;
  return (
    <>
      <PickDay
        label={t('meeting.day')}
        value={on}
        today={format.today}
        from={format.today}
        onChange={(value) => set({ on: value })}
        dayLong={format.dayLong}
        monthName={format.month}
      />
      <Row space={2} style={styles.top}>
        <View style={styles.fill}>
          <Field
            label={t('meeting.from')}
            hint={t('entry.timeHint')}
            value={from}
            onChange={(value) => set({ from: value })}
            longest={5}
          />
        </View>
        <View style={styles.fill}>
          <Field
            label={t('meeting.to')}
            hint={t('entry.timeHint')}
            value={to}
            onChange={(value) => set({ to: value })}
            longest={5}
          />
        </View>
      </Row>
      <Choice
        titled
        label={t('meeting.way')}
        options={meetingWays.map((value) => ({ value, label: t(`meeting.ways.${value}`) }))}
        value={way}
        onChange={(value) => set({ way: value })}
      />
      {way === 'link' ? (
        <Field
          label={t('meeting.href')}
          value={href}
          onChange={(value) => set({ href: value })}
          longest={2000}
        />
      ) : (
        <Field
          label={t(way === 'phone' ? 'meeting.phonePlace' : 'meeting.place')}
          value={place}
          onChange={(value) => set({ place: value })}
          longest={200}
        />
      )}
    </>
  );
}

/** When and where one meets, put down by hand; by the school's clock. */
export function WhenAndWhere({
  timeZone,
  before,
  busy,
  error,
  onKeep,
}: {
  timeZone: string;
  /** How it is now; a new one where there is none. */
  before?: Meeting;
  busy: boolean;
  error: Parameters<typeof Trouble>[0]['error'];
  onKeep: (given: Given) => void;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const [draft, setDraft] = useState<Draft>({
    on: before ? format.dateOf(before.startsAt) : format.daysAhead(1),
    from: before ? format.time(before.startsAt) : '',
    to: before ? format.time(before.endsAt) : '',
    way: before?.way ?? 'in-person',
    place: before?.place ?? '',
    href: before?.href ?? '',
  });
  const times = timesOf(draft.from, draft.to);
  const begun = draft.from.trim() !== '' && draft.to.trim() !== '';
  const keep = () => {
    if (!times || !draft.on) return;
    const { on, way } = draft;
    const at = (time: string) => new Date(instantAt(timeZone, { on, time })).toISOString();
    onKeep({
      ...{ startsAt: at(times.from), endsAt: at(times.to), way },
      place: way === 'link' ? null : textOf(draft.place),
      href: way === 'link' ? textOf(draft.href) : null,
    });
  };
  return (
    <Stack>
      <Fields draft={draft} set={(change) => setDraft({ ...draft, ...change })} />
      {begun && !times ? <Words colour="plum">{t('meeting.timesWrong')}</Words> : null}
      <Trouble error={error} />
      <Action label={t('meeting.keep')} busy={busy} disabled={!times || !draft.on} onPress={keep} />
    </Stack>
  );
}
