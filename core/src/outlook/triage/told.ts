import type { AlertReason, Matter } from '@cadro/contract';
import type { AlertFacts, FamilyFacts } from './facts';
import { dayInHand, isInHand } from './inHand';
import { stakeOf } from '../stake';

/** Alerts that ask for something; the others are read where they came. */
const asking: readonly AlertFacts['kind'][] = ['figure', 'work', 'coming', 'attendance', 'term'];

/** Whether a matter says what an alert says already: of the same course, or of the same child's absences. */
const says = (matter: Matter, { kind, studentId, courseId }: AlertFacts): boolean =>
  matter.studentId === studentId &&
  (kind === 'attendance'
    ? matter.kind === 'absence'
    : kind === 'comment'
      ? matter.kind === 'comment' && matter.courseId === courseId
      : courseId !== null && matter.courseId === courseId && matter.kind !== 'comment');

function inHand(facts: FamilyFacts, { kind, studentId, courseId, reasons }: AlertFacts): boolean {
  if (kind === 'attendance') {
    const taken = dayInHand(facts, studentId);
    return reasons.every((reason) => reason.about === 'attendance' && reason.days.every(taken));
  }
  const items = reasons.flatMap((reason) => (reason.about === 'work' ? [reason.work.itemId] : []));
  const worked =
    items.length > 0 && items.every((itemId) => isInHand(facts, { studentId, topic: 'work', itemId }));
  return worked || (courseId !== null && isInHand(facts, { studentId, topic: 'course', courseId }));
}

/** Whether a reason still asks for something now: an alert is looked at again with each reading, and time passes between. */
const stillAsks =
  ({ now }: FamilyFacts) =>
  (reason: AlertReason): boolean =>
    reason.about !== 'work' ||
    reason.work.deadline === null ||
    Date.parse(reason.work.deadline) >= Date.parse(now);

const earliestEnd = (reasons: readonly AlertReason[]): string | null =>
  reasons
    .flatMap((reason) => (reason.about === 'work' && reason.work.deadline ? [reason.work.deadline] : []))
    .sort()[0] ?? null;

/** Each alert joins the matter that says the same, or becomes one; what somebody has in hand comes back by itself. */
export function withTold(matters: readonly Matter[], facts: FamilyFacts): Matter[] {
  const joined = matters.map((matter): Matter => {
    const ids = facts.alerts.filter((alert) => says(matter, alert)).map(({ id }) => id);
    return ids.length > 0 ? { ...matter, alertIds: ids } : matter;
  });
  const own = facts.alerts
    .map((alert) => ({ ...alert, reasons: alert.reasons.filter(stillAsks(facts)) }))
    .filter(({ reasons }, index) => reasons.length > 0 || facts.alerts[index]?.reasons.length === 0)
    .filter(
      (alert) =>
        asking.includes(alert.kind) &&
        !matters.some((matter) => says(matter, alert)) &&
        !inHand(facts, alert),
    )
    .map(({ id, key, kind, studentId, courseId, courseTitle, reasons, leading }): Matter => ({
      kind: 'alert',
      key: `alert:${key}`,
      studentId,
      courseId,
      courseTitle,
      stake: stakeOf(reasons),
      expiresAt: earliestEnd(reasons),
      alertIds: [id],
      about: kind,
      reasons: [...reasons],
      leading: [...leading],
    }));
  return [...joined, ...own];
}
