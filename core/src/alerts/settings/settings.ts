import type { AlertRules, RuleChanges } from './alertRules';
import { alertRules, type RuleSettings } from '../rules';

/** Settings with what differs laid over them, rule by rule. */
const changed = (settings: RuleSettings, changes: RuleChanges): RuleSettings =>
  // of every rule's name, as before
  Object.fromEntries(
    alertRules.map(({ name }) => [name, { ...settings[name], ...changes[name] }]),
  ) as RuleSettings;

/**
 * The settings that hold for a course of a child, or for the child where `courseId` is null: everybody's, changed by
 * the child's exceptions, changed by the course's.
 */
export function settingsFor(
  { rules, exceptions }: AlertRules,
  studentId: string,
  courseId: string | null,
): RuleSettings {
  const own = exceptions.filter((each) => each.studentId === studentId);
  return [
    ...own.filter((each) => each.courseId === null),
    ...own.filter((each) => courseId !== null && each.courseId === courseId),
  ].reduce((settings, exception) => changed(settings, exception.rules), rules);
}
