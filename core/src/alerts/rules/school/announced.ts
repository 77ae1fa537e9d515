import { childRule } from '../rule';
import { ruleSettings } from '../set';
import { newlyAnnounced, schoolSignal } from './schoolReason';

/** What a school, a course or a teacher announces; whoever may lend a hand is asked by a rule of its own. */
export const announced = childRule({
  name: 'announced',
  about: 'school',
  event: true,
  settings: ruleSettings({}),
  // Talk, the Brief and the digest have them; each by mail is for who wants everything.
  presets: { urgent: { on: false }, usual: { on: false }, everything: { on: true } },
  page: { group: 'school', place: 2, knobs: [] },
  find: (facts, ask) =>
    newlyAnnounced(facts).flatMap((each) =>
      !each.value.helpers && ask(each.value.courseId).on ? [schoolSignal(facts, each, 'announced')] : [],
    ),
  words: {
    en: {
      name: 'An announcement from school',
      tell: ({ title, text, sourceName, at }, { formats }) => ({
        headline: `${sourceName}: ${title}`,
        facts: [`“${text}”`, `Posted ${formats.day(at)}.`],
        rule: 'Cadro tells you about announcements.',
        next: 'Read it in Talk.',
      }),
    },
    es: {
      name: 'La escuela avisa algo',
      tell: ({ title, text, sourceName, at }, { formats }) => ({
        headline: `${sourceName}: ${title}`,
        facts: [`«${text}»`, `Publicado el ${formats.day(at)}.`],
        rule: 'Usted pidió enterarse de los avisos.',
        next: 'Léalo en Diálogo.',
      }),
    },
  },
});
