import { dayMs } from '../../../dates';
import { instantOf } from '../../../gradebook';
import { counted } from '../../words/formats';
import { guardianRule } from '../rule';
import { daysUpTo, knob, ruleSettings } from '../set';
import { daysSince, ofNobody } from './upkeepReason';

const on = { on: true, days: 3 };

/** A source from which nothing has come for so many days. */
export const sourceSilent = guardianRule({
  name: 'source-silent',
  about: 'upkeep',
  settings: ruleSettings({ days: daysUpTo(60) }),
  presets: { urgent: on, usual: on, everything: on },
  page: { group: 'upkeep', place: 1, knobs: [knob.days('after', 14)] },
  asked: ({ days }) => ({ amount: null, days }),
  find: (facts, settings) =>
    settings.on
      ? facts.sources.flatMap(({ id, name, readAt }) => {
          const days = daysSince(facts, readAt);
          if (days < settings.days) return [];
          return [
            {
              ...ofNobody,
              key: `source:${id}`,
              reason: {
                id: 'source-silent',
                at: instantOf(Date.parse(readAt) + settings.days * dayMs),
                sourceName: name,
                about: 'upkeep',
                rule: 'source-silent',
                since: readAt,
                days,
              },
            },
          ];
        })
      : [],
  words: {
    en: {
      name: 'No new records',
      asked: ({ days }) => `Cadro tells you when a source sends no records for ${days}.`,
      tell: ({ since, days, sourceName }, { formats }) => ({
        headline: `No new records from ${sourceName} for ${counted(days, 'day', 'days')}`,
        facts: [`Last updated ${formats.moment(since)}. What you see is from then.`],
        rule: 'Cadro tells you when a source sends no records for days.',
        next: 'There’s nothing you need to do: Cadro keeps trying.',
      }),
    },
    es: {
      name: 'Sin datos nuevos',
      asked: ({ days }) => `Se le avisa cuando no llegan datos nuevos durante ${days}.`,
      tell: ({ since, days, sourceName }, { formats }) => ({
        headline: `Sin datos nuevos de ${sourceName} desde hace ${counted(days, 'día', 'días')}`,
        facts: [`Últimos datos: ${formats.moment(since)}. Lo que ve es de entonces.`],
        rule: 'Se le avisa cuando no llegan datos nuevos durante días.',
        next: 'No tiene que hacer nada: Cadro lo sigue intentando.',
      }),
    },
  },
});
