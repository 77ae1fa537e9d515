import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { isNight, nextMorning } from '@cadro/core';
import { useChildren, useFormat, useMeQuery } from '../household';
import { Choice, Stack, Words } from '../ui';

type Chosen = 'now' | 'morning';

/** When a letter about a child goes out: at once, or on the next school morning; at night only then. */
export function useWhen(studentId: string) {
  const { data: me } = useMeQuery();
  const { all } = useChildren();
  const timeZone = all.find(({ id }) => id === studentId)?.timeZone ?? 'UTC';
  const now = new Date(me?.now ?? 0);
  const night = isNight(timeZone, now);
  const [chosen, setChosen] = useState<Chosen>('now');
  const value: Chosen = night ? 'morning' : chosen;
  const morning = nextMorning(timeZone, now);
  return { night, value, setChosen, morning, sendAt: value === 'morning' ? morning : null };
}

/** The choice itself; at night there is none, and it says why. */
export function When({ when: { night, value, setChosen, morning } }: { when: ReturnType<typeof useWhen> }) {
  const { t } = useTranslation();
  const format = useFormat();
  const date = format.dayTime(morning);
  if (night) return <Words size="small">{t('message.atNight', { date })}</Words>;
  return (
    <Stack space={0.5}>
      <Choice
        titled
        label={t('message.when')}
        options={[
          { value: 'now', label: t('message.whenNow') },
          { value: 'morning', label: t('message.whenMorning', { date }) },
        ]}
        value={value}
        onChange={setChosen}
      />
    </Stack>
  );
}
