import { letterOf } from '../../../gradebook';
import { extremeOf, saysSomething, traceOf } from '../../trace';
import { figureSignal, letterNow } from './figureReason';
import { figureIn } from './figureWords';
import { childRule } from '../rule';
import { ruleSettings } from '../set';

const days = 7;

/** The figure has come down to a lower letter within a week. */
export const letterStep = childRule({
  name: 'letter-step',
  about: 'figure',
  settings: ruleSettings({}),
  presets: { urgent: { on: false }, usual: { on: false }, everything: { on: true } },
  page: { group: 'figure', place: 4, knobs: [], differs: 'course' },
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { posted } = course.answer;
      const { policy } = course;
      const best = extremeOf(traceOf(course, facts.asOfMs, days), 1);
      if (!ask(course.id).on || posted === null || !best || !saysSomething(course)) return [];
      const place = (letter: string | null) => {
        const index = policy.letters.findIndex((each) => each.letter === letter);
        return index < 0 ? policy.letters.length : index;
      };
      const now = place(letterNow(course));
      if (now <= place(letterOf(policy, best.posted / policy.outOf))) return [];
      const id = `letter-step:${policy.letters[now]?.letter ?? ''}`;
      return figureSignal(facts, course, { rule: 'letter-step', id, days });
    }),
  words: {
    en: {
      name: 'A lower letter grade',
      tell: (reason, told) => {
        const { name, facts, see } = figureIn('en', reason, told);
        const { letterBefore, letterNow } = reason;
        return {
          headline: `${name} went from ${letterBefore ?? ''} to ${letterNow ?? 'below every letter'}`,
          discreet: `${name} is down a letter`,
          facts,
          rule: 'Cadro tells you when a grade drops a letter.',
          next: see,
        };
      },
    },
    es: {
      name: 'Una letra inferior',
      tell: (reason, told) => {
        const { name, facts, see } = figureIn('es', reason, told);
        const { letterBefore, letterNow } = reason;
        return {
          headline: `${name} pasó de ${letterBefore ?? ''} a ${letterNow ?? 'menos que cualquier letra'}`,
          discreet: `${name} bajó de letra`,
          facts,
          rule: 'Se le avisa cuando una calificación baja a una letra inferior.',
          next: see,
        };
      },
    },
  },
});
