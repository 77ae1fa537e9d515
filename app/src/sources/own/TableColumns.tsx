import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useTranslation } from 'react-i18next';
import { meanings, type Means } from '@cadro/contract';
import type { Column, Order } from '@cadro/core/tables';
import { Choice, Heading, Stack, styles, Words } from '../../ui';

interface ColumnsProps {
  readonly columns: readonly Column[];
  /** Something that stands in each. */
  readonly samples: readonly string[];
  readonly onMeans: (means: readonly Means[]) => void;
}

/** What each column is taken to be about; each opens to be corrected. */
export function TableColumns({ columns, samples, onMeans }: ColumnsProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState<number | null>(null);
  const choose = (at: number, means: Means) => {
    onMeans(columns.map((column, index) => (index === at ? means : column.means)));
    setOpen(null);
  };
  return (
    <Stack space={0.5}>
      <Heading level={2}>{t('table.columns')}</Heading>
      <Words size="small" colour="soft">
        {t('table.columnsLead')}
      </Words>
      {columns.map(({ header, means }, at) => {
        const name = header || t('table.column', { number: at + 1 });
        const said = t('table.columnIs', { name, means: t(`table.means.${means}`) });
        return (
          <View key={at}>
            <Pressable
              role="button"
              aria-expanded={open === at}
              aria-label={[said, ...(samples[at] ? [t('table.sample', { cell: samples[at] })] : [])].join(
                '. ',
              )}
              onPress={() => setOpen(open === at ? null : at)}
              style={styles.around10}
            >
              <Words bold style={styles.underlined}>
                {said}
              </Words>
              {samples[at] ? (
                <Words size="small" colour="soft" lines={1}>
                  {t('table.sample', { cell: samples[at] })}
                </Words>
              ) : null}
            </Pressable>
            {open === at ? (
              <Choice
                label={name}
                options={meanings.map((value) => ({ value, label: t(`table.means.${value}`) }))}
                value={means}
                onChange={(value) => choose(at, value)}
              />
            ) : null}
          </View>
        );
      })}
    </Stack>
  );
}

/** Dates that can be read in two ways. */
export function DateOrder({ order, onOrder }: { order: Order | null; onOrder: (order: Order) => void }) {
  const { t } = useTranslation();
  const orders: readonly Order[] = ['month-first', 'day-first'];
  return (
    <Choice
      titled
      label={t('table.order')}
      options={orders.map((value) => ({ value, label: t(`table.orders.${value}`) }))}
      value={order ?? ('' as Order)}
      onChange={onOrder}
    />
  );
}
