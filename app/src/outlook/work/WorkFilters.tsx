import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { workGroups, type WorkRow } from '@cadro/contract';
import { useChildren } from '../../household';
import { Choice, Field, IconAction, Quietly, Stack, styles, useWide } from '../../ui';
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

/** The one control behind which search and filters stand: a word on a wide screen, a drawing on a phone. */
export function FiltersToggle({ open, onPress }: { open: boolean; onPress: () => void }) {
  const { t } = useTranslation();
  const wide = useWide();
  const label = t(open ? 'work.hideFilters' : 'work.filters');
  if (wide) return <Quietly label={label} onPress={onPress} open={open} />;
  return <IconAction icon="search" label={label} onPress={onPress} open={open} />;
}

/** Search, and all the ways to narrow the list down and to order it. */
export function WorkFilters({ rows, filter, onChange, open }: FiltersProps & { open: boolean }) {
  const { t } = useTranslation();
  if (!open && !isNarrow(filter)) return null;
  return (
    <Stack space={1.5}>
      {isNarrow(filter) ? <Quietly label={t('work.clear')} onPress={() => onChange(noFilter)} /> : null}
      {open ? (
        <>
          <Field label={t('work.search')} value={filter.q} onChange={(q) => onChange({ q })} />
          <Filters rows={rows} filter={filter} onChange={onChange} />
        </>
      ) : null}
    </Stack>
  );
}
