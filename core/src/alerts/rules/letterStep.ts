import { letterOf } from '../../gradebook';
import type { ChildRule } from '../signal';
import { extremeOf, saysSomething, traceOf } from '../trace';
import { figureSignal } from './figureReason';

const days = 7;

/** The figure has come down to a lower letter within a week. */
export const letterStep: ChildRule = {
  name: 'letter-step',
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { posted } = course.answer;
      const { policy } = course;
      const best = extremeOf(traceOf(course, facts.asOfMs, days), 1);
      if (!ask(course.id)['letter-step'].on || posted === null || !best || !saysSomething(course)) return [];
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
};
