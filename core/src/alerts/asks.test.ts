import type { AlertReason, NamedLooseEnd, OpenEnd } from '@cadro/contract';
import fc from 'fast-check';
import { countedGrade } from '../gradebook';
import { openEndsOf, triage, type CourseFacts, type FamilyFacts } from '../outlook';
import { anyHistory, commentOn, evening, historyOf, instant, item, state } from '../testing/histories';
import {
  digestChild,
  factsAt,
  presetRules,
  signalsOf,
  type ChildFacts,
  type ChildHistory,
  type CourseSight,
} from '.';
import { runs } from '../testing/runs';

/*
 * After success, silence: whatever happens over random weeks, no matter, alert, offer or line of a digest asks for
 * something that the record shows as done, excused or over.
 */
const everything = presetRules('everything');
/** Rules whose words tell the reader to do something about a work. */
const asking = new Set<string>(['loose-end', 'deadline', 'big-work', 'sent-back']);

/** Random weeks with an offer in every comment, some of them confirmed. */
const anyWeeks = fc
  .record({
    history: anyHistory,
    offers: fc.array(
      fc.record({ of: fc.nat(7), day: fc.nat(24), until: fc.nat(30), confirmed: fc.boolean() }),
      { maxLength: 5 },
    ),
    seen: fc.array(fc.record({ of: fc.nat(7), day: fc.nat(28), scored: fc.boolean() }), { maxLength: 4 }),
    day: fc.integer({ min: 1, max: 30 }),
  })
  .map(({ history, offers, seen, day }) => {
    const works = [
      ...new Set(history.courses.flatMap(({ terms }) => terms.flatMap(({ items }) => items))),
    ].map(({ value }) => value.id);
    const workOf = (of: number) => works[of % Math.max(1, works.length)] ?? 'none';
    const at = (of: number) => new Date(evening(of)).toISOString();
    const whole: ChildHistory = {
      ...history,
      comments: offers.map(({ of, day: written, until }, index) =>
        commentOn(`o${index}`, written, {
          itemId: workOf(of),
          offers: [{ untilMs: evening(until), credit: 1 }],
        }),
      ),
      courses: history.courses.map((course) => ({
        ...course,
        classroom: seen.map((each) => ({
          knownAtMs: evening(each.day),
          value: {
            ...{ itemId: workOf(each.of), at: at(each.day) },
            ...(each.scored
              ? { status: 'scored' as const, earned: 15 }
              : { status: 'handed-in' as const, earned: null }),
          },
        })),
        offers: offers
          .filter(({ confirmed }) => confirmed)
          .map(({ of, day: written, until }) => ({
            knownAtMs: evening(written),
            value: { itemId: workOf(of), until: at(until), credit: 1, since: at(written) },
          })),
      })),
    };
    return { history: whole, asOfMs: evening(day) };
  });

interface Seen {
  readonly course: CourseSight;
  readonly facts: ChildFacts;
}

/** Why nothing may be asked of a work any more; null where something may. */
function whyNot({ course, facts }: Seen, itemId: string, untilMs: number | null): string | null {
  const { asOfMs } = facts;
  const results = (course.results.get(itemId) ?? []).filter(({ value }) => Date.parse(value.at) <= asOfMs);
  const last = results.at(-1)?.value;
  if (untilMs !== null && untilMs < asOfMs) return 'its last day is over';
  if (last?.status === 'excused') return 'it is excused';
  // A teacher may ask for it again after it was turned in; then only what came since ends that.
  const asked = facts.comments.some(
    ({ value }) => value.itemId === itemId && last !== undefined && value.writtenAt >= last.at,
  );
  if (last?.status === 'handed-in' && !asked) return 'it is turned in';
  const end = course.answer.looseEnds.find((each) => each.itemId === itemId);
  const again = course.answer.chances.some((each) => each.itemId === itemId);
  if (last?.status === 'scored' && !end && !again && (last.earned ?? 0) >= 19) return 'it has its full score';
  if (end && end.kind !== 'unmarked' && !end.recoverable) return 'it is too late';
  return null;
}

const untilOf = (reason: AlertReason): number | null =>
  reason.about === 'work' && reason.work.deadline !== null ? Date.parse(reason.work.deadline) : null;

