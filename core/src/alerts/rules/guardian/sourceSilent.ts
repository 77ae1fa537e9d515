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
      name: 'A source is silent',
      asked: ({ days }) => `You are told when a source is silent for ${days}.`,
      tell: ({ since, days, sourceName }, { formats }) => ({
        headline: `Nothing from ${sourceName} for ${counted(days, 'day', 'days')}`,
        facts: [`Last read ${formats.moment(since)}. What you see is as old as that.`],
        rule: 'You are told when a source is silent for days.',
        next: 'Nothing to do: it is tried again by itself.',
      }),
    },
    es: {
      name: 'Una fuente calla',
      asked: ({ days }) => `Se le avisa cuando una fuente calla durante ${days}.`,
      tell: ({ since, days, sourceName }, { formats }) => ({
        headline: `Nada de ${sourceName} desde hace ${counted(days, 'día', 'días')}`,
        facts: [`Última lectura: ${formats.moment(since)}. Lo que ve es de entonces.`],
        rule: 'Se le avisa cuando una fuente calla durante días.',
        next: 'No hay que hacer nada: se vuelve a intentar sola.',
      }),
    },
  },
});
