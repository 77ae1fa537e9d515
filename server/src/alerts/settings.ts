import type { AlertCourse, AlertSettings, AlertSettingsChange, Child, KeptRules } from '@cadro/contract';
import { misfits } from '@cadro/contract/parse';
import {
  alertRules,
  alertRulesSchema,
  dateIn,
  isTimeZone,
  presetOf,
  presetRules,
  readRules,
  scaleUnit,
  usualDelivery,
  type AlertRules,
} from '@cadro/core';
import { courseSummaries } from '../gradebook';
import { childrenFor, guardianById } from '../household';
import { HttpProblem, type Db, type ServerDeps } from '../kit';
import { deliveriesOf } from './delivery/outboxStore';
import { devicesOf } from './push/deviceStore';
import { pushKeys } from './push/keys';
import { saveSettings } from './settingsStore';
import { silencesOf } from './store';
import { settingsAmong, type Settings } from './watchStore';

/** The settings of a guardian with a child whose source has been read; null for who has none. */
export const settingsOf = async (db: Db, guardianId: string): Promise<Settings | null> =>
  (await settingsAmong(db, [guardianId])).get(guardianId) ?? null;

const shownDeliveries = 12;

async function coursesFor(
  db: Db,
  guardianId: string,
  children: readonly Child[],
  now: Date,
): Promise<AlertCourse[]> {
  const studentIds = children.map(({ id }) => id);
  const rows = await courseSummaries(db, { studentIds, guardianId, now });
  return rows.map(({ id, studentId, title, scale }) => ({
    studentId,
    courseId: id,
    title,
    unit: scaleUnit({ method: scale.method, outOf: scale.outOf }),
    outOf: scale.outOf,
    letters: scale.letters.map(({ letter }) => letter),
  }));
}

/**
 * Rules that a guardian sends, by what each rule says can be set of it.
 * @param under where they stand in the body, for the paths of what does not fit.
 * @throws HttpProblem 400 with what does not fit.
 */
export function checkedRules(rules: KeptRules, under = ''): AlertRules {
  const errors = misfits(alertRulesSchema, rules).map((each) => ({ ...each, path: under + each.path }));
  if (errors.length > 0) throw new HttpProblem('bad-request', { errors });
  return readRules(rules);
}

type Exception = AlertRules['exceptions'][number];

/** Whether an exception is about a child and a course that a guardian sees now: courses end, and schools hold back. */
const seenBy =
  (children: readonly Child[], courses: readonly AlertCourse[]) =>
  ({ studentId, courseId }: Exception): boolean =>
    children.some(({ id }) => id === studentId) &&
    (courseId === null || courses.some((each) => each.courseId === courseId && each.studentId === studentId));

type SettingsDeps = Pick<ServerDeps, 'db' | 'clock' | 'config'>;

/**
 * What a guardian has set, with all that the settings' screens need.
 * @param sessionId in which they ask; null where nobody does.
 */
export async function alertSettings(
  { db, clock, config }: SettingsDeps,
  guardianId: string,
  sessionId: string | null = null,
): Promise<AlertSettings> {
  const now = await clock.now();
  const guardian = await guardianById(db, guardianId);
  if (!guardian) throw new HttpProblem('not-signed-in');
  const children = await childrenFor(db, guardianId, 'read-talk');
  const own = await settingsOf(db, guardianId);
  const [courses, silences, deliveries, devices] = await Promise.all([
    coursesFor(db, guardianId, children, now),
    silencesOf(db, [guardianId]),
    deliveriesOf(db, guardianId, { limit: shownDeliveries }),
    devicesOf(db, guardianId, sessionId),
  ]);
  const kept = own?.rules ?? presetRules('usual');
  const rules = { ...kept, exceptions: kept.exceptions.filter(seenBy(children, courses)) };
  const delivery = own?.delivery ?? usualDelivery(children[0]?.timeZone ?? 'UTC', guardian.language);
  const today = dateIn(delivery.timeZone, now);
  return {
    rules,
    preset: presetOf(rules),
    delivery,
    email: guardian.email,
    phoneConfirmed: own?.phoneConfirmed ?? null,
    mailStoppedAt: own?.mailStoppedAt?.toISOString() ?? null,
    mailBouncedAt: own?.mailBouncedAt?.toISOString() ?? null,
    textsOffered: config.textGateway !== null,
    devices,
    pushKey: pushKeys(config.secret).publicKey,
    arrivedUrl: config.demoSchoolUrl && `${config.demoSchoolUrl}/demo/arrived`,
    silences: silences
      .filter(({ until }) => until >= today)
      .map(({ id, alertKey, studentId, courseId, kind, until }) => ({
        ...{ id, alertKey, studentId, courseId, kind, until },
        title: courses.find((course) => course.courseId === courseId)?.title ?? null,
      })),
    courses,
    deliveries,
    today,
  };
}

