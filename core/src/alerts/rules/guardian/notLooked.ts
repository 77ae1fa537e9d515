import { dayMs } from '../../../dates';
import { instantOf } from '../../../gradebook';
import { counted } from '../../words/formats';
import { guardianRule } from '../rule';
import { daysUpTo, knob, ruleSettings } from '../set';
import { daysSince, ofNobody } from './upkeepReason';

/** A guardian who has not looked for so many days. */
export const notLooked = guardianRule({
  name: 'not-looked',
  about: 'upkeep',
  settings: ruleSettings({ days: daysUpTo(60) }),
  presets: {
    urgent: { on: false, days: 14 },
    usual: { on: false, days: 14 },
    everything: { on: true, days: 7 },
  },
  page: { group: 'upkeep', place: 2, knobs: [knob.days('after', 30)] },
  asked: ({ days }) => ({ amount: null, days }),
  find: (facts, settings) => {
    const { lookedAt } = facts;
    if (!settings.on || lookedAt === null) return [];
    const days = daysSince(facts, lookedAt);
    if (days < settings.days) return [];
    return [
      {
        ...ofNobody,
        key: `look:${facts.guardianId}`,
        reason: {
          id: 'not-looked',
          at: instantOf(Date.parse(lookedAt) + settings.days * dayMs),
          sourceName: '',
          about: 'upkeep',
          rule: 'not-looked',
          since: lookedAt,
          days,
        },
      },
    ];
  },
  words: {
    en: {
      name: 'You haven’t opened Cadro',
      asked: ({ days }) => `You asked to be reminded after ${days} without a visit.`,
      tell: ({ since, days }, { formats }) => ({
        headline: `You haven’t opened Cadro for ${counted(days, 'day', 'days')}`,
        facts: [`Your last visit was on ${formats.day(since)}.`],
        rule: 'You asked to be reminded.',
        next: 'Two minutes with the Brief is enough.',
      }),
    },
    es: {
      name: 'Lleva días sin entrar',
      asked: ({ days }) => `Usted pidió un recordatorio tras ${days} sin entrar.`,
      tell: ({ since, days }, { formats }) => ({
        headline: `Lleva ${counted(days, 'día', 'días')} sin entrar`,
        facts: [`Su última visita fue el ${formats.day(since)}.`],
        rule: 'Usted pidió un recordatorio.',
        next: 'Con dos minutos en el Resumen basta.',
      }),
    },
  },
});
