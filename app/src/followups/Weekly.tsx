import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import type { FollowUp } from '@cadro/contract';
import { Trouble, useFormat } from '../household';
import { weekdayNames } from '../i18n';
import { Action, Choice, Field, Heading, Quietly, Row, Stack, Words } from '../ui';
import { useNow } from './useNow';

const days = [1, 2, 3, 4, 5, 6, 7] as const;

/** On which day of the week, and until which grade where it is about a course. */
function Rhythm({ followUp, onDone }: { followUp: FollowUp; onDone: () => void }) {
  const { t, i18n } = useTranslation();
  const { now, isLoading, error } = useNow(followUp);
  const [weekday, setWeekday] = useState(String(followUp.repeats?.weekday ?? 7));
  const [until, setUntil] = useState(String(followUp.repeats?.untilAtLeast ?? ''));
  const figure = until.trim() === '' ? null : Number(until.replace(',', '.'));
  const isFigure = figure === null || (Number.isFinite(figure) && figure >= 0 && figure <= 1000);
  const keep = async () => {
    if (await now({ repeats: { weekday: Number(weekday), untilAtLeast: figure } })) onDone();
  };
  const names = weekdayNames(i18n.language);
  return (
    <Stack space={1}>
      <Choice
        titled
        label={t('followUp.weekly.day')}
        options={days.map((day) => ({ value: String(day), label: names[day - 1] ?? '' }))}
        value={weekday}
        onChange={setWeekday}
      />
      {followUp.courseId ? (
        <Field
          label={t('followUp.weekly.until', { course: followUp.courseTitle ?? '' })}
          hint={t('followUp.weekly.untilHint')}
          value={until}
          onChange={setUntil}
          longest={6}
        />
      ) : null}
      <Trouble error={error} />
      <Row wrap space={2}>
        <Action
          label={t('followUp.weekly.keep')}
          busy={isLoading}
          disabled={!isFigure}
          onPress={() => void keep()}
        />
        <Quietly label={t('followUp.keepIt')} onPress={onDone} />
      </Row>
    </Stack>
  );
}

/** Whether it comes back every week: when, until what, and that one has looked this time. */
export function Weekly({ followUp }: { followUp: FollowUp }) {
  const { t, i18n } = useTranslation();
  const format = useFormat();
  const { now, isLoading, error } = useNow(followUp);
  const [setting, setSetting] = useState(false);
  const { repeats, lookAgainOn } = followUp;
  if (setting) return <Rhythm followUp={followUp} onDone={() => setSetting(false)} />;
  if (!repeats) return <Quietly label={t('followUp.weekly.begin')} onPress={() => setSetting(true)} />;
  const day = weekdayNames(i18n.language)[repeats.weekday - 1] ?? '';
  const isDue = lookAgainOn !== null && lookAgainOn <= format.today;
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('followUp.weekly.title')}</Heading>
      <Words>
        {repeats.untilAtLeast === null
          ? t('followUp.weekly.every', { day })
          : t('followUp.weekly.everyUntil', {
              ...{ day, figure: format.amount(repeats.untilAtLeast), course: followUp.courseTitle ?? '' },
            })}
      </Words>
      <Trouble error={error} />
      <Row wrap space={2}>
        {isDue ? (
          <Action
            main
            label={t('followUp.weekly.looked')}
            busy={isLoading}
            onPress={() => void now({ looked: true })}
          />
        ) : null}
        <Quietly label={t('followUp.weekly.change')} onPress={() => setSetting(true)} />
        <Quietly label={t('followUp.weekly.end')} onPress={() => void now({ repeats: null })} />
      </Row>
    </Stack>
  );
}
