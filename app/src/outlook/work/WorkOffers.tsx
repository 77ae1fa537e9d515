import { useState } from 'react';
import { View } from 'react-native';
import { useTranslation } from 'react-i18next';
import type { WorkOffer } from '@cadro/contract';
import { OfferCard, OfferedWords } from '../../gradebook';
import { useChildren, useFormat } from '../../household';
import { Heading, Quietly, Stack, themed, Words } from '../../ui';

/** An offer in the teacher's words, to be confirmed. */
export function OneOffer({ offer }: { offer: WorkOffer }) {
  const { t } = useTranslation();
  const format = useFormat();
  const looks = useLooks();
  return (
    <Stack space={1} style={looks.offer}>
      <OfferedWords text={offer.text} offers={[offer]} />
      <Words size="small" colour="soft">
        {t('offers.signed', { author: offer.author, date: format.date(offer.writtenAt) })}
      </Words>
      <OfferCard offer={offer} studentId={offer.studentId} commentId={offer.commentId} />
    </Stack>
  );
}

/** What teachers have offered and nobody has answered yet, then what was confirmed. */
export function WorkOffers({ offers, few }: { offers: readonly WorkOffer[]; few?: boolean }) {
  const { t } = useTranslation();
  const { nameOf } = useChildren();
  const [open, setOpen] = useState(!few);
  if (offers.length === 0) return null;
  if (!open) {
    const unanswered = offers.filter(({ answer }) => answer === null).length;
    return (
      <Quietly
        label={
          unanswered > 0
            ? t('offers.toConfirm', { count: unanswered })
            : t('offers.folded', { count: offers.length })
        }
        onPress={() => setOpen(true)}
        open={false}
      />
    );
  }
  const ordered = [...offers].sort((a, b) => Number(a.answer !== null) - Number(b.answer !== null));
  return (
    <Stack space={2}>
      <View>
        <Heading level={2}>{t('offers.title')}</Heading>
        <Words size="small" colour="soft">
          {t('offers.lead')}
        </Words>
      </View>
      {ordered.map((offer) => (
        <Stack key={`${offer.commentId}:${offer.place}`} space={1}>
          <Words size="small" colour="soft">
            {t('offers.about', {
              child: nameOf(offer.studentId),
              course: offer.courseTitle,
              title: offer.itemTitle ?? offer.courseTitle,
            })}
          </Words>
          <OneOffer offer={offer} />
        </Stack>
      ))}
    </Stack>
  );
}

const useLooks = themed((palette) => ({
  offer: { borderLeftWidth: 3, borderColor: palette.teal, paddingLeft: 12 },
}));
