import { StyleSheet, Pressable } from 'react-native';
import { useTranslation } from 'react-i18next';
import { styles } from '../theme/styles';
import { touch } from '../theme/palette';
import { Words } from '../Words';
import type { Cell } from './csv';
import { fileName, saveFile } from './saveFile';

/** A quiet way to take a list along. */
export function SaveCsv({
  name,
  columns,
  rows,
}: {
  /** What the list is of; the file is named after it. */
  name: string;
  columns: readonly string[];
  rows: () => readonly (readonly Cell[])[];
}) {
  const { t } = useTranslation();
  const save = async () => {
    const { csvOf } = await import('./csv');
    saveFile(fileName(name, 'csv'), 'text/csv', csvOf(columns, rows()));
  };
  return <Quietly label={t('save.csv')} hint={name} onPress={() => void save()} />;
}

/** A button that looks like a quiet link: it does something here instead of leading elsewhere. */
export function Quietly({ label, hint, onPress }: { label: string; hint?: string; onPress: () => void }) {
  return (
    <Pressable
      role="button"
      aria-label={hint ? `${label}: ${hint}` : label}
      onPress={onPress}
      style={own.save}
    >
      <Words size="small" bold style={styles.underlined}>
        {label}
      </Words>
    </Pressable>
  );
}

const own = StyleSheet.create({
  save: { minHeight: touch, justifyContent: 'center', alignSelf: 'flex-start' },
});
