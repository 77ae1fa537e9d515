import { useTranslation } from 'react-i18next';
import { View } from 'react-native';
import type { ItemDetail } from '@cadro/contract';
import { useFormat } from '../household';
import { Drop, Frame, frameOf, Row, Stack, styles, Words } from '../ui';
import { gainSentence } from './itemWords';
import { DaysTo, Gain } from './Making';
import { gainParts, turnInWords } from './makingWords';
import { spanWords, stateWords, worthWords } from './words';

/** A fall that is smaller than this share of the scale cannot be seen. */
const leastDrawn = 0.02;

/** Until when it is taken and for how much, and the days that are left. */
function Until({ item: { looseEnd } }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  if (!looseEnd?.recoverable || !looseEnd.deadline) return null;
  const { deadline, credit } = looseEnd;
  return (
    <View>
      <Words bold>{turnInWords(t, format, deadline, credit)}</Words>
      <DaysTo deadline={deadline} />
    </View>
  );
}

/** How far the grade would fall, where the fall lies under it still. */
function Falling({ item }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { looseEnd, figures, grade, scale } = item;
  if (!looseEnd || !figures || grade.figure === null || grade.count || figures.ifLeft === null) return null;
  if (grade.figure - figures.ifLeft < leastDrawn * scale.outOf) return null;
  return (
    <Drop
      posted={grade.figure}
      left={figures.ifLeft}
      outOf={scale.outOf}
      postedWords={t('matter.postedWords', { figure: format.grade(grade), outOf: scale.outOf })}
      leftWords={t('matter.leftWords', { figure: format.figure(figures.ifLeft, scale.decimals) })}
      said={spanWords(t, format, item)}
    />
  );
}

/** How it stands: what it is, until when and for how much, and what lies under the grade. */
export function State({ item }: { item: ItemDetail }) {
  const { t } = useTranslation();
  const format = useFormat();
  const { state, looseEnd, possible } = item;
  const needsYou = looseEnd !== null && looseEnd.kind !== 'unmarked';
  const earned = state.status === 'scored' && state.earned !== null && item.scale.method !== 'standards';
  const number = earned
    ? t('item.scoreLong', { earned: format.amount(state.earned ?? 0), possible: format.amount(possible) })
    : worthWords(t, format, item, item.scale);
  const gain = looseEnd?.recoverable ? gainParts(t, format, looseEnd.impact, item.scale.outOf) : null;
  const tooLate = looseEnd?.recoverable ? null : gainSentence(t, format, item);
  return (
    <Stack space={2}>
      <Row>
        <Frame kind={frameOf(state.status, looseEnd?.kind ?? null)} needsYou={needsYou} />
        <Words bold colour={needsYou ? 'plum' : 'ink'} style={styles.fill}>
          {needsYou && !earned ? stateWords(t, item) : `${stateWords(t, item)} · ${number}`}
        </Words>
        {gain ? <Gain {...gain} /> : null}
      </Row>
      <Until item={item} />
      <Falling item={item} />
      {tooLate ? <Words>{tooLate}</Words> : null}
    </Stack>
  );
}
