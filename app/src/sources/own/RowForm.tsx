import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { resultStatuses, type OwnRow } from '@cadro/contract';
import { Action, Choice, Field, Quietly, Row, Stack, styles, Words } from '../../ui';
import { DayField } from './NewChild';
import { rowOf, wrongIn, type Typed } from './rows';

interface Part {
  readonly typed: Typed;
  readonly set: (change: Partial<Typed>) => void;
}

/** Where it stands, and the points that go with it. */
function Score({ typed, set }: Part) {
  const { t } = useTranslation();
  const points = (name: 'earned' | 'possible') => (
    <Stack style={styles.fill}>
      <Field
        label={t(`own.work.${name}`)}
        kind="number"
        value={typed[name]}
        longest={9}
        onChange={(value) => set({ [name]: value })}
      />
    </Stack>
  );
  return (
    <>
      <Choice
        titled
        label={t('own.work.status')}
        options={resultStatuses.map((value) => ({ value, label: t(`own.status.${value}`) }))}
        value={typed.status}
        onChange={(status) => set({ status })}
      />
      <Row space={1} style={styles.top}>
        {typed.status === 'scored' || typed.status === 'incomplete' ? points('earned') : null}
        {points('possible')}
      </Row>
    </>
  );
}

function Category({ typed, set, categories }: Part & { categories: readonly string[] }) {
  const { t } = useTranslation();
  const { category } = typed;
  const named = categories.includes(category) || category === '' ? categories : [...categories, category];
  if (named.length === 0) return null;
  return (
    <Choice
      titled
      label={t('own.work.category')}
      options={[
        ...named.map((value) => ({ value, label: value })),
        { value: '', label: t('own.work.noCategory') },
      ]}
      value={category}
      onChange={(next) => set({ category: next })}
    />
  );
}

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
  /** Null where there is nothing to go back to. */
  onCancel: (() => void) | null;
}) {
  const { t } = useTranslation();
  const [typed, setTyped] = useState(begin);
  const set = (change: Partial<Typed>) => setTyped({ ...typed, ...change });
  const wrong = wrongIn(typed);
  return (
    <Stack space={1.5}>
      <Field
        label={t('own.work.title')}
        value={typed.title}
        longest={300}
        onChange={(title) => set({ title })}
      />
      <Score {...{ typed, set }} />
      <DayField optional label={t('own.work.due')} value={typed.dueOn} onChange={(dueOn) => set({ dueOn })} />
      <Category {...{ typed, set, categories }} />
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
        {onCancel ? <Quietly label={t('own.work.cancel')} onPress={onCancel} /> : null}
      </Row>
    </Stack>
  );
}
