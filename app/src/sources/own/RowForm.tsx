import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { resultStatuses, type OwnRow } from '@cadro/contract';
import { Action, Choice, Field, Quietly, Row, Stack, styles, Words } from '../../ui';
import { DayField } from './NewChild';
import { rowOf, wrongIn, type Typed } from './rows';

/** Everything of an assignment that can be written down. */
export function RowForm({
  itemId,
  begin,
  categories,
  busy,
  onSave,
  onCancel,
}: {
  itemId: string | null;
  begin: Typed;
  categories: readonly string[];
  busy: boolean;
  onSave: (row: OwnRow) => void;
  onCancel: () => void;
}) {
  const { t } = useTranslation();
  const [typed, setTyped] = useState(begin);
  const set = (change: Partial<Typed>) => setTyped({ ...typed, ...change });
  const wrong = wrongIn(typed);
  const scored = typed.status === 'scored' || typed.status === 'incomplete';
  const named =
    categories.includes(typed.category) || typed.category === ''
      ? categories
      : [...categories, typed.category];
  return (
    <Stack space={1.5}>
      <Field
        label={t('own.work.title')}
        value={typed.title}
        longest={300}
        onChange={(title) => set({ title })}
      />
      <Choice
        titled
        label={t('own.work.status')}
        options={resultStatuses.map((value) => ({ value, label: t(`own.status.${value}`) }))}
        value={typed.status}
        onChange={(status) => set({ status })}
      />
      <Row space={1} style={styles.top}>
        {scored ? (
          <Stack style={styles.fill}>
            <Field
              label={t('own.work.earned')}
              kind="number"
              value={typed.earned}
              longest={9}
              onChange={(earned) => set({ earned })}
            />
          </Stack>
        ) : null}
        <Stack style={styles.fill}>
          <Field
            label={t('own.work.possible')}
            kind="number"
            value={typed.possible}
            longest={9}
            onChange={(possible) => set({ possible })}
          />
        </Stack>
      </Row>
      <DayField optional label={t('own.work.due')} value={typed.dueOn} onChange={(dueOn) => set({ dueOn })} />
      {named.length > 0 ? (
        <Choice
          titled
          label={t('own.work.category')}
          options={[
            ...named.map((value) => ({ value, label: value })),
            { value: '', label: t('own.work.noCategory') },
          ]}
          value={typed.category}
          onChange={(category) => set({ category })}
        />
      ) : null}
      <Field
        label={t('own.work.comment')}
        value={typed.comment}
        lines={2}
        longest={5000}
        onChange={(comment) => set({ comment })}
      />
      {wrong === null || wrong === 'title' ? null : (
        <Words size="small" colour="plum" live>
          {t(`own.wrong.${wrong}`)}
        </Words>
      )}
      <Row wrap>
        <Action
          main
          label={t('own.work.save')}
          busy={busy}
          disabled={wrong !== null}
          onPress={() => onSave(rowOf(itemId, typed))}
        />
        <Quietly label={t('own.work.cancel')} onPress={onCancel} />
      </Row>
    </Stack>
  );
}
