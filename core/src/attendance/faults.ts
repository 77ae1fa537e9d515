import type { AttendanceRecord } from '@cadro/contract';
import type { Fault } from '../gradebook';

/** The first inconsistency of an attendance record: a date listed twice, a code of no meaning; null when sound. */
export function attendanceFault({ days, codes }: AttendanceRecord): Fault | null {
  const seen = new Set<string>();
  for (const [index, { date, periods }] of days.entries()) {
    if (seen.has(date)) return { path: `/days/${index}/date`, message: `'${date}' is listed twice` };
    seen.add(date);
    const unknown = periods.findIndex(({ code }) => !Object.hasOwn(codes, code));
    if (unknown >= 0) {
      const code = periods[unknown]?.code;
      return {
        path: `/days/${index}/periods/${unknown}/code`,
        message: `'${code}' is no code of the record`,
      };
    }
  }
  return null;
}
