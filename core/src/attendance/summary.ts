import type { AttendanceRecord } from '@cadro/contract';
import { byCodePoint } from '../gradebook';
import { patternsOf, type Pattern } from './patterns';
import { schoolDaysOf, type Lesson } from './schoolDays';
import { chronicFrom } from './share';

export interface AbsenceCounts {
  absent: number;
  excused: number;
  unexcused: number;
  tardies: number;
}
export interface AttendanceSummary {
  readonly schoolDays: number;
  readonly daysAbsent: number;
  readonly rate: number | null;
  readonly chronic: boolean;
  readonly periodsAbsent: number;
  readonly excused: number;
  readonly unexcused: number;
  readonly tardies: number;
  readonly byCourse: readonly (AbsenceCounts & { courseId: string })[];
  readonly patterns: readonly Pattern[];
}

const nothing = (): AbsenceCounts => ({ absent: 0, excused: 0, unexcused: 0, tardies: 0 });

function count(counts: AbsenceCounts, lesson: Lesson): void {
  if (lesson.kind === 'tardy') counts.tardies++;
  if (lesson.kind !== 'absent') return;
  counts.absent++;
  if (lesson.excused) counts.excused++;
  else counts.unexcused++;
}

/** Totals, shares and patterns of a child's attendance. Units: days, lessons and late arrivals, never mixed. */
export function attendanceSummary(record: AttendanceRecord): AttendanceSummary {
  const days = schoolDaysOf(record);
  const total = nothing();
  const byCourse = new Map<string, AbsenceCounts>();
  for (const lesson of days.flatMap(({ lessons }) => lessons)) {
    count(total, lesson);
    if (lesson.courseId === null) continue;
    const counts = byCourse.get(lesson.courseId) ?? nothing();
    byCourse.set(lesson.courseId, counts);
    count(counts, lesson);
  }
  const daysAbsent = days.filter(({ absent }) => absent).length;
  const rate = days.length > 0 ? daysAbsent / days.length : null;
  const { absent: periodsAbsent, excused, unexcused, tardies } = total;
  return {
    schoolDays: days.length,
    daysAbsent,
    rate,
    chronic: rate !== null && rate >= (record.chronicFrom ?? chronicFrom) - 1e-9,
    periodsAbsent,
    excused,
    unexcused,
    tardies,
    byCourse: [...byCourse]
      .sort(([a], [b]) => byCodePoint(a, b))
      .map(([courseId, counts]) => ({ courseId, ...counts })),
    patterns: patternsOf(days),
  };
}
