import { Type } from '@sinclair/typebox';
import { childRule } from '../rule';
import { knob, ruleSettings } from '../set';
import { lastResults } from './lastResult';
import { workSignal } from './workReason';
import { workIn } from './workWords';

/** At this much every score is told, also a full one. */
const every = 100;

/** A score was posted, or put right: each, or only those below a share of what can be had. */
export const scored = childRule({
  name: 'scored',
  about: 'work',
  event: true,
  settings: ruleSettings({ below: Type.Number({ minimum: 1, maximum: every }) }),
  presets: {
    urgent: { on: false, below: 60 },
    usual: { on: false, below: 70 },
    everything: { on: true, below: every },
  },
  page: { group: 'talk', place: 4, knobs: [knob.scores], differs: 'course' },
  find: (facts, ask) =>
    facts.courses.flatMap((course) => {
      const { on, below } = ask(course.id);
      if (!on) return [];
      return lastResults(facts, course).flatMap(({ itemId, item, before, after, was }) => {
        const earned = after.earned ?? null;
        const same = before.status === 'scored' && before.earned === earned;
        // A loose end that is tied up is told as good news.
        if (after.status !== 'scored' || same || was) return [];
        const share = earned === null || item.possible === 0 ? null : earned / item.possible;
        if (below < every && (share === null || share >= below / 100 - 1e-9)) return [];
        return workSignal(facts, course, {
          rule: 'scored',
          id: `scored:${itemId}:${after.at}`,
          key: `scored:${facts.studentId}:${course.id}`,
          kind: 'comment',
          itemId,
          at: after.at,
        });
      });
    }),
  words: {
    en: {
      name: 'A new score',
      tell: (reason, told) => {
        const { course, on, marked } = workIn('en', reason, told);
        const { title, earned } = reason.work;
        return {
          headline: earned === null ? `${title} was scored` : `${title}: ${marked}`,
          discreet: `${title} was scored`,
          facts: [`${course}, scored on ${on}.`],
          rule: 'Cadro tells you about new scores.',
          next: 'Ask how it went.',
        };
      },
    },
    es: {
      name: 'Un puntaje nuevo',
      tell: (reason, told) => {
        const { course, on, marked } = workIn('es', reason, told);
        const { title, earned } = reason.work;
        return {
          headline: earned === null ? `${title}: calificado` : `${title}: ${marked}`,
          discreet: `${title}: calificado`,
          facts: [`${course}, calificado el ${on}.`],
          rule: 'Se le avisa cuando se publica un puntaje.',
          next: 'Pregunte cómo le fue.',
        };
      },
    },
  },
});
