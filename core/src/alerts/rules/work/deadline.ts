import { dayMs } from '../../../dates';
import { instantOf, offerStanding, type OfferedWork } from '../../../gradebook';
import type { ChildFacts, CourseSight } from '../../facts';
import { childRule } from '../rule';
import { daysUpTo, knob, ruleSettings } from '../set';
import { endOf, standsSince, workKey, workSignal } from './workReason';
import { workIn } from './workWords';

interface End {
  readonly itemId: string;
  readonly untilMs: number;
  readonly credit: number | null;
}

/** How a work stood when the look was taken; null of one the course does not know. */
function workAt({ items, results, classroom }: CourseSight, itemId: string): OfferedWork | null {
  if (!items.has(itemId)) return null;
  const last = results.get(itemId)?.at(-1)?.value;
  const seen = classroom.get(itemId);
  return {
    status: last?.status ?? 'open',
    atMs: last ? Date.parse(last.at) : null,
    seenMs: seen ? Date.parse(seen.at) : null,
  };
}

/**
 * The last moments to mend a loose end of the course or to do scored work again, and those that offers read out of
 * comments name, as long as the offer still asks for something.
 */
function endsOf(facts: ChildFacts, course: CourseSight): End[] {
  const { looseEnds, chances } = course.answer;
  const mendable = looseEnds.flatMap(({ itemId, recoverable, deadline: last, credit, impact }) =>
    recoverable && last && (impact ?? 1) > 1e-9 ? [{ itemId, untilMs: Date.parse(last), credit }] : [],
  );
  const again = chances.map(({ itemId, deadline: last, credit }) => ({
    ...{ itemId, untilMs: Date.parse(last), credit },
  }));
  const offered = facts.comments.flatMap(({ value: { courseId, itemId, offers, writtenAt } }) => {
    if (courseId !== course.id || itemId === null) return [];
    const work = workAt(course, itemId);
    return offers.flatMap(({ untilMs, credit }) => {
      const made = { untilMs, writtenAtMs: Date.parse(writtenAt) };
      return work && offerStanding(made, work, facts.asOfMs) === 'open' ? [{ itemId, untilMs, credit }] : [];
    });
  });
  return [...mendable, ...again, ...offered];
}

/** What can still be mended only for so many days. */
export const deadline = childRule({
  name: 'deadline',
  about: 'work',
  settings: ruleSettings({ days: daysUpTo(60) }),
  presets: {
    urgent: { on: true, days: 2 },
    usual: { on: true, days: 3 },
    everything: { on: true, days: 7 },
  },
  page: { group: 'work', place: 2, knobs: [knob.days('ahead', 14)], differs: 'course' },
  asked: ({ days }) => ({ amount: null, days }),
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { on, days } = ask(course.id);
      if (!on) return [];
      const told = new Set<string>();
      return endsOf(facts, course).flatMap(({ itemId, untilMs, credit }) => {
        const near = untilMs >= facts.asOfMs && untilMs - facts.asOfMs <= days * dayMs;
        if (!near || told.has(itemId)) return [];
        told.add(itemId);
        const end = course.answer.looseEnds.find((each) => each.itemId === itemId);
        return workSignal(facts, course, {
          rule: 'deadline',
          id: `deadline:${itemId}:${instantOf(untilMs)}`,
          key: workKey(facts, course),
          kind: 'work',
          itemId,
          at: standsSince(course, itemId, facts.asOfMs),
          work: { ...(end ? endOf(end) : {}), deadline: instantOf(untilMs), credit },
        });
      });
    }),
  next: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { on, days } = ask(course.id);
      return on
        ? endsOf(facts, course).map(({ untilMs }) => ({ courseId: course.id, atMs: untilMs - days * dayMs }))
        : [];
    }),
  words: {
    en: {
      name: 'Last days to make something up',
      asked: ({ days }) => `Cadro tells you ${days} before the last day to make something up.`,
      tell: (reason, told) => {
        const { due, worth, until, lastDay } = workIn('en', reason, told);
        return {
          headline: `${reason.work.title} can be made up until ${lastDay}`,
          facts: [due, ...worth, ...until],
          rule: 'Cadro tells you when the last day to make something up is near.',
          next: 'Find an evening for it before then.',
        };
      },
    },
    es: {
      name: 'Últimos días para recuperar',
      asked: ({ days }) => `Se le avisa ${days} antes del último día para recuperar algo.`,
      tell: (reason, told) => {
        const { due, worth, until, lastDay } = workIn('es', reason, told);
        return {
          headline: `${reason.work.title} se puede recuperar hasta el ${lastDay}`,
          facts: [due, ...worth, ...until],
          rule: 'Se le avisa cuando se acerca el último día para recuperar algo.',
          next: 'Busquen una tarde antes de esa fecha.',
        };
      },
    },
  },
});
