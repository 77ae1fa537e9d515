import { Type } from '@sinclair/typebox';
import { looseEndKinds, type LooseEndFigure, type LooseEndKind } from '@cadro/contract';
import { isTravelling } from '../../../outlook';
import type { ChildFacts, CourseSight } from '../../facts';
import { childRule } from '../rule';
import { effect, knob, ruleSettings } from '../set';
import { doubtIn, endOf, standsSince, workKey, workSignal } from './workReason';
import { looseEndWords, workIn } from './workWords';

const travels = (facts: ChildFacts, course: CourseSight, { itemId, kind }: LooseEndFigure): boolean =>
  isTravelling({ kind, dueAtMs: course.items.get(itemId)?.dueAtMs ?? null }, facts.asOfMs);

const counting: LooseEndKind[] = ['missing', 'incomplete', 'overdue', 'zero'];

/** Loose ends of the chosen kinds, from so many in one course on, each of so much effect. */
export const looseEnd = childRule({
  name: 'loose-end',
  about: 'work',
  settings: ruleSettings({
    kinds: Type.Array(Type.Union(looseEndKinds.map((kind) => Type.Literal(kind))), {
      maxItems: looseEndKinds.length,
      uniqueItems: true,
    }),
    /** So many in one course before it is told. */
    atOnce: Type.Integer({ minimum: 1, maximum: 20 }),
    effect,
  }),
  presets: {
    urgent: { on: true, kinds: ['missing', 'overdue', 'zero'], atOnce: 1, effect: 5 },
    usual: { on: true, kinds: counting, atOnce: 1, effect: 1 },
    everything: { on: true, kinds: [...counting, 'at-floor'], atOnce: 1, effect: 0 },
  },
  page: {
    ...{ group: 'work', place: 1, knobs: [knob.atOnce, knob.effect], differs: 'course' },
    choices: { param: 'kinds', from: looseEndKinds, said: 'kinds' },
  },
  asked: (settings, scaled) =>
    settings.effect > 0 && settings.atOnce === 1
      ? { amount: scaled(settings.effect), days: null }
      : undefined,
  find: (facts, ask, stands) =>
    facts.courses.flatMap((course) => {
      const { on, kinds, atOnce, effect: least } = ask(course.id);
      if (!on) return [];
      const key = workKey(facts, course);
      const ends = course.answer.looseEnds.filter(
        (end) =>
          kinds.includes(end.kind) &&
          !travels(facts, course, end) &&
          // While scores may still be on their way from the classroom, an alarm waits.
          doubtIn(course, end.itemId, facts.asOfMs) !== 'doubtful' &&
          (least === 0 || ((end.impact ?? 0) / course.policy.outOf) * 100 >= least - 1e-9),
      );
      if (ends.length < atOnce && !stands(key)) return [];
      return ends.flatMap((end) =>
        workSignal(facts, course, {
          rule: 'loose-end',
          id: `loose-end:${end.itemId}`,
          key,
          kind: 'work',
          itemId: end.itemId,
          at: standsSince(course, end.itemId, facts.asOfMs),
          work: endOf(end),
        }),
      );
    }),
  words: {
    en: {
      name: 'A new loose end',
      asked: ({ amount }) => `Cadro tells you about new loose ends that move a grade by ${amount} or more.`,
      tell: (reason, told) => {
        const { due, worth, until, apart } = workIn('en', reason, told);
        const { title, kind } = reason.work;
        return {
          headline: `${title}: ${kind ? looseEndWords.en[kind] : 'open'}`,
          facts: [due, ...apart, ...worth, ...until],
          rule: 'Cadro tells you about new loose ends.',
          next: 'Ask whether it’s turned in.',
        };
      },
    },
    es: {
      name: 'Un trabajo pendiente nuevo',
      asked: ({ amount }) =>
        `Se le avisa de trabajos pendientes nuevos que mueven una calificación ${amount} o más.`,
      tell: (reason, told) => {
        const { due, worth, until, apart } = workIn('es', reason, told);
        const { title, kind } = reason.work;
        return {
          headline: `${title}: ${kind ? looseEndWords.es[kind] : 'abierto'}`,
          facts: [due, ...apart, ...worth, ...until],
          rule: 'Se le avisa de trabajos pendientes nuevos.',
          next: 'Pregunte si se entregó.',
        };
      },
    },
  },
});
