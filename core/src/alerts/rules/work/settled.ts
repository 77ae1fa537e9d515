import type { Language, LooseEndKind } from '@cadro/contract';
import { tiedUp } from '../../../outlook';
import { goodKey } from '../figure/figureReason';
import { childRule } from '../rule';
import { onAlways, ruleSettings } from '../set';
import { workSignal } from './workReason';
import { looseEndWords, workIn } from './workWords';

const open = { status: 'open', earned: null } as const;
/** What it was, of work that is settled. */
const wasWords: Readonly<Record<Language, Readonly<Record<LooseEndKind, string>>>> = {
  en: { ...looseEndWords.en, overdue: 'overdue', unmarked: 'not marked' },
  es: { ...looseEndWords.es, overdue: 'vencido', unmarked: 'sin corregir' },
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
      return [...course.results].flatMap(([itemId, results]) => {
        const [before, after] = [results.at(-2)?.value, results.at(-1)];
        const item = course.items.get(itemId);
        if (!item || !after || facts.asOfMs - after.knownAtMs > facts.newsMs) return [];
        const state = (result: typeof before) =>
          result ? { status: result.status, earned: result.earned ?? null } : open;
        const atMs = Date.parse(after.value.at);
        const was = tiedUp(item, course.policy, state(before), state(after.value), atMs);
        if (!was) return [];
        return workSignal(facts, course, {
          rule: 'settled',
          id: `settled:${itemId}:${after.value.at}`,
          key: goodKey(facts, course),
          kind: 'good',
          itemId,
          at: after.value.at,
          work: { was },
        });
      });
    }),
  words: {
    en: {
      name: 'A loose end tied up',
      tell: (reason, told) => {
        const { course, on, marked } = workIn('en', reason, told);
        const { title, was } = reason.work;
        return {
          headline: `${title}: was ${was ? wasWords.en[was] : 'open'}, now ${marked}`,
          facts: [`${course}, marked on ${on}.`],
          rule: 'You are told when a loose end is tied up.',
          next: 'Say so at home.',
        };
      },
    },
    es: {
      name: 'Un cabo suelto atado',
      tell: (reason, told) => {
        const { course, on, marked } = workIn('es', reason, told);
        const { title, was } = reason.work;
        return {
          headline: `${title}: constaba como «${was ? wasWords.es[was] : 'abierto'}», ahora ${marked}`,
          facts: [`${course}, corregido el ${on}.`],
          rule: 'Se le avisa cuando se ata un cabo suelto.',
          next: 'Dígalo en casa.',
        };
      },
    },
  },
});
