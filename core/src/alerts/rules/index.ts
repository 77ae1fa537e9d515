import type { Static } from '@sinclair/typebox';
import { announced } from './school/announced';
import { answerDue } from './school/answerDue';
import { helpers } from './school/helpers';
import { balanceLow } from './money/balanceLow';
import { feeDue } from './money/feeDue';
import { below } from './figure/below';
import { bigWork } from './work/bigWork';
import { comment } from './said/comment';
import { daysMissed } from './attendance/daysMissed';
import { deadline } from './work/deadline';
import { fallen } from './figure/fallen';
import { ifLeft } from './figure/ifLeft';
import { improved } from './figure/improved';
import { late } from './attendance/late';
import { letterStep } from './figure/letterStep';
import { looseEnd } from './work/looseEnd';
import { notLooked } from './guardian/notLooked';
import { pattern } from './attendance/pattern';
import { reportCard } from './said/reportCard';
import type { AnyChildRule, AnyGuardianRule, AnyRule } from './rule';
import { scored } from './work/scored';
import { sentBack } from './work/sentBack';
import { settled } from './work/settled';
import { slipping } from './figure/slipping';
import { sourceSilent } from './guardian/sourceSilent';
import { termFinal } from './said/termFinal';
import { unexplained } from './attendance/unexplained';
import { unmarked } from './work/unmarked';

/**
 * The rules about a child, in the order in which their reasons stand in an alert that several of them gave: what is
 * so now before what may come, the sharper before the milder.
 */
const ofChild = [
  below,
  letterStep,
  fallen,
  slipping,
  ifLeft,
  deadline,
  sentBack,
  looseEnd,
  unmarked,
  bigWork,
  comment,
  scored,
  unexplained,
  late,
  pattern,
  daysMissed,
  reportCard,
  termFinal,
  answerDue,
  announced,
  helpers,
  feeDue,
  balanceLow,
  settled,
  improved,
] as const;

/** The rules about the guardian. */
const ofGuardian = [sourceSilent, notLooked] as const;

type Known = (typeof ofChild)[number] | (typeof ofGuardian)[number];
export type RuleName = Known['name'];
/** What every rule is set to. */
export type RuleSettings = { readonly [R in Known as R['name']]: Static<R['settings']> };

export const childRules: readonly (AnyChildRule & { readonly name: RuleName })[] = ofChild;
export const guardianRules: readonly (AnyGuardianRule & { readonly name: RuleName })[] = ofGuardian;
export const alertRules: readonly (AnyRule & { readonly name: RuleName })[] = [...ofChild, ...ofGuardian];
export const ruleNamed = (name: string): AnyRule | undefined => alertRules.find((rule) => rule.name === name);

/** Whether a reason tells of what has happened, by the rule that found it; of a rule that is no more: no, so that it ends. */
export const hasHappened = ({ rule }: { readonly rule: string }): boolean => ruleNamed(rule)?.event ?? false;
