import { nothingMore, placed } from '../ui';

export const inAlerts = placed(() => import('./alerts'));
export const inAttendance = placed(() => import('./attendance'));
export const inBrief = placed(() => import('./brief'), nothingMore);
export const inCourses = placed(() => import('./courses'));
export const inDays = placed(() => import('./days'));
export const inDesk = placed(() => import('./desk'));
export const inDoor = placed(() => import('./door'));
export const inOperator = placed(() => import('./operator'));
export const inOwn = placed(() => import('./own'));
export const inPlan = placed(() => import('./plan'));
export const inRules = placed(() => import('./rules'));
export const inSettings = placed(() => import('./settings'));
export const inTalk = placed(() => import('./talk'));
export const inTrying = placed(() => import('./trying'));
export const inWork = placed(() => import('./work'));
