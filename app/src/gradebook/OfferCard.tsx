import { useTranslation } from 'react-i18next';
import type { ReadOffer } from '@cadro/contract';
import { useChildren, useFormat } from '../household';
import { Action, MarkedWords, Quietly, Row, Stack, Words } from '../ui';
import { creditWords } from './words';
import { useAnswerOfferMutation } from './api';

/** The teacher's words with those an offer was read from set apart. */
export function OfferedWords({ text, offers }: { text: string; offers: readonly ReadOffer[] }) {
  const { t } = useTranslation();
  const marks = offers
    .filter(({ answer, quote }) => answer !== 'dismissed' && text.includes(quote))
    .map(({ quote }) => ({ start: text.indexOf(quote), end: text.indexOf(quote) + quote.length }));
  const [open = '', close = ''] = t('matter.quote', { text: '\u0000' }).split('\u0000');
  return <MarkedWords {...{ text, marks, open, close }} />;
}

/** A proposal read out of a comment: what it would mean, and the two answers; one tap each, and back again. */
export function OfferCard({
  offer,
  studentId,
  commentId,
  told,
}: {
  offer: ReadOffer;
  studentId: string;
  commentId: string;
  /** Until when and for how much stands above already. */
  told?: boolean;
}) {
  const { t } = useTranslation();
  const format = useFormat();
  const { mayTalk } = useChildren();
  const [answerOffer, { isLoading }] = useAnswerOfferMutation();
  const { kind, until, credit, place, answer, standing } = offer;
  const meaning = [
    t(`offers.kinds.${kind}`),
    until ? t('offers.until', { date: format.day(until) }) : t('offers.open'),
    credit === null ? t('offers.creditOpen') : t('offers.credit', { credit: creditWords(t, format, credit) }),
  ].join(', ');
  const say = (next: ReadOffer['answer']) => void answerOffer({ studentId, commentId, place, answer: next });
  if (answer === 'dismissed') return null;
  // What has been settled, taken up or has ended asks nothing any more.
  if (standing !== 'open')
    return (
      <Words size="small" colour="soft">
        {t(`offers.standings.${standing}`, { date: until ? format.day(until) : '' })}
      </Words>
    );
  return (
    <Stack space={1}>
      <Words bold colour="teal">
        {told && answer === null ? t('offers.ask') : meaning}
      </Words>
      {answer === 'confirmed' ? (
        <Row wrap space={2}>
          <Words size="small" live>
            {t('offers.confirmed')}
          </Words>
          {mayTalk(studentId) ? (
            <Quietly label={t('offers.undo')} hint={meaning} onPress={() => say(null)} />
          ) : null}
        </Row>
      ) : mayTalk(studentId) ? (
        <Row wrap space={2}>
          <Action
            label={t('offers.confirm')}
            hint={meaning}
            busy={isLoading}
            onPress={() => say('confirmed')}
          />
          <Quietly label={t('offers.dismiss')} hint={meaning} onPress={() => say('dismissed')} />
        </Row>
      ) : null}
    </Stack>
  );
}
