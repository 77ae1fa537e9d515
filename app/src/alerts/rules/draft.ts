import { ruleNamed, type AlertRules, type RuleChanges, type RuleException, type RuleName } from '@cadro/core';

type Value = boolean | number | string | null | string[];

/** Rules with one thing of one rule set. */
export function withRule(draft: AlertRules, name: RuleName, param: string, value: Value): AlertRules {
  return { ...draft, rules: { ...draft.rules, [name]: { ...draft.rules[name], [param]: value } } };
}

const isFor = (exception: RuleException, of: Pick<RuleException, 'studentId' | 'courseId'>): boolean =>
  exception.studentId === of.studentId && exception.courseId === of.courseId;

/** Rules with one thing of one rule set for a child or a course alone. */
export function withException(
  draft: AlertRules,
  of: Pick<RuleException, 'studentId' | 'courseId'>,
  name: RuleName,
  param: string,
  value: Value,
): AlertRules {
  if (ruleNamed(name)?.about === 'upkeep') return draft;
  const kept = draft.exceptions.find((each) => isFor(each, of))?.rules ?? {};
  const plain = { on: draft.rules[name].on };
  const rules: RuleChanges = { ...kept, [name]: { ...plain, ...kept[name], [param]: value } };
  return {
    ...draft,
    exceptions: [
      ...draft.exceptions.filter((each) => !isFor(each, of)),
      { studentId: of.studentId, courseId: of.courseId, rules },
    ],
  };
}

/** Rules with an exception that says nothing yet; one that is there already stays. */
export const addException = (
  draft: AlertRules,
  of: Pick<RuleException, 'studentId' | 'courseId'>,
): AlertRules =>
  draft.exceptions.some((each) => isFor(each, of))
    ? draft
    : { ...draft, exceptions: [...draft.exceptions, { ...of, rules: {} }] };

export const withoutException = (
  draft: AlertRules,
  of: Pick<RuleException, 'studentId' | 'courseId'>,
): AlertRules => ({ ...draft, exceptions: draft.exceptions.filter((each) => !isFor(each, of)) });
