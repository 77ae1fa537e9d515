import { Type, type TProperties } from '@sinclair/typebox';
import type { Knob } from './rule';

/** The settings of a rule: its switch and what it has beside it. */
export const ruleSettings = <P extends TProperties>(members: P) =>
  Type.Object({ on: Type.Boolean(), ...members }, { additionalProperties: false });

export const daysUpTo = (maximum: number) => Type.Integer({ minimum: 1, maximum });
/** Points of a hundred of a course's scale. */
export const points = Type.Number({ minimum: 0.5, maximum: 100 });
/** Points of a hundred that a work moves the figure by; 0 asks for none. */
export const effect = Type.Number({ minimum: 0, maximum: 100 });

/**
 * A figure no better than this. A course with letters is asked by `letter` where it has that one, else every course
 * by the unit of its scale: out of ten or less by level, above by percent.
 */
export const threshold = {
  percent: Type.Number({ minimum: 1, maximum: 100 }),
  level: Type.Number({ minimum: 0.1, maximum: 10 }),
  letter: Type.Union([Type.String({ minLength: 1, maxLength: 12 }), Type.Null()]),
};
export const usualThreshold = { percent: 70, level: 2.5, letter: null } as const;

const inSteps = (param: string, least: number, most: number, said: Knob['said'], step = 1): Knob => ({
  ...{ param, least, most, step, said },
});
export const knob = {
  days: (said: 'within' | 'ahead' | 'after', most: number) => inSteps('days', 1, most, said),
  points: inSteps('points', 1, 30, 'points'),
  effect: inSteps('effect', 0, 30, 'effect'),
  percent: inSteps('percent', 30, 100, 'percent'),
  level: inSteps('level', 1, 4, 'level', 0.1),
  perWeek: inSteps('perWeek', 1, 10, 'perWeek', 0.5),
  atOnce: inSteps('atOnce', 1, 10, 'atOnce'),
  times: inSteps('times', 1, 10, 'times'),
  scores: inSteps('below', 10, 100, 'scores', 5),
  money: inSteps('below', 1, 50, 'money'),
  share: inSteps('percent', 1, 30, 'share'),
} as const;

/** A rule that is on or off alike in every preset. */
export const onAlways = { urgent: { on: true }, usual: { on: true }, everything: { on: true } };
