import { recentlyUnexplained } from '../../attendance';
import type { ChildRule } from '../signal';
import { attendanceSignal } from './attendanceReason';

/** An absence nobody has explained; each day is told once. */
export const unexplained: ChildRule = {
  name: 'unexplained',
  find: (facts, ask) =>
    ask(null).unexplained.on
      ? recentlyUnexplained(facts.days).map((date) =>
          attendanceSignal(facts, 'absence', {
            rule: 'unexplained',
            id: `unexplained:${date}`,
            days: [date],
          }),
        )
      : [],
};
