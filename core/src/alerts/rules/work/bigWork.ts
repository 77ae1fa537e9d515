import { dayMs } from '../../../dates';
import { instantOf, type Item } from '../../../gradebook';
import { isNotice, isTest } from '../../../outlook';
import type { ChildFacts, CourseSight } from '../../facts';
import { childRule } from '../rule';
import { daysUpTo, effect, knob, ruleSettings } from '../set';
import { workSignal } from './workReason';
import { workIn } from './workWords';

/** The works of a course that have been given out, are not handed in, and are due within so many days. */
export const worksDue = (
  { asOfMs }: ChildFacts,
  { items, itemKinds, results }: CourseSight,
  days: number,
): Item[] =>
  [...items.values()].filter(({ id, possible, assignedAtMs, dueAtMs }) => {
    const status = results.get(id)?.at(-1)?.value.status ?? 'open';
    const given = assignedAtMs === null || assignedAtMs <= asOfMs;
    const soon = dueAtMs !== null && dueAtMs >= asOfMs && dueAtMs - asOfMs <= days * dayMs;
    const notice = isNotice({ kind: itemKinds[id] ?? null, possible, dated: dueAtMs !== null });
    return status === 'open' && given && soon && !notice;
  });

/** A test, or work of so much effect, that is due within so many days and not handed in. */
export const bigWork = childRule({
  name: 'big-work',
  about: 'work',
  settings: ruleSettings({ days: daysUpTo(30), effect }),
  presets: {
    urgent: { on: false, days: 3, effect: 8 },
    usual: { on: false, days: 3, effect: 8 },
    everything: { on: true, days: 5, effect: 4 },
  },
  page: { group: 'coming', place: 1, knobs: [knob.days('ahead', 14), knob.effect] },
  asked: (settings, scaled) => ({ amount: scaled(settings.effect), days: settings.days }),
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { on, days, effect: least } = ask(course.id);
      if (!on) return [];
      return worksDue(facts, course, days).flatMap(({ id, assignedAtMs }) => {
        const stake = course.rides().get(id)?.decides ?? null;
        const big = stake !== null && (stake / course.policy.outOf) * 100 >= least - 1e-9;
        if (!big && !isTest(course.itemKinds[id] ?? null)) return [];
        return workSignal(facts, course, {
          rule: 'big-work',
          id: `big-work:${id}`,
          key: `coming:${facts.studentId}:${course.id}`,
          kind: 'coming',
          itemId: id,
          at: instantOf(assignedAtMs ?? facts.asOfMs),
          work: { impact: stake },
        });
      });
    }),
  next: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { on, days } = ask(course.id);
      return on
        ? [...course.items.values()].flatMap(({ assignedAtMs, dueAtMs }) =>
            dueAtMs === null
              ? []
              : { courseId: course.id, atMs: Math.max(assignedAtMs ?? -Infinity, dueAtMs - days * dayMs) },
          )
        : [];
    }),
  words: {
    en: {
      name: 'A test or big assignment coming up',
      asked: ({ amount, days }) =>
        `Cadro tells you about tests, and assignments that decide ${amount}, ${days} ahead.`,
      tell: (reason, told) => {
        const { due, dueDay, gain } = workIn('en', reason, told);
        return {
          headline: `${reason.work.title} is due ${dueDay}`,
          facts: [due, ...(gain === null ? [] : [`It can move the grade by up to ${gain}.`])],
          rule: 'Cadro tells you when a test or big assignment is coming up.',
          next: 'Find an evening for it.',
        };
      },
    },
    es: {
      name: 'Se acerca un examen o una tarea grande',
      asked: ({ amount, days }) =>
        `Se le avisa de exámenes, y de tareas que deciden ${amount}, ${days} antes.`,
      tell: (reason, told) => {
        const { due, dueDay, gain } = workIn('es', reason, told);
        return {
          headline: `${reason.work.title} es para el ${dueDay}`,
          facts: [due, ...(gain === null ? [] : [`Puede mover la calificación hasta ${gain}.`])],
          rule: 'Se le avisa cuando se acerca un examen o una tarea grande.',
          next: 'Busquen una tarde para ello.',
        };
      },
    },
  },
});
