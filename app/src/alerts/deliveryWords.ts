import type { TFunction } from 'i18next';
import type { Delivery } from '@cadro/contract';
import type { Format } from '../i18n';

/** What became of something that went out. */
export const deliveryWords = (
  t: TFunction,
  format: Format,
  { channel, state, at, notBefore, error }: Delivery,
): string =>
  t(`alerts.delivery.${state}`, {
    channel: t(`alerts.channel.${channel}`),
    when: format.recent(state === 'waiting' ? (notBefore ?? at) : at),
    error: error ?? '',
  });
