import type { TFunction } from 'i18next';
import type { Href } from 'expo-router';
import type { MatterOf, Meeting } from '@cadro/contract';
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

/** A meeting on the Brief: that it is near, off, or over, and what to do. */
export const meetingMatterWords = (
  { what, teacherName, startsAt, way, place, meetingId }: MatterOf<'meeting'>,
  { t, format }: { readonly t: TFunction; readonly format: Format },
): { title: string; body: string; step: { label: string; href: Href } } => ({
  title: t(`meetingMatter.titles.${what}`, { teacher: teacherName }),
  body: t(`meetingMatter.bodies.${what}`, {
    when: format.dayTime(startsAt),
    where: whereWords(t, { way, place }),
  }),
  step: { label: t(`meetingMatter.steps.${what}`), href: `/talk/meetings/${meetingId}` },
});
