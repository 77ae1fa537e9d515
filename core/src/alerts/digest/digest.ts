import type { DigestChild, DigestEntry, Silence } from '@cadro/contract';
import type { AlertRules } from '../settings/alertRules';
import { dateIn, dayMs } from '../../dates';
import { byCodePoint, roundHalfAway } from '../../gradebook';
import { byUrgency } from '../delivery/cap';
import type { ChildFacts } from '../facts';
import { signalsOf } from '../look';
import { presetRules } from '../settings/presets';
import { worksDue } from '../rules/work/bigWork';
import { closedSince, isNotice, leftValue, stakeOf } from '../../outlook';
import { isSilenced } from '../delivery/silence';
import { step } from '../step';
import { shows } from '../words/formats';

const comingDays = 7;

/** The rules a digest looks through: all that can be so, and what is big by the guardian's own measure. */
const digestRules = ({ rules, exceptions }: AlertRules): AlertRules => {
  const every = presetRules('everything').rules;
  return {
    exceptions,
    capPerDay: 50,
    rules: {
      ...every,
      below: { ...rules.below, on: true },
      'if-left': { ...rules['if-left'], on: true },
      fallen: { ...rules.fallen, on: true },
      slipping: { ...rules.slipping, on: true },
      'loose-end': { ...rules['loose-end'], on: true },
      // Who may lend a hand is asked for by choice alone.
      helpers: rules.helpers,
      // What is little is each family's own to say.
      'balance-low': rules['balance-low'],
      'fee-due': { ...rules['fee-due'], on: true, days: comingDays },
      'answer-due': { ...rules['answer-due'], on: true, days: comingDays },
      // How many scores came stands in one line of its own.
      scored: { ...every.scored, on: false },
      'big-work': { ...rules['big-work'], on: true, days: comingDays },
    },
  };
};

/** A day that was missed longer ago than this before the digest's days is nobody's concern of today. */
const attendanceMs = 28 * dayMs;

/** Whether something ends soon: what can be done until a day comes before what has no day. */
const ends = ({ reasons }: DigestEntry): boolean => reasons.some(({ rule }) => rule === 'deadline');

/** What came to be as it is before the days of the digest stands apart: 'that week and before'. */
function byAge(
  standing: readonly DigestEntry[],
  sinceMs: number,
): { now: DigestEntry[]; before: DigestEntry[] } {
  const lastMs = ({ reasons }: DigestEntry) => Math.max(...reasons.map(({ at }) => Date.parse(at)));
  const isOld = (entry: DigestEntry) => !ends(entry) && lastMs(entry) < sinceMs;
  const concerns = standing.filter(
    (entry) => entry.kind !== 'attendance' || lastMs(entry) >= sinceMs - attendanceMs,
  );
  return { now: concerns.filter((each) => !isOld(each)), before: concerns.filter(isOld) };
}

function comingOf(facts: ChildFacts, found: readonly DigestEntry[]): DigestChild['coming'] {
  const works = facts.courses.flatMap((course) => worksDue(facts, course, comingDays)).length;
  const big = found
    .flatMap(({ courseId, courseTitle, reasons }) =>
      reasons.flatMap((reason) =>
        reason.about === 'work' && reason.work.dueAt && courseId
          ? [
              {
                ...{ itemId: reason.work.itemId, courseId, courseTitle: courseTitle ?? '' },
                ...{ title: reason.work.title, dueAt: reason.work.dueAt },
              },
            ]
          : [],
      ),
    )
    .sort((a, b) => byCodePoint(a.dueAt, b.dueAt) || byCodePoint(a.title, b.title));
  return { works, big };
}

/** A figure that moved by less than this share of its scale is not worth a line. */
const leastMove = 0.005;

