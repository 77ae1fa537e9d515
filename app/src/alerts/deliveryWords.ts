import type { TFunction } from 'i18next';
import type { Delivery } from '@cadro/contract';
import type { Format } from '../i18n';

/** What became of something that went out. */
export const deliveryWords = (
  t: TFunction,
  format: Format,
  { channel, state, at, notBefore, fault }: Delivery,
): string =>
  t(`alerts.delivery.${state === 'waiting' && fault ? 'again' : state}`, {
    channel: t(`alerts.channel.${channel}`),
    when: format.recent(state === 'waiting' ? (notBefore ?? at) : at),
    why: fault ? t(`alerts.deliveryReason.${fault.reason}`, { status: fault.status ?? '' }) : '',
  });
