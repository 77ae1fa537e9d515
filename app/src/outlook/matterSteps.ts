import type { TFunction } from 'i18next';
import type { Href } from 'expo-router';
import type { Language, Matter, NamedLooseEnd } from '@cadro/contract';
import type { Format } from '../i18n';
import type { DropProps } from '../ui';

export interface MatterWords {
  readonly context: string;
  readonly when: string;
  readonly title: string;
  readonly body: string;
  readonly step: { readonly label: string; readonly href: Href };
  /** A fall that is drawn in place of most of the body, what it says, and the line that stands below it. */
  readonly fall?: DropProps & { readonly below: string };
  /** Where the reason stands in full. */
  readonly why: Href | null;
}

/** What a matter's words are made with. */
export interface Tools {
  readonly t: TFunction;
  readonly format: Format;
  readonly child: string;
  readonly mayTalk: boolean;
  readonly language: Language;
  /** Of the child's school. */
  readonly timeZone: string;
}

export const courseHref = (matter: Matter): Href => `/courses/${matter.studentId}/${matter.courseId ?? ''}`;
const talkHref = (matter: Matter, end?: NamedLooseEnd): Href => {
  const query = [
    `studentId=${matter.studentId}`,
    ...(matter.courseId ? [`courseId=${matter.courseId}`] : []),
    ...(end ? [`itemId=${end.itemId}`] : []),
  ];
  return `/talk/new?${query.join('&')}`;
};

/** The child is asked first; who may only look is shown the reason instead. */
export function talkFirst(
  matter: Matter,
  { t, child, mayTalk }: Tools,
  reason: { label: string; href: Href },
  end?: NamedLooseEnd,
) {
  return mayTalk
    ? { step: { label: t('matter.talk', { child }), href: talkHref(matter, end) }, why: reason.href }
    : { step: reason, why: null };
}
export const courseReason = (matter: Matter, { t }: Tools) => ({
  label: t('matter.openCourse'),
  href: courseHref(matter),
});
export const looseWorkStep = (matter: Matter, end: NamedLooseEnd, tools: Tools) =>
  talkFirst(matter, tools, courseReason(matter, tools), end);

/** What of a matter's words its kind decides. */
export type OfKind = Omit<MatterWords, 'context' | 'when'>;
