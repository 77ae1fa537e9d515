import { patternDates } from '../../attendance';
import type { ChildRule } from '../signal';
import { attendanceSignal } from './attendanceReason';

/** Absences that have something in common: the last lessons, one period, one weekday. */
export const pattern: ChildRule = {
  name: 'pattern',
  find: (facts, ask) =>
    ask(null).pattern.on
      ? facts.summary.patterns.map((each) => {
          const value = each.value === null ? '' : String(each.value);
          return attendanceSignal(facts, 'pattern', {
            rule: 'pattern',
            id: `pattern:${each.kind}:${value}`,
            days: patternDates(facts.days, each),
            pattern: { kind: each.kind, value },
          });
        })
      : [],
};
