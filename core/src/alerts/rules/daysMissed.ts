import type { ChildRule } from '../signal';
import { attendanceSignal } from './attendanceReason';

/** With fewer school days one missed day is a large share of them. */
const leastDays = 15;

/** The share of school days that were missed. */
export const daysMissed: ChildRule = {
  name: 'days-missed',
  find: (facts, ask, stands) => {
    const { on, percent } = ask(null)['days-missed'];
    const { rate, schoolDays, daysAbsent } = facts.summary;
    if (!on || rate === null || schoolDays < leastDays) return [];
    const least = stands(`share:${facts.studentId}`, 'days-missed') ? percent - 1 : percent;
    if (rate * 100 < least - 1e-9) return [];
    return [
      attendanceSignal(facts, 'share', {
        rule: 'days-missed',
        id: `days-missed:${percent}`,
        days: facts.days.filter(({ absent }) => absent).map(({ date }) => date),
        share: { missed: daysAbsent, of: schoolDays },
      }),
    ];
  },
};
