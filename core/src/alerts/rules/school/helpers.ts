import { childRule } from '../rule';
import { ruleSettings } from '../set';
import { newlyAnnounced, schoolSignal } from './schoolReason';

/** A school looks for people who lend a hand. */
export const helpers = childRule({
  name: 'helpers',
  about: 'school',
  event: true,
  settings: ruleSettings({}),
  presets: { urgent: { on: false }, usual: { on: false }, everything: { on: true } },
  page: { group: 'school', place: 3, knobs: [] },
  find: (facts, ask) =>
    newlyAnnounced(facts).flatMap((each) =>
      each.value.helpers && ask(each.value.courseId).on ? [schoolSignal(facts, each, 'helpers')] : [],
    ),
  words: {
    en: {
      name: 'The school is looking for helpers',
      tell: ({ title, text, sourceName, at }, { formats }) => ({
        headline: `${sourceName} is looking for helpers: ${title}`,
        facts: [`“${text}”`, `Posted ${formats.day(at)}.`],
        rule: 'You asked to hear when helpers are wanted.',
        next: 'Only if it suits you.',
      }),
    },
    es: {
      name: 'La escuela busca ayudantes',
      tell: ({ title, text, sourceName, at }, { formats }) => ({
        headline: `${sourceName} busca ayudantes: ${title}`,
        facts: [`«${text}»`, `Publicado el ${formats.day(at)}.`],
        rule: 'Usted pidió enterarse cuando se buscan ayudantes.',
        next: 'Solo si a usted le viene bien.',
      }),
    },
  },
});
