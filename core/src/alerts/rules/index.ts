import type { Static } from '@sinclair/typebox';
import { below } from './below';
import { bigWork } from './bigWork';
import { comment } from './comment';
import { daysMissed } from './daysMissed';
import { deadline } from './deadline';
import { fallen } from './fallen';
import { ifLeft } from './ifLeft';
import { improved } from './improved';
import { late } from './late';
import { letterStep } from './letterStep';
import { looseEnd } from './looseEnd';
import { notLooked } from './notLooked';
import { pattern } from './pattern';
import { reportCard } from './reportCard';
import type { AnyChildRule, AnyGuardianRule, AnyRule } from './rule';
import { sentBack } from './sentBack';
import { settled } from './settled';
import { slipping } from './slipping';
import { sourceSilent } from './sourceSilent';
import { termFinal } from './termFinal';
import { unexplained } from './unexplained';
import { unmarked } from './unmarked';

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
  unexplained,
  late,
  pattern,
  daysMissed,
  reportCard,
  termFinal,
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
