import type { AlertRules, RuleChanges, RuleSettings } from '@cadro/contract';

const changed = (rules: RuleSettings, { ...changes }: RuleChanges): RuleSettings => ({
  ...rules,
  below: { ...rules.below, ...changes.below },
  fallen: { ...rules.fallen, ...changes.fallen },
  'letter-step': { ...rules['letter-step'], ...changes['letter-step'] },
  slipping: { ...rules.slipping, ...changes.slipping },
  'if-left': { ...rules['if-left'], ...changes['if-left'] },
  'loose-end': { ...rules['loose-end'], ...changes['loose-end'] },
  deadline: { ...rules.deadline, ...changes.deadline },
  'sent-back': { ...rules['sent-back'], ...changes['sent-back'] },
  unmarked: { ...rules.unmarked, ...changes.unmarked },
  'big-work': { ...rules['big-work'], ...changes['big-work'] },
  comment: { ...rules.comment, ...changes.comment },
  unexplained: { ...rules.unexplained, ...changes.unexplained },
  late: { ...rules.late, ...changes.late },
  pattern: { ...rules.pattern, ...changes.pattern },
  'days-missed': { ...rules['days-missed'], ...changes['days-missed'] },
  'term-final': { ...rules['term-final'], ...changes['term-final'] },
  'report-card': { ...rules['report-card'], ...changes['report-card'] },
  improved: { ...rules.improved, ...changes.improved },
  settled: { ...rules.settled, ...changes.settled },
});

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
