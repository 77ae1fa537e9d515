import type { TFunction } from 'i18next';
import {
  sitdownSections,
  type Announcement,
  type Brief,
  type FollowUpSummary,
  type KeptSection,
  type Matter,
  type NewsLine,
  type Plan,
  type SitdownPage,
  type SitdownSection,
  type Supply,
} from '@cadro/contract';
import { dayMs } from '@cadro/core';
import type { Format } from '../i18n';

/** A line of a child's page: Cadro's, with the same id for the same thing, or the family's own. */
export interface Line {
  readonly id: string;
  readonly text: string;
  readonly detail?: string;
  readonly own?: true;
}
export interface Section {
  readonly section: SitdownSection;
  readonly lines: readonly Line[];
}

/** What a child's page is made of; all of it is about this child. */
export interface PageFacts {
  readonly childId: string;
  readonly child: string;
  readonly brief: Brief;
  readonly news: readonly NewsLine[];
  readonly plan: Plan | null;
  readonly followUps: readonly FollowUpSummary[];
  readonly announcements: readonly Announcement[];
  readonly supplies: readonly Supply[];
  /** The page of the sit-down before. */
  readonly before: SitdownPage | null;
}

interface Tools {
  readonly t: TFunction;
  readonly format: Format;
  /** A matter in words: what is wrong, and why. */
  readonly say: (matter: Matter) => { readonly title: string; readonly body: string };
}

/** So many good things, and so many that need something. */
const most = { good: 4, things: 3, days: 7 } as const;
/** From such a share of the points a score is good news by itself. */
const goodShare = 0.85;
const weekMs = 7 * dayMs;

function goodLines({ t, format }: Tools, { brief, news, childId, followUps }: PageFacts): Line[] {
  const since = Date.parse(brief.asOf) - weekMs;
  const points = (earned: number | null, possible: number) =>
    t('item.score', { earned: format.amount(earned ?? 0), possible: format.amount(possible) });
  const made = brief.goodNews
    .filter(({ studentId }) => studentId === childId)
    .map(({ itemId, title, was, now }) => ({
      id: `good:${itemId}`,
      text: t('sitdown.made', { title, was: t(`kinds.${was}`), now: points(now.earned, now.possible) }),
    }));
  const known = new Set(made.map(({ id }) => id));
  const scores = news
    .flatMap((line) => {
      if (line.kind !== 'score' || line.earned === null || line.possible <= 0) return [];
      if (Date.parse(line.at) < since || line.earned / line.possible < goodShare) return [];
      const { itemId, title, courseTitle, earned, possible } = line;
      const text = t('sitdown.scored', { title, course: courseTitle, score: points(earned, possible) });
      return [{ id: `good:${itemId}`, share: earned / possible, text }];
    })
    .filter(({ id }) => !known.has(id))
    .sort((a, b) => b.share - a.share)
    .map(({ id, text }) => ({ id, text }));
  const done = followUps
    .filter(({ childDoneAt }) => childDoneAt !== null && Date.parse(childDoneAt) >= since)
    .map(({ id, title }) => ({ id: `good:done:${id}`, text: t('sitdown.didIt', { title }) }));
  return [...made, ...done, ...scores].slice(0, most.good);
}

/** What is worth half an hour: letters and answers are not. */
const worth: ReadonlySet<Matter['kind']> = new Set([
  ...(['underneath', 'mendable', 'slipping', 'waiting', 'absence', 'look-again'] as const),
]);

/** The matters of the Brief, in its order: what brings most, first. */
const thingsOf = ({ brief, childId }: PageFacts): Matter[] =>
  brief.matters
    .filter(({ studentId, kind }) => studentId === childId && worth.has(kind))
    .slice(0, most.things);

/** One question for the child to answer first, about what matters most. */
export function questionFor({ t }: Tools, facts: PageFacts): string {
  const [first] = thingsOf(facts);
  if (!first) return t('sitdown.ask.well');
  if (first.kind === 'absence') return t('sitdown.ask.days');
  if (first.kind === 'look-again') return t('sitdown.ask.how', { title: first.title });
  return t('sitdown.ask.course', { course: first.courseTitle ?? '' });
}

/** What became of what was agreed the last time. */
export function becameOf(
  t: TFunction,
  { followUpId, held }: SitdownPage['agreed'][number],
  followUps: readonly FollowUpSummary[],
): string {
  const followUp = followUps.find(({ id }) => id === followUpId);
  if (held !== null) return t(held ? 'sitdown.held' : 'sitdown.notHeld');
  if (!followUp) return t('sitdown.notSaid');
  if (followUp.step === 'settled') return t('sitdown.settled');
  return t(followUp.childDoneAt ? 'sitdown.childDone' : 'sitdown.stillOpen');
}

