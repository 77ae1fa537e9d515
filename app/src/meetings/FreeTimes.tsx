import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { freeTimes, instantAt } from '@cadro/core';
import { useChildren, useFormat, useMeQuery } from '../household';
import { Choice, Heading, LinkAction, List, Quiet, Stack, Words } from '../ui';
import { useBusy } from './useBusy';
import { whenWords } from './words';

/** Around the end of lessons: when teachers are at school and have no class. */
const hours = { opens: '15:00', closes: '17:30' } as const;
const lengths = ['15', '20', '30', '45'] as const;
const most = 3;
const searchedDays = 14;

/** The times at which everybody at home is free; null while it is not known. */
function useFreeTimes(studentId: string, minutes: number) {
  const format = useFormat();
  const { all } = useChildren();
  const { data: me } = useMeQuery();
  const free = useBusy();
  const timeZone = all.find(({ id }) => id === studentId)?.timeZone;
  if (!free || !timeZone || !me) return null;
  return freeTimes({
    ...{ ...hours, most, from: format.daysAhead(1), to: format.daysAhead(searchedDays) },
    closed: free.closedFor(studentId),
    minutes,
    instantAt: (on, time) => instantAt(timeZone, { on, time }),
    nowMs: Date.parse(me.now),
    busy: free.people.map(({ busy }) => busy),
  }).map(({ fromMs, toMs }) => ({
    startsAt: new Date(fromMs).toISOString(),
    endsAt: new Date(toMs).toISOString(),
  }));
}

/** Times at which everybody at home is free, and a letter that asks for one of them. */
export function FreeTimes({
  studentId,
  teacher,
}: {
  studentId: string;
  teacher: { id: string; name: string };
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const [minutes, setMinutes] = useState<(typeof lengths)[number]>('20');
  const found = useFreeTimes(studentId, Number(minutes));
  if (!found) return null;
  const times = found.map(({ startsAt }) => startsAt).join(',');
  const asking = new URLSearchParams({ studentId, teacherId: teacher.id, times, minutes });
  return (
    <Stack>
      <Stack space={0.5}>
        <Heading level={2}>{t('meeting.freeTitle')}</Heading>
        <Words colour="soft">{t('meeting.freeLead')}</Words>
      </Stack>
      <Choice
        titled
        label={t('meeting.howLong')}
        options={lengths.map((value) => ({ value, label: t('meeting.minutes', { count: Number(value) }) }))}
        value={minutes}
        onChange={setMinutes}
      />
      {found.length === 0 ? (
        <Quiet>{t('meeting.freeNone')}</Quiet>
      ) : (
        <>
          <List>
            {found.map((each) => (
              <Words key={each.startsAt}>{whenWords(t, format, each)}</Words>
            ))}
          </List>
          <LinkAction
            label={t('meeting.ask', { teacher: teacher.name })}
            href={`/talk/write?${asking.toString()}`}
          />
        </>
      )}
    </Stack>
  );
}
