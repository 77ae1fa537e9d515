import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { ItemDetail } from '@cadro/contract';
import { useFormat, useMeQuery } from '../household';
import { Heading, SaveCsv, StoryLine, styles } from '../ui';
import { storyPoints } from './story';

/** Everything that happened with it, in order. */
export function ItemStory({ item }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { data: me } = useMeQuery();
  const columns = (['when', 'state', 'earned', 'possible', 'late'] as const).map((name) =>
    t(`course.csv.${name}`),
  );
  const rows = () =>
    item.history.map(({ at, status, earned, late }) => [
      at,
      t(`item.states.${status}`),
      earned,
      item.possible,
      t(late ? 'save.yes' : 'save.no'),
    ]);
  return (
    <View style={styles.gap8}>
      <Heading level={2}>{t('item.story')}</Heading>
      <StoryLine points={storyPoints(t, format, item, me?.now ?? '')} />
      {item.history.length > 0 ? (
        <SaveCsv name={t('course.csv.story', { work: item.title })} columns={columns} rows={rows} />
      ) : null}
    </View>
  );
}
