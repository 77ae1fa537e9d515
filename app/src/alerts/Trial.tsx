import { useTranslation } from 'react-i18next';
import type { AlertSettings } from '@cadro/contract';
import { problemWords } from '../i18n';
import { useFormat } from '../household';
import { Action, Heading, OutLink, Row, Stack, Words } from '../ui';
import { useTryChannelMutation } from './api';
import { deliveryWords } from './deliveryWords';

/** The ways to be reached, tried out, and what went out lately. */
export function Trial({ settings }: { settings: AlertSettings }) {
  const { t } = useTranslation();
  const format = useFormat();
  const [tryIt, { isLoading, isSuccess, error }] = useTryChannelMutation();
  const { deliveries, devices, textsOffered, arrivedUrl, phoneConfirmed, delivery: ways } = settings;
  const numberWorks = textsOffered && ways.phone !== null && ways.phone === phoneConfirmed;
  return (
    <Stack>
      <Heading level={2}>{t('reach.tryIt')}</Heading>
      <Row space={2} wrap>
        <Action label={t('reach.tryMail')} busy={isLoading} onPress={() => void tryIt('mail')} />
        {numberWorks ? (
          <Action label={t('reach.tryText')} busy={isLoading} onPress={() => void tryIt('text')} />
        ) : null}
        {devices.length > 0 ? (
          <Action label={t('reach.tryPush')} busy={isLoading} onPress={() => void tryIt('push')} />
        ) : null}
      </Row>
      {error ? <Words colour="plum">{problemWords(t, error)}</Words> : null}
      {isSuccess ? <Words live>{t('reach.tried')}</Words> : null}
      <Stack space={0.25}>
        <Words bold>{t('reach.recent')}</Words>
        {deliveries.length === 0 ? <Words colour="soft">{t('reach.nothingYet')}</Words> : null}
        {deliveries.map((delivery) => (
          <Words
            key={delivery.id}
            size="small"
            colour={delivery.state === 'failed' || delivery.state === 'bounced' ? 'plum' : 'soft'}
          >
            {t('reach.sentLine', {
              what: t(`reach.about.${delivery.about}`),
              how: deliveryWords(t, format, delivery),
            })}
          </Words>
        ))}
      </Stack>
      {arrivedUrl ? <OutLink label={t('reach.arrived')} href={arrivedUrl} /> : null}
    </Stack>
  );
}