function wrong(seen: Seen, reasons: readonly AlertReason[]): string[] {
  return reasons.flatMap((reason) => {
    if (reason.about !== 'work' || !asking.has(reason.rule) || !seen.course.items.has(reason.work.itemId))
      return [];
    // A loose end that is too late is told as one, without a day until which it could be mended.
    const why = whyNot(seen, reason.work.itemId, untilOf(reason));
    const tells = reason.rule === 'loose-end' && (why === 'it is too late' || why === 'its last day is over');
    return why && !tells ? [`${reason.rule} ${reason.work.itemId}: ${why}`] : [];
  });
}

const named = (
  { itemId, kind, recoverable, deadline, credit, impact }: OpenEnd,
  sight: CourseSight,
): NamedLooseEnd => ({
  ...{ itemId, kind, recoverable, deadline, credit, impact },
  title: itemId,
  dueAt: null,
  remarked: false,
  doubt: null,
  ...(sight.items.get(itemId)?.dueAtMs
    ? { dueAt: new Date(sight.items.get(itemId)?.dueAtMs ?? 0).toISOString() }
    : {}),
});

const courseFacts = (sight: CourseSight): CourseFacts => ({
  ...{ id: sight.id, studentId: 'child', title: sight.title, outOf: 100, decimals: 1 },
  ...{
    figures: sight.answer,
    grade: countedGrade(sight.policy, sight.answer),
    closed: [],
    doubtful: null,
    leftAs: 0,
    termEnd: '2026-12-18T23:59:00Z',
    readAt: null,
  },
  looseEnds: openEndsOf(sight.answer).map((end) => named(end, sight)),
});

it('no alert and no line of a digest asks for what is done, excused or over', () => {
  fc.assert(
    fc.property(anyWeeks, ({ history, asOfMs }) => {
      const facts = factsAt(history, asOfMs);
      const [course] = facts.courses;
      if (!course) return;
      const signals = signalsOf(facts, everything, []);
      expect(
        wrong(
          { course, facts },
          signals.map(({ reason }) => reason),
        ),
      ).toEqual([]);
      const digest = digestChild(facts, {
        ...{ givenName: 'Isolde', rules: everything, silences: [], sinceMs: asOfMs - 7 * 86_400_000 },
      });
      const lines = [...digest.needs, ...digest.before].flatMap(({ reasons }) => reasons);
      expect(wrong({ course, facts }, lines)).toEqual([]);
    }),
    { numRuns: runs(400) },
  );
});

it('no matter of the Brief asks for it, and no second chance or loose end is offered that is over', () => {
  fc.assert(
    fc.property(anyWeeks, ({ history, asOfMs }) => {
      const facts = factsAt(history, asOfMs);
      const [course] = facts.courses;
      if (!course) return;
      const family: FamilyFacts = {
        ...{
          now: new Date(asOfMs).toISOString(),
          courses: [courseFacts(course)],
          comments: [],
          absences: [],
        },
        ...{ followUps: [], replies: [], alerts: [], asks: [], meetings: [] },
      };
      const ends = triage(family).flatMap((matter) => ('looseEnds' in matter ? matter.looseEnds : []));
      const faults = ends.flatMap(({ itemId, deadline }) => {
        const why = whyNot({ course, facts }, itemId, deadline === null ? null : Date.parse(deadline));
        return why ? [`${itemId}: ${why}`] : [];
      });
      expect(faults).toEqual([]);
      for (const { itemId, deadline } of course.answer.chances)
        expect(whyNot({ course, facts }, itemId, Date.parse(deadline))).toBeNull();
    }),
    { numRuns: runs(400) },
  );
});

it('would be noticed: a rule that asked for settled work is found by it', () => {
  const history = historyOf({ items: [item('w', 3), item('v', 3)], results: [state('w', 4, 'excused')] });
  const facts = factsAt(history, evening(8));
  const [course] = facts.courses;
  const reason = (itemId: string, deadline: string | null) =>
    ({ about: 'work', rule: 'deadline', work: { itemId, deadline } }) as AlertReason;
  const found = (...reasons: AlertReason[]) => (course ? wrong({ course, facts }, reasons) : null);
  expect(found(reason('w', null))).toEqual(['deadline w: it is excused']);
  expect(found(reason('v', instant(7)))).toEqual(['deadline v: its last day is over']);
  expect(found(reason('v', instant(9)))).toEqual([]);
});
