import { StyleSheet, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { useFormat } from '../../household';
import { Choice, Field, PickDay, Row, styles } from '../../ui';
import { repeats, type EntryDraft, type Repeat } from './entryDraft';

type Set = (change: Partial<EntryDraft>) => void;
/** Days before a work is due. */
const before = ['0', '1', '2', '3', '7'] as const;

function BeforeDue({ draft, set }: { draft: EntryDraft; set: Set }) {
  const { t } = useTranslation();
  const own = String(draft.daysBefore);
  const values = before.some((value) => value === own) ? [...before] : [...before, own];
  return (
    <Choice
      titled
      label={t('entry.before')}
      options={values.map((value) => ({
        value,
        label: value === '0' ? t('entry.onTheDay') : t('entry.daysBefore', { count: Number(value) }),
      }))}
      value={own}
      onChange={(value) => set({ daysBefore: Number(value) })}
    />
  );
}

function Times({ draft, set }: { draft: EntryDraft; set: Set }) {
  const { t } = useTranslation();
  const { kind, startsAt, endsAt } = draft;
  return (
    <Row space={2} style={styles.top}>
      <View style={own.numberField}>
        <Field
          label={t(kind === 'event' ? 'entry.from' : 'entry.at')}
          hint={t('entry.timeHint')}
          value={startsAt}
          onChange={(value) => set({ startsAt: value })}
          longest={5}
        />
      </View>
      {kind === 'event' ? (
        <View style={own.numberField}>
          <Field
            label={t('entry.to')}
            hint={t('entry.timeHint')}
            value={endsAt}
            onChange={(value) => set({ endsAt: value })}
            longest={5}
          />
        </View>
      ) : null}
    </Row>
  );
}

/** When an entry is: a day or some, how often, at what time; or so many days before a work is due. */
export function WhenFields({ draft, set }: { draft: EntryDraft; set: Set }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { kind, on, lastOn, repeat, until, itemId, rule } = draft;
  const day = { today: format.today, dayLong: format.dayLong, monthName: format.month };
  const timed = kind === 'reminder' || kind === 'event';
  if (itemId !== null) {
    return (
      <>
        <BeforeDue draft={draft} set={set} />
        {timed ? <Times draft={draft} set={set} /> : null}
      </>
    );
  }
  const offered = repeats.filter((each) => each !== 'other' || (rule !== null && repeat === 'other'));
  return (
    <>
      <PickDay
        {...day}
        label={t(kind === 'supply' ? 'entry.neededOn' : 'entry.on')}
        value={on}
        optional={kind === 'supply'}
        onChange={(value) => set({ on: value })}
      />
      {kind === 'event' && repeat === 'never' && on ? (
        <PickDay
          {...day}
          label={t('entry.lastOn')}
          value={lastOn}
          from={on}
          optional
          onChange={(value) => set({ lastOn: value })}
        />
      ) : null}
      {timed ? <Times draft={draft} set={set} /> : null}
      {kind !== 'note' && on ? (
        <Choice<Repeat>
          titled
          label={t('entry.repeat')}
          options={offered.map((value) => ({ value, label: t(`entry.repeats.${value}`) }))}
          value={repeat}
          onChange={(value) => set({ repeat: value })}
        />
      ) : null}
      {kind !== 'note' && on && repeat !== 'never' && repeat !== 'other' ? (
        <PickDay
          {...day}
          label={t('entry.until')}
          value={until}
          from={on}
          optional
          onChange={(value) => set({ until: value })}
        />
      ) : null}
    </>
  );
}

const own = StyleSheet.create({
  numberField: { width: 140 },
});
