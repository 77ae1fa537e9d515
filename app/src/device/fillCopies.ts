import {
  alertRoutes,
  announcementRoutes,
  attendanceRoutes,
  calendarRoutes,
  contactRoutes,
  deskRoutes,
  draftRoutes,
  followUpRoutes,
  gradebookRoutes,
  householdRoutes,
  meetingRoutes,
  messageRoutes,
  noteRoutes,
  outlookRoutes,
  planRoutes,
  sitdownRoutes,
  sourceRoutes,
  workRoutes,
  type AnswerOf,
  type AnyRoute,
  type AskOf,
  type Me,
} from '@cadro/contract';
import { daysAfter, monthWeeksOf } from '@cadro/core';
import { addressOf, copiesEra, keepCopy } from '../store';

/** So many of the newest alerts and letters, and of what a school has announced, are kept whole. */
const mostRead = 20;

/** Asks for an answer and keeps its copy. @throws TypeError where nobody answers */
async function fetched<R extends AnyRoute>(
  route: R,
  ask: Omit<AskOf<R>, 'body'>,
): Promise<AnswerOf<R> | null> {
  const address = addressOf(route, ask);
  const era = copiesEra();
  const answer = await fetch(address, { credentials: 'same-origin', priority: 'low' });
  if (!answer.ok) return null;
  const data = (await answer.json()) as AnswerOf<R>; // by the contract
  await keepCopy(address, { data, cameAt: Date.now() }, era);
  return data;
}

/** What a child's places are made of, for whoever may open them. */
async function fillPlaces({ children }: Me, today: string): Promise<void> {
  await fetched(householdRoutes.me, {});
  const work = await fetched(workRoutes.work, {});
  const loose = work?.rows.filter(({ group }) => group === 'loose').slice(0, 2 * mostRead) ?? [];
  for (const { studentId, itemId } of loose)
    await fetched(gradebookRoutes.item, { params: { studentId, itemId } });
  await fetched(attendanceRoutes.days, {});
  await fetched(calendarRoutes.calendar, { query: monthWeeksOf(today) });
  await fetched(calendarRoutes.supplies, {});
  await fetched(sourceRoutes.sources, {});
  await fetched(draftRoutes.drafts, {});
  const courses = await fetched(gradebookRoutes.courses, {});
  for (const { id: courseId, studentId } of courses?.courses ?? [])
    await fetched(gradebookRoutes.course, { params: { studentId, courseId } });
  for (const { id: studentId } of children) {
    await fetched(planRoutes.read, { params: { studentId } });
    await fetched(deskRoutes.read, { params: { studentId } });
  }
}

/** What is a guardian's alone. */
async function fillGuardians({ children }: Me, today: string): Promise<void> {
  await fetched(outlookRoutes.brief, {});
  await fetched(calendarRoutes.calendar, { query: { from: today, to: daysAfter(today, 1) } });
  await fetched(alertRoutes.count, {});
  for (const { list } of [followUpRoutes, noteRoutes, meetingRoutes, sitdownRoutes]) await fetched(list, {});
  await fetched(meetingRoutes.slots, {});
  const alerts = await fetched(alertRoutes.list, { query: { state: 'open' } });
  for (const { id } of alerts?.alerts.slice(0, mostRead) ?? [])
    await fetched(alertRoutes.read, { params: { alertId: id } });
  const announced = await fetched(announcementRoutes.list, {});
  for (const { id } of announced?.announcements.slice(0, mostRead) ?? [])
    await fetched(announcementRoutes.read, { params: { announcementId: id } });
  const talk = await fetched(messageRoutes.threads, {});
  for (const { id } of talk?.threads.slice(0, mostRead) ?? [])
    await fetched(messageRoutes.thread, { params: { threadId: id } });
  for (const { id: studentId } of children) {
    await fetched(contactRoutes.contacts, { params: { studentId } });
    await fetched(messageRoutes.teachers, { params: { studentId } });
  }
}

/**
 * Fetches what every place of each child shows first, one after the other, and keeps copies of it.
 * @param today by the school's calendar
 * @returns whether all of it came; what came before a connection was lost stays.
 */
export async function fillCopies(me: Me, today: string): Promise<boolean> {
  try {
    if (!me.children.some(({ role }) => role === 'student')) await fillGuardians(me, today);
    await fillPlaces(me, today);
    return true;
  } catch {
    return false;
  }
}