/** How far each figure has come since the digest's days began, the greatest way first. */
function changedOf({ courses }: ChildFacts, sinceMs: number): DigestChild['changed'] {
  return courses
    .flatMap(({ id, title, answer, grade, policy }) => {
      const first = answer.moved.find(({ at }) => Date.parse(at) > sinceMs);
      const { posted } = answer;
      if (!first || first.posted === null || first.delta === null || posted === null) return [];
      const before = first.posted - first.delta;
      const { outOf, decimals } = policy;
      return [
        {
          courseId: id,
          courseTitle: title,
          before,
          now: posted,
          outOf,
          decimals,
          ...(grade.count ? { grade } : {}),
        },
      ];
    })
    .filter(
      ({ before, now, decimals, outOf }) =>
        Math.abs(now - before) / outOf >= leastMove - 1e-9 &&
        shows(now - before, { decimals }) &&
        roundHalfAway(before, decimals) !== roundHalfAway(now, decimals),
    )
    .sort((a, b) => Math.abs(b.now - b.before) / b.outOf - Math.abs(a.now - a.before) / a.outOf);
}

/** What closed in the digest's days: of the term that runs, and of one that ended in them. */
const closedIn = ({ courses, asOfMs }: ChildFacts, sinceMs: number): NonNullable<DigestChild['closed']> =>
  courses.flatMap(({ id, title, answer, items, policy, ended, readAt }) => {
    const last = ended();
    const ends = closedSince([...answer.looseEnds, ...(last?.answer.looseEnds ?? [])], {
      ...{ sinceMs, readAt },
      nowMs: asOfMs,
    });
    const titles = ends.flatMap(({ itemId }) => (items.get(itemId) ?? last?.items.get(itemId))?.title ?? []);
    return titles.length > 0
      ? [{ courseId: id, courseTitle: title, titles, countsAs: leftValue(policy) }]
      : [];
  });

/** How much came in the digest's days: scores, also changed ones, and work that was given out. */
function newsIn({ courses, asOfMs }: ChildFacts, sinceMs: number): NonNullable<DigestChild['news']> {
  const came = (ms: number | null) => ms !== null && ms > sinceMs && ms <= asOfMs;
  // Scores of the term before still come in the first days of the new one.
  const scores = courses.flatMap(({ results, ended }) =>
    [...results.values(), ...(ended()?.results.values() ?? [])].filter((known) =>
      known.some(({ knownAtMs, value }) => value.status === 'scored' && came(knownAtMs)),
    ),
  );
  const assigned = courses.flatMap(({ items, itemKinds }) =>
    [...items.values()].filter(
      ({ id, possible, dueAtMs, assignedAtMs }) =>
        came(assignedAtMs) && !isNotice({ kind: itemKinds[id] ?? null, possible, dated: dueAtMs !== null }),
    ),
  );
  return { scores: scores.length, assigned: assigned.length };
}

function attendanceIn({ days, timeZone }: ChildFacts, sinceMs: number): DigestChild['attendance'] {
  const since = dateIn(timeZone, new Date(sinceMs));
  const within = days.filter(({ date }) => date > since);
  const lessons = within.flatMap((day) => day.lessons);
  const missed = lessons.filter(({ kind }) => kind === 'absent');
  return {
    schoolDays: within.length,
    daysMissed: within.filter((day) => day.lessons.some(({ kind }) => kind === 'absent')).length,
    lessonsMissed: missed.length,
    unexplained: missed.filter(({ excused }) => !excused).length,
    late: lessons.filter(({ kind }) => kind === 'tardy').length,
  };
}

/**
 * What a digest says of one child.
 * @param facts as of its end, with news of all its days.
 * @param ask.sinceMs its beginning.
 */
