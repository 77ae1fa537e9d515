import { daysAfter } from '../../dates';
import type { ChildRule } from '../signal';
import { attendanceSignal } from './attendanceReason';

/** Late so many times within so many days. */
export const late: ChildRule = {
  name: 'late',
  find: (facts, ask) => {
    const { on, times, days } = ask(null).late;
    if (!on) return [];
    const since = daysAfter(facts.today, -days);
    const arrivals = facts.days
      .filter(({ date }) => date > since)
      .flatMap(({ date, lessons }) => lessons.filter(({ kind }) => kind === 'tardy').map(() => date));
    if (arrivals.length < times) return [];
    const step = Math.floor(arrivals.length / times);
    return [attendanceSignal(facts, 'late', { rule: 'late', id: `late:${step}`, days: arrivals })];
  },
};
