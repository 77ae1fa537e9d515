import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { calendarLayers, type CalendarLayer, type FeedBody } from '@cadro/contract';
import { useChildren } from '../../household';
import { Action, Field, Stack, Ticks } from '../../ui';

/** Which part of the calendar goes out, and under what name. */
export function FeedForm({
  start,
  action,
  busy,
  onKeep,
}: {
  start: FeedBody;
  action: string;
  busy: boolean;
  onKeep: (body: FeedBody) => void;
}) {
  const { t } = useTranslation();
  const { all } = useChildren();
  const [body, setBody] = useState(start);
  // Whoever is linked later belongs to everyone: all of them are sent as none.
  const everyone = all.map(({ id }) => id);
  const [chosenIds, setChosenIds] = useState(body.studentIds.length === 0 ? everyone : body.studentIds);
  const layers = calendarLayers.map((value) => ({ value, label: t(`calendar.layer.${value}`) }));
  return (
    <Stack space={1.5}>
      <Field
        label={t('elsewhere.name')}
        value={body.name}
        onChange={(name) => setBody({ ...body, name })}
        longest={100}
      />
      <Ticks<CalendarLayer>
        titled
        label={t('elsewhere.layers')}
        options={layers}
        chosen={body.layers}
        onChange={(chosen) => setBody({ ...body, layers: chosen })}
      />
      {all.length > 1 ? (
        <Ticks
          titled
          label={t('entry.forWhom')}
          options={all.map(({ id, givenName }) => ({ value: id, label: givenName }))}
          chosen={chosenIds}
          onChange={setChosenIds}
        />
      ) : null}
      <Action
        main
        label={action}
        busy={busy}
        disabled={body.name.trim() === '' || body.layers.length === 0 || chosenIds.length === 0}
        onPress={() => onKeep({ ...body, studentIds: chosenIds.length === everyone.length ? [] : chosenIds })}
      />
    </Stack>
  );
}
