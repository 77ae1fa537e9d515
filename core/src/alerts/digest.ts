import type { AlertRules, DigestChild, DigestEntry, Silence } from '@cadro/contract';
import { dateIn } from '../dates';
import { instantOf } from '../gradebook';
import { isTest } from '../outlook';
import { byUrgency } from './cap';
import type { ChildFacts } from './facts';
import { signalsOf } from './look';
import { presetRules } from './presets';
import { isSilenced } from './silence';
import { step } from './step';

const dayMs = 24 * 60 * 60 * 1000;
const comingMs = 7 * dayMs;
/** What is read in forty seconds. */
const most = { good: 3, needs: 4, before: 3, coming: 5, changed: 4, comments: 2 } as const;

/** The rules a digest looks through: all that can be so, none of what the digest lists itself. */
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
      'big-work': { ...every['big-work'], on: false },
    },
  };
};

/** Works that came to be as they are before the days of the digest stand apart: 'that week and before'. */
function byAge(
  needs: readonly DigestEntry[],
  sinceMs: number,
): { now: DigestEntry[]; before: DigestEntry[] } {
  const isOld = ({ reasons }: DigestEntry) =>
    reasons.every(({ rule, at }) => rule === 'loose-end' && Date.parse(at) < sinceMs);
  return { now: needs.filter((each) => !isOld(each)), before: needs.filter(isOld) };
}

const stakeOf = ({ reasons }: DigestEntry): number =>
  Math.max(
    0,
    ...reasons.map((reason) =>
      reason.about === 'work'
        ? (reason.work.impact ?? 0) / reason.outOf
        : reason.about === 'figure'
          ? Math.max(0, (reason.before ?? reason.now) - reason.now) / reason.outOf
          : 0.02,
    ),
  );

function comingOf({ courses, asOfMs }: ChildFacts): DigestChild['coming'] {
  return courses
    .flatMap((course) =>
      [...course.items.values()].flatMap((item) => {
        const status = course.results.get(item.id)?.at(-1)?.value.status ?? 'open';
        const { dueAtMs, assignedAtMs } = item;
        const given = assignedAtMs === null || assignedAtMs <= asOfMs;
        const soon = dueAtMs !== null && dueAtMs >= asOfMs && dueAtMs - asOfMs <= comingMs;
        if (!given || !soon || status !== 'open') return [];
        return [
          {
            itemId: item.id,
            courseTitle: course.title,
            title: item.title,
            dueAt: instantOf(dueAtMs),
            possible: item.possible,
            test: isTest(course.itemKinds[item.id] ?? null),
          },
        ];
      }),
    )
    .sort((a, b) => (a.dueAt < b.dueAt ? -1 : a.dueAt > b.dueAt ? 1 : a.title < b.title ? -1 : 1));
}

/** How far each figure has come since the digest's days began, the greatest way first. */
function changedOf({ courses }: ChildFacts, sinceMs: number): DigestChild['changed'] {
  return courses
    .flatMap(({ id, title, answer, policy }) => {
      const first = answer.moved.find(({ at }) => Date.parse(at) > sinceMs);
      const { posted } = answer;
      if (!first || first.posted === null || first.delta === null || posted === null) return [];
      const before = first.posted - first.delta;
      const { outOf, decimals } = policy;
      return [{ courseId: id, courseTitle: title, before, now: posted, outOf, decimals }];
    })
    .filter(({ before, now, decimals }) => Math.abs(now - before) >= 0.5 * 10 ** -decimals)
    .sort((a, b) => Math.abs(b.now - b.before) / b.outOf - Math.abs(a.now - a.before) / a.outOf);
}

function attendanceIn({ days, timeZone }: ChildFacts, sinceMs: number): DigestChild['attendance'] {
  const since = dateIn(timeZone, new Date(sinceMs));
  const lessons = days.filter(({ date }) => date > since).flatMap((day) => day.lessons);
  const missed = lessons.filter(({ kind }) => kind === 'absent');
  return {
    schoolDays: days.filter(({ date }) => date > since).length,
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
    .sort((a, b) => stakeOf(b) - stakeOf(a) || byUrgency.indexOf(a.kind) - byUrgency.indexOf(b.kind));
  const of = (...kinds: DigestEntry['kind'][]) => standing.filter(({ kind }) => kinds.includes(kind));
  const { now: needs, before } = byAge(of('figure', 'work', 'attendance', 'term'), ask.sinceMs);
  const lists = {
    good: of('good'),
    needs,
    before,
    coming: comingOf(facts),
    changed: changedOf(facts, ask.sinceMs),
    comments: of('comment'),
  };
  const over = (list: readonly unknown[], count: number) => Math.max(0, list.length - count);
  const more =
    over(lists.good, most.good) +
    over(needs, most.needs) +
    over(before, most.before) +
    over(lists.coming, most.coming) +
    over(lists.changed, most.changed) +
    over(lists.comments, most.comments);
  return {
    studentId: facts.studentId,
    givenName: ask.givenName,
    timeZone: facts.timeZone,
    good: lists.good.slice(0, most.good),
    needs: needs.slice(0, most.needs),
    before: before.slice(0, most.before),
    coming: lists.coming.slice(0, most.coming),
    attendance: attendanceIn(facts, ask.sinceMs),
    changed: lists.changed.slice(0, most.changed),
    comments: lists.comments.slice(0, most.comments),
    more,
  };
}

/** Whether a digest has nothing to say of any child. */
export const isEmptyDigest = (children: readonly DigestChild[]): boolean =>
  children.every(
    ({ good, needs, before, coming, changed, comments, attendance }) =>
      [good, needs, before, coming, changed, comments].every((list) => list.length === 0) &&
      attendance.lessonsMissed === 0 &&
      attendance.late === 0,
  );
