import type { ChildRule } from '../signal';
import { attendanceSignal } from './attendanceReason';

/** School days on which an absence that nobody explained is still to be mended. */
const recentDays = 5;

/** An absence nobody has explained; each day is told once. */
export const unexplained: ChildRule = {
  name: 'unexplained',
  find: (facts, ask) =>
    ask(null).unexplained.on
      ? facts.days
          .slice(-recentDays)
          .filter(({ lessons }) => lessons.some(({ kind, excused }) => kind === 'absent' && !excused))
          .map(({ date }) =>
            attendanceSignal(facts, 'absence', {
              rule: 'unexplained',
              id: `unexplained:${date}`,
              days: [date],
            }),
          )
      : [],
};
