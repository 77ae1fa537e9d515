import { alertRoutes } from './alerts/routes';
import { announcementRoutes } from './announcements/announcements';
import { aroundRoutes } from './around/around';
import { attendanceRoutes } from './attendance/days';
import { calendarRoutes } from './calendar/calendar';
import { dayRoutes } from './calendar/day';
import { elsewhereRoutes } from './calendar/elsewhere';
import { entryRoutes } from './calendar/entries';
import { timeRoutes } from './calendar/times';
import { contactRoutes } from './contacts/contacts';
import { deskRoutes } from './desk/desk';
import { followUpRoutes } from './followups/followups';
import { gradebookRoutes } from './gradebook/gradebook';
import { termRoutes } from './gradebook/terms';
import { doorRoutes } from './household/door';
import { draftRoutes } from './household/drafts';
import { householdRoutes } from './household/household';
import { keepingRoutes } from './household/keeping';
import { onFileRoutes } from './household/onFile';
import { peopleRoutes } from './household/people';
import { trailRoutes } from './household/trail';
import { meetingRoutes } from './meetings/meetings';
import { messageRoutes } from './messages/messages';
import { noteRoutes } from './notes/notes';
import { operatorRoutes } from './operator/operator';
import { newsRoutes } from './outlook/news';
import { outRoutes } from './gradebook/out';
import { outlookRoutes } from './outlook/outlook';
import { tryRoutes } from './outlook/tries';
import { workRoutes } from './outlook/work';
import { planRoutes } from './plan/plan';
import type { RouteContract } from './shared/route';
import { searchRoutes } from './search/search';
import { sitdownRoutes } from './sitdown/sitdown';
import { besideRoutes } from './sources/beside';
import { mailRoutes } from './sources/mails';
import { ownRoutes } from './sources/own';
import { sourceRoutes } from './sources/status';

export * from './alerts/alerts';
export * from './alerts/digest';
export * from './alerts/places';
export * from './alerts/push';
export * from './alerts/routes';
export * from './alerts/rules';
export * from './alerts/settings';
export * from './announcements/announcements';
export * from './announcements/wish';
export * from './around/around';
export * from './around/balance';
export * from './attendance/attendance';
export * from './attendance/days';
export * from './calendar/calendar';
export * from './calendar/day';
export * from './calendar/elsewhere';
export * from './calendar/entries';
export * from './calendar/times';
export * from './contacts/contacts';
export * from './contacts/kinds';
export * from './desk/desk';
export * from './followups/absence';
export * from './followups/followups';
export * from './followups/goingOn';
export * from './followups/handing';
export * from './gradebook/cases';
export * from './gradebook/basics';
export * from './gradebook/gradebook';
export * from './gradebook/items';
export * from './gradebook/out';
export * from './gradebook/policy';
export * from './gradebook/record';
export * from './gradebook/terms';
export * from './household/door';
export * from './household/drafts';
export * from './household/household';
export * from './household/keeping';
export * from './household/onFile';
export * from './household/people';
export * from './household/roles';
export * from './household/trail';
export * from './household/ways';
export * from './meetings/meetings';
export * from './meetings/ways';
export * from './messages/files';
export * from './messages/messages';
export * from './messages/writing';
export * from './notes/notes';
export * from './operator/operator';
export * from './operator/sources';
export * from './outlook/figures';
export * from './outlook/matters';
export * from './outlook/news';
export * from './outlook/offers';
export * from './outlook/outlook';
export * from './outlook/tries';
export * from './outlook/work';
export * from './plan/cases';
export * from './plan/plan';
export * from './shared';
export * from './search/search';
export * from './sitdown/sitdown';
export * from './sources/beside';
export * from './sources/bundles';
export * from './sources/feed';
export * from './sources/mails';
export * from './sources/more';
export * from './sources/oneRoster';
export * from './sources/own';
export * from './sources/status';
export * from './sources/tables';

/** Every operation the server offers, in the order of the OpenAPI document. */
export const allRoutes: readonly RouteContract[] = [
  householdRoutes,
  doorRoutes,
  keepingRoutes,
  peopleRoutes,
  trailRoutes,
  onFileRoutes,
  draftRoutes,
  outlookRoutes,
  newsRoutes,
  workRoutes,
  tryRoutes,
  planRoutes,
  deskRoutes,
  gradebookRoutes,
  termRoutes,
  outRoutes,
  attendanceRoutes,
  dayRoutes,
  calendarRoutes,
  entryRoutes,
  elsewhereRoutes,
  timeRoutes,
  followUpRoutes,
  contactRoutes,
  aroundRoutes,
  meetingRoutes,
  messageRoutes,
  noteRoutes,
  searchRoutes,
  sitdownRoutes,
  announcementRoutes,
  alertRoutes,
  sourceRoutes,
  ownRoutes,
  besideRoutes,
  mailRoutes,
  operatorRoutes,
].flatMap((routes) => Object.values<RouteContract>(routes));
