import type { TFunction } from 'i18next';
import type { Meeting } from '@cadro/contract';
import type { Format } from '../i18n';

type When = Pick<Meeting, 'startsAt' | 'endsAt'>;
/** 'Thu 29 Oct, 15:10 to 15:30', by the school's clock. */
export const whenWords = (t: TFunction, format: Format, { startsAt, endsAt }: When): string =>
  t('meeting.when', {
    ...{ day: format.day(startsAt), from: format.time(startsAt), to: format.time(endsAt) },
  });

/** 'In person, Boat shed'. */
export const whereWords = (t: TFunction, { way, place }: Pick<Meeting, 'way' | 'place'>): string =>
  [t(`meeting.ways.${way}`), ...(place ? [place] : [])].join(', ');

/** What became of it, where it does not stand; empty where it does. */
export const stateWords = (t: TFunction, { state }: Pick<Meeting, 'state'>): string =>
  state === 'stands' ? '' : t(`meeting.states.${state}`);