/** The rules with a threshold on the scale of a course, and what such a threshold may be told in. */
const scaled = alertRules.filter(({ page }) => page.letter);
interface Threshold {
  readonly on?: boolean;
  readonly letter?: string | null;
  readonly level?: number;
  readonly percent?: number;
}

/** What of an exception lies on no scale of its course, as paths; none where all of it does. */
function offScale(
  { exceptions }: AlertRules,
  courses: readonly AlertCourse[],
): { path: string; message: string }[] {
  return exceptions.flatMap(({ studentId, courseId, rules }, index) => {
    if (courseId === null) return [];
    const course = courses.find((each) => each.courseId === courseId && each.studentId === studentId);
    return scaled.flatMap(({ name }) => {
      const { letter, level, percent }: Threshold = rules[name] ?? {};
      const path = `/rules/exceptions/${index}/rules/${name}`;
      const wrong = (what: string, message: string) => [{ path: `${path}/${what}`, message }];
      if (!course) return [];
      if (letter && !course.letters.includes(letter))
        return wrong('letter', `the course has no letter ${letter}`);
      if (level !== undefined && course.unit !== 'level')
        return wrong('level', 'the course is told in percent');
      if (level !== undefined && level > course.outOf)
        return wrong('level', `the course goes up to ${course.outOf}`);
      if (percent !== undefined && course.unit !== 'percent')
        return wrong('percent', 'the course is told in levels');
      return [];
    });
  });
}

/**
 * Changes a guardian's own settings.
 * @throws HttpProblem 404 for an exception about a child or course that is not theirs, 422 `off-scale` for a threshold
 * that the course has not, 400 for a zone that is none.
 */
export async function changeSettings(
  deps: SettingsDeps,
  guardianId: string,
  change: AlertSettingsChange,
): Promise<void> {
  const { db, clock } = deps;
  const { delivery, mailStopped } = change;
  const rules = change.rules && checkedRules(change.rules, '/rules');
  if (rules) {
    const { courses } = await alertSettings(deps, guardianId);
    const children = await childrenFor(db, guardianId, 'read-talk');
    const isSeen = seenBy(children, courses);
    if (!rules.exceptions.every(isSeen)) throw new HttpProblem('not-found');
    const errors = offScale(rules, courses);
    if (errors.length > 0) throw new HttpProblem('off-scale', { errors });
    // What is not seen at the moment is not taken away by what was sent without it.
    const unseen = (await settingsOf(db, guardianId))?.rules.exceptions.filter((each) => !isSeen(each)) ?? [];
    rules.exceptions.push(...unseen.filter(({ studentId }) => children.some(({ id }) => id === studentId)));
  }
  if (delivery && !isTimeZone(delivery.timeZone)) {
    throw new HttpProblem('bad-request', {
      errors: [{ path: '/delivery/timeZone', message: 'must be a zone of the IANA database' }],
    });
  }
  const row = {
    ...(rules ? { rules: JSON.stringify(rules) } : {}),
    ...(delivery ? { delivery: JSON.stringify(delivery) } : {}),
    ...(mailStopped === undefined
      ? {}
      : mailStopped
        ? { mail_stopped_at: await clock.now() }
        : { mail_stopped_at: null, mail_bounced_at: null }),
  };
  await saveSettings(db, guardianId, row);
}
