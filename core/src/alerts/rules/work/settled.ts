import type { Language, LooseEndKind } from '@cadro/contract';
import { goodKey } from '../figure/figureReason';
import { childRule } from '../rule';
import { onAlways, ruleSettings } from '../set';
import { lastResults } from './lastResult';
import { workSignal } from './workReason';
import { looseEndWords, workIn } from './workWords';

/** What it was, of work that is settled. */
const wasWords: Readonly<Record<Language, Readonly<Record<LooseEndKind, string>>>> = {
  en: { ...looseEndWords.en, overdue: 'overdue', unmarked: 'not graded' },
  es: {
    ...looseEndWords.es,
    missing: 'sin entregar',
    overdue: 'vencido',
    zero: 'en 0',
    unmarked: 'sin calificar',
  },
};

/** A loose end that is tied up: missing before, 17 of 20 now. */
export const settled = childRule({
  name: 'settled',
  about: 'work',
  event: true,
  settings: ruleSettings({}),
  presets: onAlways,
  page: { group: 'good', place: 2, knobs: [], differs: 'course' },
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      if (!ask(course.id).on) return [];
      return lastResults(facts, course).flatMap(({ itemId, after, was }) => {
        if (!was) return [];
        return workSignal(facts, course, {
          rule: 'settled',
          id: `settled:${itemId}:${after.at}`,
          key: goodKey(facts, course),
          kind: 'good',
          itemId,
          at: after.at,
          work: { was },
        });
      });
    }),
  words: {
    en: {
      name: 'A loose end settled',
      tell: (reason, told) => {
        const { course, on, marked } = workIn('en', reason, told);
        const { title, was } = reason.work;
        return {
          headline: `${title}: was ${was ? wasWords.en[was] : 'open'}, now ${marked}`,
          discreet: `${title}: was ${was ? wasWords.en[was] : 'open'}, now graded`,
          facts: [`${course}, graded on ${on}.`],
          rule: 'Cadro tells you when a loose end is settled.',
          next: 'Tell your child you noticed.',
        };
      },
    },
    es: {
      name: 'Un trabajo pendiente resuelto',
      tell: (reason, told) => {
        const { course, on, marked } = workIn('es', reason, told);
        const { title, was } = reason.work;
        return {
          headline: `${title}: estaba ${was ? wasWords.es[was] : 'pendiente'}, ahora ${marked}`,
          discreet: `${title}: estaba ${was ? wasWords.es[was] : 'pendiente'}, ya calificado`,
          facts: [`${course}, calificado el ${on}.`],
          rule: 'Se le avisa cuando se resuelve un trabajo pendiente.',
          next: 'Dígale a su hijo o hija que lo notó.',
        };
      },
    },
  },
});
