import type { ChildRule } from '../signal';
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
import { pattern } from './pattern';
import { reportCard } from './reportCard';
import { sentBack } from './sentBack';
import { settled } from './settled';
import { slipping } from './slipping';
import { termFinal } from './termFinal';
import { unexplained } from './unexplained';
import { unmarked } from './unmarked';

/**
 * The rules about a child, in the order in which their reasons stand in an alert that several of them gave: what is
 * so now before what may come, the sharper before the milder.
 */
export const childRules: readonly ChildRule[] = [
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
];
