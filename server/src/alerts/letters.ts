import {
  placeOfAlert,
  type DigestChild,
  type DigestContent,
  type DigestEntry,
  type DigestRhythm,
  type Language,
} from '@cadro/contract';
import { digestSpan, digestWords, formatsFor, isEmptyDigest, movedLine, tellAlert } from '@cadro/core';
import { letterWords } from './letterWords';
import { chapter, heading, link, mailOf, paragraph, row, small, title, type MailPart } from './mailPage';
import type { KeptAlert } from './store';

export interface Letter {
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
}

const foot = ({ language, publicUrl, stopUrl }: Frame): MailPart[] => [
  link(letterWords[language].all, `${publicUrl}/brief`),
  small(`${letterWords[language].less}: ${publicUrl}/alerts/rules`),
  small(`${letterWords[language].stop}: ${stopUrl}`),
];

/** One alert as a mail: what, why, and the next step. */
export function alertLetter(
  alert: KeptAlert,
  child: { readonly givenName: string; readonly timeZone: string } | null,
  lead: readonly string[],
  frame: Frame,
): Letter {
  const { language, publicUrl } = frame;
  const words = letterWords[language];
  const told = tellAlert(language, alert, { timeZone: child?.timeZone ?? 'UTC', lead });
  const named = child ? `${child.givenName}: ${told.headline}` : told.headline;
  const reasons = told.reasons
    .slice(0, 6)
    .flatMap(({ headline, facts, rule, source }) => [
      ...(told.reasons.length > 1 ? [paragraph(headline)] : []),
      ...facts.map(paragraph),
      small(`${rule} ${words.source(source)}`),
    ]);
  const parts = [
    title(named),
    ...reasons,
    heading(words.next),
    paragraph(told.next),
    link(words.open, `${publicUrl}${placeOfAlert(alert, alert.reasons)}`),
    ...foot(frame),
  ];
  return { subject: named, ...mailOf(parts, language) };
}

/** One alert as a text message: short, with where to read on. */
export function alertText(
  alert: KeptAlert,
  child: { readonly givenName: string; readonly timeZone: string } | null,
  lead: readonly string[],
  { language, publicUrl }: Omit<Frame, 'stopUrl'>,
): string {
  const { headline } = tellAlert(language, alert, { timeZone: child?.timeZone ?? 'UTC', lead });
  return `${child ? `${child.givenName}: ` : ''}${headline}. ${publicUrl}/alerts/${alert.id}`;
}

function entryRow(entry: DigestEntry, child: DigestChild, { language, publicUrl }: Frame): MailPart {
  const { headline } = tellAlert(language, entry, { timeZone: child.timeZone });
  return row(headline, `${publicUrl}${placeOfAlert(entry, entry.reasons)}`);
}

function childParts(child: DigestChild, frame: Frame, alone: boolean): MailPart[] {
  const { language, publicUrl } = frame;
  const words = digestWords(language);
  const formats = formatsFor(language, child.timeZone);
  const list = (section: keyof typeof words.sections, rows: readonly MailPart[]): MailPart[] =>
    rows.length > 0 ? [heading(words.sections[section]), ...rows] : [];
  const entries = (all: readonly DigestEntry[]) => all.map((entry) => entryRow(entry, child, frame));
  return [
    ...(alone ? [] : [chapter(child.givenName)]),
    ...list('good', entries(child.good)),
    ...list('needs', child.needs.length > 0 ? entries(child.needs) : [paragraph(words.needsNone)]),
    ...list('before', entries(child.before)),
    ...list('comments', entries(child.comments)),
    ...list(
      'coming',
      child.coming.map(({ title: work, courseTitle, dueAt, possible, test }) =>
        row(`${formats.day(dueAt)}: ${words.work(work, courseTitle, test, possible)}`, null),
      ),
    ),
    ...list('attendance', [
      row(words.attended(child.attendance), `${publicUrl}/days/attendance/${child.studentId}`),
    ]),
    ...list(
      'changed',
      child.changed.map((moved) =>
        row(movedLine(language, formats, moved), `${publicUrl}/courses/${child.studentId}/${moved.courseId}`),
      ),
    ),
    ...(child.more > 0 ? [small(words.more(child.more))] : []),
  ];
}

/** A digest as a mail: all children on one page, whole without signing in. */
export function digestLetter(content: DigestContent, rhythm: DigestRhythm, frame: Frame): Letter {
  const { language } = frame;
  const words = digestWords(language);
  const name = words.title(rhythm === 'daily');
  const span = digestSpan(language, content);
  const said = isEmptyDigest(content.children)
    ? [paragraph(words.nothing)]
    : content.children.flatMap((child) => childParts(child, frame, content.children.length === 1));
  return {
    subject: `${name}, ${span}`,
    ...mailOf([title(name), small(span), ...said, ...foot(frame)], language),
  };
}

/** A message that only tries a channel. */
export const testLetter = (frame: Frame): Letter => {
  const { test } = letterWords[frame.language];
  return {
    subject: test.subject,
    ...mailOf([title(test.subject), paragraph(test.text), ...foot(frame)], frame.language),
  };
};
