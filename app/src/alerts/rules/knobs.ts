import type { TFunction } from 'i18next';
import { alertRules, ruleNamed, ruleGroups, type Knob, type RuleName } from '@cadro/core';

/** A number of a rule in words, as the slider says it. */
export function knobSaid(t: TFunction, { said }: Knob, value: number): string {
  switch (said) {
    case 'within':
    case 'ahead':
    case 'after':
    case 'atOnce':
    case 'times':
      return t(`rules.${said}`, { count: value });
    case 'effect':
      return value === 0 ? t('rules.anyEffect') : t('rules.effect', { value });
    case 'scores':
      return value === 100 ? t('rules.everyScore') : t('rules.scores', { value });
    case 'level':
      return t('rules.level', { value: value.toFixed(1) });
    default:
      return t(`rules.${said}`, { value });
  }
}

type OnPage = (typeof alertRules)[number];
const byPlace = (a: OnPage, b: OnPage): number => a.page.place - b.page.place;

/** The rules in their groups, in the order in which they stand on the page. */
export const groups = ruleGroups.map((group): readonly [typeof group, readonly RuleName[]] => [
  group,
  alertRules
    .filter(({ page }) => page.group === group)
    .sort(byPlace)
    .map(({ name }) => name),
]);

const differing = (where: 'course' | 'child'): RuleName[] =>
  groups.flatMap(([, names]) => names.filter((name) => ruleNamed(name)?.page.differs === where));
/** What can differ in one course, and what in one child besides. */
export const ofCourse: readonly RuleName[] = differing('course');
export const ofChild: readonly RuleName[] = [...ofCourse, ...differing('child')];

/** Whether a rule is about what no past is kept of, so that it cannot be tried on it. */
export const isAboutUpkeep = (name: RuleName): boolean => ruleNamed(name)?.about === 'upkeep';

const valueOf = (rule: object, param: string): unknown => Reflect.get(rule, param);
/** A number of a rule, whatever the rule; the slider's least where it has none. */
export function numberOf(rule: object, { param, least }: Knob): number {
  const value = valueOf(rule, param);
  return typeof value === 'number' ? value : least;
}
/** What of a list is chosen in a rule. */
export function chosenOf(rule: object, param: string): string[] {
  const value = valueOf(rule, param);
  return Array.isArray(value) ? value.filter((each) => typeof each === 'string') : [];
}
/** The letter that a threshold stands at; null for none. */
export function letterOf(rule: object): string | null {
  const value = valueOf(rule, 'letter');
  return typeof value === 'string' ? value : null;
}
