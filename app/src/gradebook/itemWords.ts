import type { TFunction } from 'i18next';
import type { ItemDetail } from '@cadro/contract';
import type { Format } from '../i18n';
import { creditWords } from './words';

/** What lateness and the least mark do to this work, where they do anything. */
export function lateLoss(t: TFunction, format: Format, item: ItemDetail): string[] {
  const { policy, state, possible, counts, extraCredit } = item;
  if (!counts || extraCredit || possible === 0 || policy.method === 'standards') return [];
  const floor = policy.floor ?? 0;
  const earned = state.status === 'scored' ? state.earned : null;
  const lifted = earned !== null && floor > 0 && earned / possible < floor;
  const late = policy.late ?? { kind: 'none' };
  const isLate = state.late || item.looseEnd?.kind === 'overdue' || item.looseEnd?.kind === 'missing';
  return [
    ...(lifted
      ? [t('item.lifted', { counted: format.amount(floor * possible), possible: format.amount(possible) })]
      : []),
    ...(isLate && late.kind === 'flat'
      ? [t('item.lateFlat', { credit: creditWords(t, format, late.credit) })]
      : []),
    ...(isLate && late.kind === 'perDay'
      ? [t('item.latePerDay', { lose: format.percent(late.lose), least: format.percent(late.least) })]
      : []),
  ];
}

/** What a work is worth to the overall figure: what it decides, what it has done, what it would add. */
export function effectSentences(t: TFunction, format: Format, item: ItemDetail): string[] {
  const { worth } = item;
  const points = (value: number) => format.amount(Math.abs(Math.round(value * 100) / 100));
  const sentences: string[] = [];
  if (worth.decides !== null && worth.decides > 5e-3) {
    sentences.push(t('item.decides', { points: points(worth.decides) }));
  }
  if (worth.now !== null && item.state.status !== 'open' && item.state.status !== 'handed-in') {
    const key =
      Math.abs(worth.now) < 5e-3 ? 'item.nowNothing' : worth.now < 0 ? 'item.nowDown' : 'item.nowUp';
    sentences.push(t(key, { points: points(worth.now) }));
  }
  return sentences;
}

/** What making it up brings to the overall figure; null for what is no loose end. */
export function gainSentence(t: TFunction, format: Format, item: ItemDetail): string | null {
  const { looseEnd, figures, scale } = item;
  if (!looseEnd || looseEnd.impact === null || !figures || figures.posted === null) return null;
  if (!looseEnd.recoverable) return t('item.noGain');
  const credit = creditWords(t, format, looseEnd.credit ?? 1);
  if (looseEnd.impact < 5e-3) return t('item.gainNothing', { credit });
  const gain = format.amount(looseEnd.impact);
  return t('item.gain', { credit, gain, figure: format.figure(figures.ifLeft, scale.decimals) });
}
