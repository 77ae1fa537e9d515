import { useTranslation } from 'react-i18next';
import { digestRhythms, type AlertDelivery } from '@cadro/contract';
import { isTimeZone } from '@cadro/core';
import { useFormat } from '../household';
import { Choice, Field, Heading, Stack, TickLine } from '../ui';

const hours = [6, 7, 8, 12, 15, 16, 17, 18, 19, 20, 21];
const nights = ['20:00', '21:00', '22:00', '23:00'];
const mornings = ['05:00', '06:00', '07:00', '08:00'];

export type SetDelivery = (change: Partial<AlertDelivery>) => void;

/** The digest: how often, on which day, at which hour. */
export function DigestWishes({ draft, onSet }: { draft: AlertDelivery; onSet: SetDelivery }) {
  const { t } = useTranslation();
  const format = useFormat();
  const weekday = (day: number) =>
    format.dayLong(`2026-01-${String(4 + day).padStart(2, '0')}`).split(/[ ,]/)[0] ?? '';
  return (
    <Stack>
      <Heading level={2}>{t('reach.digest')}</Heading>
      <Choice
        label={t('reach.digest')}
        options={digestRhythms.map((value) => ({ value, label: t(`reach.rhythm.${value}`) }))}
        value={draft.digest}
        onChange={(digest) => onSet({ digest })}
      />
      {draft.digest === 'weekly' ? (
        <Choice
          titled
          label={t('reach.weekday')}
          options={[1, 2, 3, 4, 5, 6, 0].map((day) => ({ value: String(day), label: weekday(day) }))}
          value={String(draft.digestWeekday)}
          onChange={(day) => onSet({ digestWeekday: Number(day) })}
        />
      ) : null}
      {draft.digest === 'none' ? null : (
        <>
          <Choice
            titled
            label={t('reach.hour')}
            options={[...new Set([...hours, draft.digestHour])]
              .sort((a, b) => a - b)
              .map((hour) => ({
                value: String(hour),
                label: format.clock(`${String(hour).padStart(2, '0')}:00`),
              }))}
            value={String(draft.digestHour)}
            onChange={(hour) => onSet({ digestHour: Number(hour) })}
          />
          <Choice
            titled
            label={t('reach.empty')}
            options={(['line', 'none'] as const).map((value) => ({
              value,
              label: t(`reach.emptyKinds.${value}`),
            }))}
            value={draft.emptyDigest}
            onChange={(emptyDigest) => onSet({ emptyDigest })}
          />
        </>
      )}
    </Stack>
  );
}

/** When nothing is told, and by whose clock. */
export function Quietness({ draft, onSet }: { draft: AlertDelivery; onSet: SetDelivery }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { quiet } = draft;
  const times = (usual: readonly string[], own: string) =>
    [...new Set([...usual, own])].sort().map((value) => ({ value, label: format.clock(value) }));
  return (
    <Stack>
      <Heading level={2}>{t('reach.quiet')}</Heading>
      <TickLine
        label={t('reach.quietOn')}
        on={quiet !== null}
        onChange={(on) => onSet({ quiet: on ? { from: '21:00', to: '07:00' } : null })}
      />
      {quiet ? (
        <>
          <Choice
            titled
            label={t('reach.from')}
            options={times(nights, quiet.from)}
            value={quiet.from}
            onChange={(from) => onSet({ quiet: { ...quiet, from } })}
          />
          <Choice
            titled
            label={t('reach.until')}
            options={times(mornings, quiet.to)}
            value={quiet.to}
            onChange={(to) => onSet({ quiet: { ...quiet, to } })}
          />
        </>
      ) : null}
      <Field
        label={t('reach.zone')}
        value={draft.timeZone}
        onChange={(timeZone) => onSet({ timeZone })}
        error={isTimeZone(draft.timeZone) ? null : t('reach.zoneWrong')}
        longest={60}
      />
    </Stack>
  );
}

/** Mail that was stopped or came back says so, and can be taken up again. */