export function digestChild(
  facts: ChildFacts,
  ask: {
    readonly givenName: string;
    readonly rules: AlertRules;
    /** What the guardian does not want to hear of now is not in the digest either. */
    readonly silences: readonly Silence[];
    readonly sinceMs: number;
  },
): DigestChild {
  const found = signalsOf(facts, digestRules(ask.rules), []);
  const { states } = step({
    states: [],
    signals: found.filter((signal) => !isSilenced(signal, ask.silences, facts.today)),
    asOfMs: facts.asOfMs,
    silenced: () => false,
    first: false,
  });
  const standing = states
    .map(({ key, kind, studentId, courseId, courseTitle, reasons }): DigestEntry => ({
      ...{ key, kind, studentId, courseId, courseTitle },
      reasons: [...reasons],
    }))
    .sort(
      (a, b) =>
        Number(ends(b)) - Number(ends(a)) ||
        stakeOf(b.reasons) - stakeOf(a.reasons) ||
        byUrgency.indexOf(a.kind) - byUrgency.indexOf(b.kind),
    );
  const of = (...kinds: DigestEntry['kind'][]) => standing.filter(({ kind }) => kinds.includes(kind));
  const { now: needs, before } = byAge(of('figure', 'work', 'attendance', 'term'), ask.sinceMs);
  return {
    studentId: facts.studentId,
    givenName: ask.givenName,
    timeZone: facts.timeZone,
    good: of('good'),
    needs,
    before,
    coming: comingOf(facts, of('coming')),
    attendance: attendanceIn(facts, ask.sinceMs),
    changed: changedOf(facts, ask.sinceMs),
    comments: of('comment'),
    school: of('school'),
    closed: closedIn(facts, ask.sinceMs),
    news: newsIn(facts, ask.sinceMs),
    more: 0,
  };
}

/** So many entries are read in forty seconds, beside what is coming, attendance and figures that moved. */
const mostEntries = 8;
/** Of each child, so many works that are coming, and so many figures: fewer where there are more children. */
const mostOf = (children: number): number => Math.max(1, 4 - children);
/** In which turn an entry of a section is taken, by its place there: what needs you first, no section before all others. */
const turns = {
  needs: (place: number) => 2 * place,
  good: (place: number) => 1 + 4 * place,
  comments: (place: number) => 1 + 3 * place,
  school: (place: number) => 2 + 3 * place,
  before: (place: number) => 3 + 3 * place,
} as const;
const sections = ['needs', 'good', 'comments', 'school', 'before'] as const;

/** A digest that reads in forty seconds: what weighs most of each child, and how much more there is. */
export function fitDigest(children: readonly DigestChild[]): DigestChild[] {
  const queue = children
    .flatMap((child) =>
      sections.flatMap((section) =>
        (child[section] ?? []).map((entry, place) => ({
          entry,
          turn: turns[section](place),
          stake: stakeOf(entry.reasons),
        })),
      ),
    )
    .sort((a, b) => a.turn - b.turn || b.stake - a.stake);
  const taken = new Set(queue.slice(0, Math.max(mostEntries, children.length)).map(({ entry }) => entry));
  const most = mostOf(children.length);
  return children.map((child) => {
    const kept = (entries: readonly DigestEntry[]) => entries.filter((entry) => taken.has(entry));
    const entries = sections.flatMap((section) => child[section] ?? []);
    // What is said of a figure once is not said again.
    const said = kept(entries).flatMap(({ courseId, reasons }) =>
      reasons.some(({ about }) => about === 'figure') ? [courseId] : [],
    );
    const changed = child.changed.filter(({ courseId }) => !said.includes(courseId));
    return {
      ...child,
      ...{ needs: kept(child.needs), good: kept(child.good) },
      ...{ comments: kept(child.comments), before: kept(child.before) },
      ...(child.school ? { school: kept(child.school) } : {}),
      coming: { ...child.coming, big: child.coming.big.slice(0, most) },
      changed: changed.slice(0, most),
      more:
        child.more + entries.length - kept(entries).length + changed.length - changed.slice(0, most).length,
    };
  });
}

/** Whether a digest has nothing to say of any child. */
export const isEmptyDigest = (children: readonly DigestChild[]): boolean =>
  children.every(
    ({ good, needs, before, coming, changed, comments, attendance, school = [], closed = [], news }) =>
      [good, needs, before, changed, comments, school, closed].every((list) => list.length === 0) &&
      Object.values(news ?? {}).every((count) => count === 0) &&
      coming.works === 0 &&
      attendance.lessonsMissed === 0 &&
      attendance.late === 0,
  );
