import { useTranslation } from 'react-i18next';
import type { Cell } from './csv';
import { Quietly } from './Quietly';
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
