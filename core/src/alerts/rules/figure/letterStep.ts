import { letterOf } from '../../../gradebook';
import { extremeOf, saysSomething, traceOf } from '../../trace';
import { figureSignal } from './figureReason';
import { figureIn } from './figureWords';
import { childRule } from '../rule';
import { ruleSettings } from '../set';

const days = 7;

/** The figure has come down to a lower letter within a week. */
export const letterStep = childRule({
  name: 'letter-step',
  about: 'figure',
  settings: ruleSettings({}),
  presets: { urgent: { on: false }, usual: { on: true }, everything: { on: true } },
  page: { group: 'figure', place: 4, knobs: [], differs: 'course' },
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { posted } = course.answer;
      const { policy } = course;
      const best = extremeOf(traceOf(course, facts.asOfMs, days), 1);
      if (!ask(course.id).on || posted === null || !best || !saysSomething(course)) return [];
      const place = (figure: number) => {
        const letter = letterOf(policy, figure / policy.outOf);
        const index = policy.letters.findIndex((each) => each.letter === letter);
        return index < 0 ? policy.letters.length : index;
      };
      const now = place(posted);
      if (now <= place(best.posted)) return [];
      const id = `letter-step:${policy.letters[now]?.letter ?? ''}`;
      return figureSignal(facts, course, { rule: 'letter-step', id, days });
    }),
  words: {
    en: {
      name: 'A lower letter',
      tell: (reason, told) => {
        const { course, facts, see } = figureIn('en', reason, told);
        const { letterBefore, letterNow } = reason;
        return {
          headline: `${course} went from ${letterBefore ?? ''} to ${letterNow ?? 'below every letter'}`,
          facts,
          rule: 'You are told when a figure comes down to a lower letter.',
          next: see,
        };
      },
    },
    es: {
      name: 'Una letra inferior',
      tell: (reason, told) => {
        const { course, facts, see } = figureIn('es', reason, told);
        const { letterBefore, letterNow } = reason;
        return {
          headline: `${course} pasó de ${letterBefore ?? ''} a ${letterNow ?? 'menos que cualquier letra'}`,
          facts,
          rule: 'Se le avisa cuando una cifra baja a una letra inferior.',
          next: see,
        };
      },
    },
  },
});
