import type { AttendanceReason } from '@cadro/contract';
import type { ChildFacts } from '../../facts';
import type { Signal } from '../../signal';

/** A finding about attendance: the days it is about, with the lessons on them that `missed` names. */
export function attendanceSignal(
  facts: ChildFacts,
  cause: string,
  finding: Pick<AttendanceReason, 'rule' | 'id' | 'days'> &
    Partial<Pick<AttendanceReason, 'pattern' | 'share'>>,
): Signal {
  const days = [...finding.days].sort();
  const about = new Set(days);
  const kind = finding.rule === 'late' ? 'tardy' : 'absent';
  const marks = facts.marks.flatMap(({ mark, meaning }) =>
    about.has(mark.on) && meaning?.kind === kind ? [mark] : [],
  );
  const lessons = marks.flatMap(({ courseTitle }) => courseTitle ?? []);
  return {
    key: `${cause}:${facts.studentId}`,
    kind: 'attendance',
    studentId: facts.studentId,
    courseId: null,
    courseTitle: null,
    reason: {
      id: finding.id,
      at: marks.at(-1)?.markedAt ?? `${days.at(-1) ?? facts.today}T12:00:00Z`,
      sourceName: facts.attendanceSource,
      about: 'attendance',
      rule: finding.rule,
      days,
      lessons: [...new Set(lessons)],
      pattern: finding.pattern ?? null,
      share: finding.share ?? null,
    },
  };
}
