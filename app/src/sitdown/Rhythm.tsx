import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Trouble, useFormat } from '../household';
import { isTime, timeOf, weekdayNames } from '../i18n';
import { Action, Choice, Field, Quietly, Row, Stack, Words } from '../ui';
import { useAddEntryMutation } from '../followups/api';
import { useRhythmEntryQuery, useSetRhythmMutation } from './api';
import { byDay, firstOn, weekdayOfRule } from './weekdayRule';

const days = [1, 2, 3, 4, 5, 6, 7] as const;

function Choose({ onDone }: { onDone: () => void }) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const [weekday, setWeekday] = useState('7');
  const [at, setAt] = useState(format.clock('17:00'));
  const [addEntry, { isLoading, error }] = useAddEntryMutation();
  const [setRhythm] = useSetRhythmMutation();
  const names = weekdayNames(i18n.language);
  const keep = async () => {
    const day = Number(weekday);
    const { data } = await addEntry({
      ...{ kind: 'event', title: t('sitdown.title'), studentIds: [], shared: true },
      ...{ on: firstOn(format.today, day), startsAt: timeOf(at), rule: `FREQ=WEEKLY;BYDAY=${byDay(day)}` },
    });
    if (data && !('error' in (await setRhythm(data.id)))) onDone();
  };
  return (
    <Stack space={1}>
      <Choice
        titled
        label={t('sitdown.onDay')}
        options={days.map((day) => ({ value: String(day), label: names[day - 1] ?? '' }))}
        value={weekday}
        onChange={setWeekday}
      />
      <Field label={t('sitdown.atTime')} value={at} onChange={setAt} longest={12} />
      <Trouble error={error} />
      <Row wrap>
        <Action
          label={t('sitdown.keepRhythm')}
          busy={isLoading}
          disabled={!isTime(timeOf(at))}
          onPress={() => void keep()}
        />
        <Quietly label={t('notes.leave')} onPress={onDone} />
      </Row>
    </Stack>
  );
}

/** When the family sits down every week: in its calendar, and so on the Brief the day before. */
export function Rhythm({ entryId }: { entryId: string | null }) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const [choosing, setChoosing] = useState(false);
  const { data: entry } = useRhythmEntryQuery(entryId ?? '', { skip: entryId === null });
  const [setRhythm] = useSetRhythmMutation();
  if (choosing) return <Choose onDone={() => setChoosing(false)} />;
  const weekday = weekdayOfRule(entry?.rule ?? null);
  if (!entryId || !entry || weekday === null)
    return <Quietly label={t('sitdown.setRhythm')} onPress={() => setChoosing(true)} />;
  const day = weekdayNames(i18n.language)[weekday - 1] ?? '';
  return (
    <Row wrap>
      <Words>
        {t('sitdown.everyWeek', { day, time: entry.startsAt ? format.clock(entry.startsAt) : '' })}
      </Words>
      <Quietly label={t('sitdown.changeRhythm')} onPress={() => setChoosing(true)} />
      <Quietly label={t('sitdown.endRhythm')} onPress={() => void setRhythm(null)} />
    </Row>
  );
}
