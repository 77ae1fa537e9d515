import { childRule } from '../rule';
import { onAlways, ruleSettings } from '../set';
import { workKey, workSignal } from './workReason';
import { workIn } from './workWords';

/** Work that was handed in or marked and is to be done again. */
export const sentBack = childRule({
  name: 'sent-back',
  about: 'work',
  event: true,
  settings: ruleSettings({}),
  presets: onAlways,
  page: { group: 'work', place: 3, knobs: [] },
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      if (!ask(course.id).on) return [];
      return [...course.results].flatMap(([itemId, results]) => {
        const [before, after] = results.slice(-2);
        if (!before || !after || facts.asOfMs - after.knownAtMs > facts.newsMs) return [];
        const was = before.value.status === 'handed-in' || before.value.status === 'scored';
        const is = after.value.status === 'open' || after.value.status === 'incomplete';
        if (!was || !is) return [];
        return workSignal(facts, course, {
          rule: 'sent-back',
          id: `sent-back:${itemId}:${after.value.at}`,
          key: workKey(facts, course),
          kind: 'work',
          itemId,
          at: after.value.at,
        });
      });
    }),
  words: {
    en: {
      name: 'Work sent back',
      tell: (reason, told) => {
        const { due, on } = workIn('en', reason, told);
        return {
          headline: `${reason.work.title} was sent back to redo`,
          facts: [`Sent back on ${on}.`, due],
          rule: 'Cadro tells you when work is sent back.',
          next: 'Read what the teacher wrote.',
        };
      },
    },
    es: {
      name: 'Tarea devuelta',
      tell: (reason, told) => {
        const { due, on } = workIn('es', reason, told);
        return {
          headline: `${reason.work.title} se devolvió para rehacer`,
          facts: [`Devuelto el ${on}.`, due],
          rule: 'Se le avisa cuando se devuelve una tarea.',
          next: 'Lea lo que escribió el maestro.',
        };
      },
    },
  },
});
