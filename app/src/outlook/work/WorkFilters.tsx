import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { workGroups, type WorkRow } from '@cadro/contract';
import { useChildren } from '../../household';
import { Choice, Field, Quietly, Row, Stack, styles } from '../../ui';
import { ends, isNarrow, mends, noFilter, sorts, type WorkFilter } from './arrangeWork';

const unique = (values: readonly string[]): string[] => [...new Set(values)];

interface FiltersProps {
  readonly rows: readonly WorkRow[];
  readonly filter: WorkFilter;
  readonly onChange: (change: Partial<WorkFilter>) => void;
}

/** Whose work, of which course, of which kind: as far as there is more than one. */
function What({ rows, filter, onChange }: FiltersProps) {
  const { t } = useTranslation();
  const { all, nameOf } = useChildren();
  const everything = { value: '', label: t('work.all') };
  const courses = unique(rows.map(({ courseId }) => courseId)).map((value) => ({
    value,
    label: rows.find(({ courseId }) => courseId === value)?.courseTitle ?? '',
  }));
  const kinds = unique(rows.flatMap(({ itemKind }) => itemKind ?? [])).sort();
  const children = unique(rows.map(({ studentId }) => studentId));
  return (
    <>
      {all.length > 1 && children.length > 1 ? (
        <Choice
          titled
          label={t('work.child')}
          options={[everything, ...children.map((value) => ({ value, label: nameOf(value) }))]}
          value={filter.child}
          onChange={(child) => onChange({ child })}
        />
      ) : null}
      <Choice
        titled
        label={t('work.course')}
        options={[everything, ...courses]}
        value={filter.course}
        onChange={(course) => onChange({ course })}
      />
      <Choice
        titled
        label={t('work.kind')}
        options={[everything, ...kinds.map((value) => ({ value, label: value }))]}
        value={filter.kind}
        onChange={(kind) => onChange({ kind })}
      />
    </>
  );
}

function Filters({ rows, filter, onChange }: FiltersProps) {
  const { t } = useTranslation();
  return (
    <View style={styles.gap16}>
      <Choice
        titled
        label={t('work.sort')}
        options={sorts.map((value) => ({ value, label: t(`work.sorts.${value}`) }))}
        value={filter.sort}
        onChange={(sort) => onChange({ sort })}
      />
      <Choice
        titled
        label={t('work.part')}
        options={[
          { value: 'all' as const, label: t('work.all') },
          ...workGroups.map((value) => ({ value, label: t(`work.groups.${value}`) })),
        ]}
        value={filter.part}
        onChange={(part) => onChange({ part })}
      />
      <What rows={rows} filter={filter} onChange={onChange} />
      <Choice
        titled
        label={t('work.mend')}
        options={mends.map((value) => ({ value, label: t(`work.mends.${value}`) }))}
        value={filter.mend}
        onChange={(mend) => onChange({ mend })}
      />
      <Choice
        titled
        label={t('work.ends')}
        options={ends.map((value) => ({ value, label: t(`work.within.${value}`) }))}
        value={filter.ends}
        onChange={(value) => onChange({ ends: value })}
      />
    </View>
  );
}

/** Behind one word: search, and all the ways to narrow the list down and to order it. Open where it is narrow already. */
export function WorkFilters({ rows, filter, onChange }: FiltersProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(isNarrow(filter));
  return (
    <Stack space={1.5}>
      <Row wrap space={2}>
        <Quietly
          label={t(open ? 'work.hideFilters' : 'work.filters')}
          onPress={() => setOpen(!open)}
          open={open}
        />
        {isNarrow(filter) ? <Quietly label={t('work.clear')} onPress={() => onChange(noFilter)} /> : null}
      </Row>
      {open ? (
        <>
          <Field label={t('work.search')} value={filter.q} onChange={(q) => onChange({ q })} />
          <Filters rows={rows} filter={filter} onChange={onChange} />
        </>
      ) : null}
    </Stack>
  );
}