function weekLines({ t, format }: Tools, { brief, plan, childId }: PageFacts): Line[] {
  return Array.from({ length: most.days }, (_, at) => format.daysAhead(at)).flatMap((date): Line[] => {
    const planned = (plan?.tasks ?? [])
      .filter(({ evening, doneAt }) => evening === date && doneAt === null)
      .map(({ title, minutes }) => t('sitdown.planned', { title, count: minutes }));
    const due = (brief.coming.find(({ on }) => on === date)?.items ?? [])
      .filter(({ studentId, offerEnds }) => studentId === childId && !offerEnds)
      .map(({ title }) => title);
    const said = [...planned, ...(due.length > 0 ? [t('sitdown.due', { titles: format.list(due) })] : [])];
    if (said.length === 0) return [];
    return [{ id: `week:${date}`, text: `${format.day(date)}: ${said.join('; ')}` }];
  });
}

function bringLines({ t, format }: Tools, { announcements, supplies, childId }: PageFacts): Line[] {
  const forms = announcements
    .filter(
      ({ open, studentIds, answers, wish }) =>
        open &&
        (wish.kind === 'form' || wish.kind === 'bring') &&
        studentIds.includes(childId) &&
        !answers.some(({ studentId }) => studentId === childId),
    )
    .map(({ id, title, wish, by }) => ({
      id: `bring:${id}`,
      text: t(by ? `sitdown.wish.${wish.kind === 'form' ? 'form' : 'bring'}By` : 'sitdown.wish.plain', {
        ...{ title, day: by ? format.day(by) : '' },
      }),
    }));
  const buys = supplies
    .filter(({ studentId, got }) => !got && studentId === childId)
    .map(({ supply, neededOn, itemId, entryId }) => ({
      id: `buy:${entryId ?? itemId ?? ''}:${supply}`,
      text: neededOn
        ? t('sitdown.buyBy', { supply, day: format.day(neededOn) })
        : t('sitdown.buy', { supply }),
    }));
  return [...forms, ...buys];
}

/** Lines as the family has put them; those that are not named follow as they come. */
const inOrder = (lines: readonly Line[], order: readonly string[]): Line[] => {
  const place = new Map(order.map((id, at) => [id, at]));
  const at = ({ id }: Line) => place.get(id) ?? order.length;
  return [...lines].sort((a, b) => at(a) - at(b));
};

/** An order with one of a section's lines a place further up than it puts it, wherever it was drawn. */
export function movedUp(order: readonly string[], { lines }: Section, id: string): string[] {
  const ids = inOrder(lines, order).map((line) => line.id);
  const at = ids.indexOf(id);
  const above = ids[at - 1];
  if (above !== undefined) ids.splice(at - 1, 2, id, above);
  return [...order.filter((each) => !ids.includes(each)), ...ids];
}

/** A child's page as Cadro makes it, and as the family has changed it; sections without a line are left out. */
export function composePage(tools: Tools, facts: PageFacts, page: SitdownPage): Section[] {
  const made: Readonly<Record<SitdownSection, readonly Line[]>> = {
    good: goodLines(tools, facts),
    question: [{ id: 'question', text: page.question ?? questionFor(tools, facts) }],
    things: thingsOf(facts).map((matter) => {
      const { title, body } = tools.say(matter);
      return { id: `thing:${matter.key}`, text: title, detail: body };
    }),
    agreed: (facts.before?.agreed ?? []).map((agreement) => ({
      id: `agreed:${agreement.id}`,
      text: agreement.text,
      detail: becameOf(tools.t, agreement, facts.followUps),
    })),
    week: weekLines(tools, facts),
    bring: bringLines(tools, facts),
  };
  const hidden = new Set(page.hidden);
  return sitdownSections.flatMap((section): Section[] => {
    const own = page.own
      .filter((line) => line.section === section)
      .map(({ id, text }) => ({ id, text, own: true as const }));
    const lines = [...made[section].filter(({ id }) => !hidden.has(id)), ...own];
    return lines.length > 0 ? [{ section, lines: inOrder(lines, page.order) }] : [];
  });
}

const longest = 500;
/** A page as it is kept: its words alone. */
export const keptOf = (sections: readonly Section[]): KeptSection[] =>
  sections.map(({ section, lines }) => ({
    section,
    lines: lines.map(({ text, detail }) =>
      (section === 'agreed' && detail ? `${text} (${detail})` : text).slice(0, longest),
    ),
  }));
