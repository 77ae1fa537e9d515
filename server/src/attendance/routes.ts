import { attendanceRoutes, type ChildDays } from '@cadro/contract';
import { Router } from 'express';
import type { ServerDeps } from '../http/app';
import { mount } from '../http/mount';
import { childrenFor, dateIn } from '../household';
import { attendanceOf, type ChildAttendance } from './childAttendance';

function childDays({ child, marks, summary, leftEarlyOn }: ChildAttendance): ChildDays {
  const byDate = new Map<string, ChildDays['days'][number]['marks']>();
  for (const { on_date, period, course_title, kind, excused, label } of marks) {
    const mark = { period, courseTitle: course_title, kind, excused, label };
    byDate.set(on_date, [...(byDate.get(on_date) ?? []), mark]);
  }
  return {
    studentId: child.id,
    schoolDays: summary.schoolDays,
    daysAbsent: summary.daysAbsent,
    lessonsAbsent: summary.periodsAbsent,
    lessonsUnexplained: summary.unexcused,
    lateArrivals: summary.tardies,
    leftEarlyOn: [...leftEarlyOn],
    days: [...byDate].map(([on, dayMarks]) => ({ on, marks: dayMarks })).reverse(),
  };
}

export function attendanceRouter({ db, clock }: ServerDeps): Router {
  const router = Router();
  mount(router, attendanceRoutes.days, async ({ guardianId }) => {
    const now = await clock.now();
    const children = await childrenFor(db, guardianId, 'read-record');
    const attendance = await attendanceOf(db, children, now);
    return { today: dateIn(children[0]?.timeZone ?? 'UTC', now), children: attendance.map(childDays) };
  });
  return router;
}
