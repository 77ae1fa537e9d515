import { dayMs } from '../../../dates';
import { childRule } from '../rule';
import { daysUpTo, knob, ruleSettings } from '../set';
import { isAnswered, schoolSignal } from './schoolReason';

/** What a school wants to hear by a last day that is near, and nobody has answered. */
export const answerDue = childRule({
  name: 'answer-due',
  about: 'school',
  settings: ruleSettings({ days: daysUpTo(14) }),
  presets: {
    urgent: { on: true, days: 1 },
    usual: { on: true, days: 2 },
    everything: { on: true, days: 3 },
  },
  page: { group: 'school', place: 1, knobs: [knob.days('ahead', 7)] },
  asked: ({ days }) => ({ amount: null, days }),
  find: (facts, ask) =>
    facts.announcements.flatMap((each) => {
      const { by, wantsAnswer, helpers, gone, courseId } = each.value;
      const { on, days } = ask(courseId);
      if (!on || by === null || !wantsAnswer || helpers || gone || isAnswered(each.value, facts.asOfMs))
        return [];
      const leftMs = Date.parse(by) - facts.asOfMs;
      return leftMs >= 0 && leftMs <= days * dayMs ? [schoolSignal(facts, each, 'answer-due')] : [];
    }),
  next: (facts, ask) =>
    facts.announcements.flatMap(({ value: { by, courseId } }) => {
      const { on, days } = ask(courseId);
      return on && by !== null ? [{ courseId: null, atMs: Date.parse(by) - days * dayMs }] : [];
    }),
  words: {
    en: {
      name: 'An answer to the school is due',
      asked: ({ days }) => `You asked to be told ${days} before the last day to answer.`,
      tell: ({ title, text, sourceName, by }, { formats }) => ({
        headline: `${sourceName} needs an answer by ${formats.day(by ?? '')}: ${title}`,
        facts: [`“${text}”`],
        rule: 'You asked to be told before the last day to answer.',
        next: 'Answer it in Talk.',
      }),
    },
    es: {
      name: 'Hay que responder a la escuela',
      asked: ({ days }) => `Usted pidió que se le avise ${days} antes del último día para responder.`,
      tell: ({ title, text, sourceName, by }, { formats }) => ({
        headline: `${sourceName} necesita una respuesta hasta el ${formats.day(by ?? '')}: ${title}`,
        facts: [`«${text}»`],
        rule: 'Usted pidió que se le avise antes del último día para responder.',
        next: 'Responda en Diálogo.',
      }),
    },
  },
});
