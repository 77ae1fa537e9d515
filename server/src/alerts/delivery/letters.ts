import {
  placeOfAlert,
  type DigestChild,
  type DigestContent,
  type DigestRhythm,
  type Language,
} from '@cadro/contract';
import {
  digestNothing,
  digestSections,
  digestSpan,
  digestTitle,
  isEmptyDigest,
  leadFirst,
  tellAlert,
} from '@cadro/core';
import { letterWords } from './letterWords';
import {
  chapter,
  heading,
  link,
  mailOf,
  paragraph,
  row,
  small,
  smallLink,
  title,
  type MailPart,
} from '../../kit';
import type { KeptAlert } from '../store';

export interface MailText {
  readonly subject: string;
  readonly text: string;
  readonly html: string;
}

interface Frame {
  readonly language: Language;
  /** Address of the app, without a slash at its end. */
  readonly publicUrl: string;
  /** Where mail is stopped by hand. */
  readonly stopUrl: string;
  /** The guardian's own, for what is about no child. */
  readonly timeZone: string;
  /** Whether grades and counts may stand in a subject. */
  readonly figuresInSubject: boolean;
}

const foot = ({ language, publicUrl, stopUrl }: Frame): MailPart[] => [
  link(letterWords[language].all, `${publicUrl}/brief`),
  smallLink(letterWords[language].less, `${publicUrl}/alerts/rules`),
  smallLink(letterWords[language].stop, stopUrl),
];

/** One alert as a mail: what, why, and the next step. */
export function alertLetter(
  alert: KeptAlert,
  child: { readonly givenName: string; readonly timeZone: string } | null,
  lead: readonly string[],
  frame: Frame,
): MailText {
  const { language, publicUrl } = frame;
  const words = letterWords[language];
  // A mail is titled by its own news.
  const timeZone = child?.timeZone ?? frame.timeZone;
  const told = tellAlert(language, { ...alert, titled: [] }, { timeZone, lead });
  const named = (headline: string) => (child ? `${child.givenName}: ${headline}` : headline);
  const reasons = told.reasons
    .slice(0, 6)
    .flatMap(({ headline, facts, rule, source }) => [
      ...(told.reasons.length > 1 ? [paragraph(headline)] : []),
      ...facts.map(paragraph),
      small(`${rule} ${words.source(source)}`),
    ]);
  const parts = [
    title(named(told.headline)),
    ...reasons,
    heading(words.next),
    paragraph(told.next),
    link(words.open, `${publicUrl}${placeOfAlert(alert, leadFirst(alert.reasons, lead))}`),
    ...foot(frame),
  ];
  const subject = named(frame.figuresInSubject ? told.headline : told.discreet);
  return { subject, ...mailOf(parts, language) };
}

/** One alert as a text message: short, with where to read on. */
export function alertText(
  alert: KeptAlert,
  child: { readonly givenName: string; readonly timeZone: string } | null,
  lead: readonly string[],
  { language, publicUrl, timeZone }: Pick<Frame, 'language' | 'publicUrl' | 'timeZone'>,
): string {
  const { headline } = tellAlert(
    language,
    { ...alert, titled: [] },
    { timeZone: child?.timeZone ?? timeZone, lead },
  );
  return `${child ? `${child.givenName}: ` : ''}${headline}. ${publicUrl}/alerts/${alert.id}`;
}

function childParts(child: DigestChild, { language, publicUrl }: Frame, alone: boolean): MailPart[] {
  const { sections, more } = digestSections(language, child);
  return [
    ...(alone ? [] : [chapter(child.givenName)]),
    ...sections.flatMap(({ title: name, lines }) => [
      heading(name),
      ...lines.map(({ text, place }) => row(text, place && `${publicUrl}${place}`)),
    ]),
    ...(more ? [small(more)] : []),
  ];
}

/** A digest as a mail: all children on one page, whole without signing in. */
export function digestLetter(content: DigestContent, rhythm: DigestRhythm, frame: Frame): MailText {
  const { language } = frame;
  const name = digestTitle(language, rhythm === 'daily');
  const span = digestSpan(language, content);
  const said = isEmptyDigest(content.children)
    ? [paragraph(digestNothing(language))]
    : content.children.flatMap((child) => childParts(child, frame, content.children.length === 1));
  return {
    subject: `${name}, ${span}`,
    ...mailOf([title(name), small(span), ...said, ...foot(frame)], language),
  };
}

/** A message that only tries a channel. */
export const testLetter = (frame: Frame): MailText => {
  const { test } = letterWords[frame.language];
  return {
    subject: test.subject,
    ...mailOf([title(test.subject), paragraph(test.text), ...foot(frame)], frame.language),
  };
};
