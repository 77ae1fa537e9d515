import type { TFunction } from 'i18next';
import type { RuleName } from '@cadro/contract';

/** A number of a rule that is set by a slider. */
export interface Knob {
  readonly param: string;
  readonly least: number;
  readonly most: number;
  readonly step: number;
  readonly said: (t: TFunction, value: number) => string;
}

const days = (words: 'within' | 'ahead' | 'after', most: number): Knob => ({
  param: 'days',
  least: 1,
  most,
  step: 1,
  said: (t, count) => t(`rules.${words}`, { count }),
});
const points: Knob = {
  param: 'points',
  least: 1,
  most: 30,
  step: 1,
  said: (t, value) => t('rules.points', { value }),
};
const effect: Knob = {
  param: 'effect',
  least: 0,
  most: 30,
  step: 1,
  said: (t, value) => (value === 0 ? t('rules.anyEffect') : t('rules.effect', { value })),
};
export const percent: Knob = {
  param: 'percent',
  least: 30,
  most: 100,
  step: 1,
  said: (t, value) => t('rules.percent', { value }),
};
export const level: Knob = {
  param: 'level',
  least: 1,
  most: 4,
  step: 0.1,
  said: (t, value) => t('rules.level', { value: value.toFixed(1) }),
};

/** What of each rule is set by a slider, in the order in which it is asked. */
export const knobs: Readonly<Record<RuleName, readonly Knob[]>> = {
  below: [percent, level],
  'if-left': [percent, level],
  fallen: [points, days('within', 60)],
  'letter-step': [],
  slipping: [
    {
      param: 'perWeek',
      least: 1,
      most: 10,
      step: 0.5,
      said: (t, value) => t('rules.perWeek', { value }),
    },
  ],
  'loose-end': [
    { param: 'atOnce', least: 1, most: 10, step: 1, said: (t, count) => t('rules.atOnce', { count }) },
    effect,
  ],
  deadline: [days('ahead', 14)],
  'sent-back': [],
  unmarked: [days('after', 30)],
  'big-work': [days('ahead', 14), effect],
  comment: [],
  unexplained: [],
  late: [
    { param: 'times', least: 1, most: 10, step: 1, said: (t, count) => t('rules.times', { count }) },
    days('within', 60),
  ],
  pattern: [],
  'days-missed': [
    { param: 'percent', least: 1, most: 30, step: 1, said: (t, value) => t('rules.share', { value }) },
  ],
  'term-final': [],
  'report-card': [],
  improved: [points, days('within', 60)],
  settled: [],
  'source-silent': [days('after', 14)],
  'not-looked': [days('after', 30)],
};

export const groups = [
  ['figure', ['below', 'if-left', 'fallen', 'letter-step', 'slipping']],
  ['work', ['loose-end', 'deadline', 'sent-back', 'unmarked']],
  ['coming', ['big-work']],
  ['talk', ['comment', 'term-final', 'report-card']],
  ['attendance', ['unexplained', 'late', 'pattern', 'days-missed']],
  ['good', ['improved', 'settled']],
  ['upkeep', ['source-silent', 'not-looked']],
] as const satisfies readonly (readonly [string, readonly RuleName[]])[];

/** A number of a rule, whatever the rule; the slider's least where it has none. */
export function numberOf(rule: object, { param, least }: Knob): number {
  const value: unknown = Reflect.get(rule, param);
  return typeof value === 'number' ? value : least;
}
