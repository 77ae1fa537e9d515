import type { Href } from 'expo-router';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { ItemSummary, Scale } from '@cadro/contract';
import { useFormat } from '../household';
import { Frame, frameOf, Row, RowLink, styles, Words } from '../ui';
import { gainWords, stateWords, worthWords } from './words';

/** One work: its frame with its word, when it was due, and worth or earned, never confused. */
export function ItemLine({ item, scale, href }: { item: ItemSummary; scale: Scale; href: Href }) {
  const { t } = useTranslation();
  const format = useFormat();
  const kind = item.looseEnd?.kind ?? null;
  const doubtful = item.classroom?.doubt === 'doubtful';
  const needsYou = kind !== null && kind !== 'unmarked' && !doubtful;
  const worth = worthWords(t, format, item, scale);
  const state = item.was ? t(`item.was.${item.was}`, { now: worth }) : stateWords(t, item);
  const parts = [
    ...(item.dueAt
      ? [t('item.due', { date: format.day(item.dueAt) })]
      : item.notice
        ? []
        : [t('item.undated')]),
    ...(item.dueAt || item.notice || item.state.status !== 'open' ? [state] : []),
    ...(item.counts ? [] : [t('item.notCounting')]),
    ...(item.extraCredit ? [t('item.extra')] : []),
    ...(item.own ? [t(`beside.${item.own}`)] : []),
    ...(item.commentCount > 0 ? [t('item.comments', { count: item.commentCount })] : []),
  ];
  const gain = gainWords(t, format, item);
  return (
    <RowLink
      href={href}
      label={`${item.title}. ${parts.join(', ')}. ${[worth, gain].filter(Boolean).join('. ')}`}
    >
      <Row space={1.5} style={styles.top}>
        <View style={styles.above2}>
          <Frame kind={frameOf(item.state.status, kind)} needsYou={needsYou} />
        </View>
        <View style={styles.fill}>
          <Words bold>{item.title}</Words>
          <Words size="small" colour={needsYou ? 'plum' : 'soft'}>
            {parts.join(' · ')}
          </Words>
          {gain ? (
            <Words size="small" colour="teal">
              {gain}
            </Words>
          ) : null}
        </View>
        <Words
          size="small"
          bold={item.state.status === 'scored'}
          colour={item.state.status === 'scored' ? 'ink' : 'soft'}
        >
          {worth}
        </Words>
      </Row>
    </RowLink>
  );
}
