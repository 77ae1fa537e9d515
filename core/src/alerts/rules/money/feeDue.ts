import { dateIn, daysAfter } from '../../../dates';
import { childRule } from '../rule';
import { daysUpTo, knob, ruleSettings } from '../set';
import { balanceSignal } from './balanceReason';

/** What was due longer ago is between the school and the family. */
const overdueDays = 28;

/** A fee that is to be paid by a day that is near, or over. */
export const feeDue = childRule({
  name: 'fee-due',
  about: 'balance',
  settings: ruleSettings({ days: daysUpTo(14) }),
  presets: {
    urgent: { on: true, days: 1 },
    usual: { on: true, days: 2 },
    everything: { on: true, days: 5 },
  },
  page: { group: 'school', place: 5, knobs: [knob.days('ahead', 14)], differs: 'child' },
  asked: ({ days }) => ({ amount: null, days }),
  find: (facts, ask) => {
    const { on, days } = ask(null);
    const today = dateIn(facts.timeZone, new Date(facts.asOfMs));
    const [first, last] = [daysAfter(today, -overdueDays), daysAfter(today, days)];
    return facts.balances.flatMap((each) => {
      const { kind, amount, dueOn } = each.value;
      if (!on || kind !== 'fee' || amount <= 0 || dueOn === null || dueOn < first || dueOn > last) return [];
      return [balanceSignal(facts, each, 'fee-due', { asked: { amount: null, days } })];
    });
  },
  words: {
    en: {
      name: 'A fee is due',
      asked: ({ days }) => `You asked to be told ${days} before a fee is due.`,
      tell: ({ title, amount, currency, dueOn }, { formats }) => ({
        headline: `${title}: ${formats.money(amount, currency)} due by ${formats.date(dueOn ?? '')}`,
        facts: [],
        rule: 'You asked to be told before a fee is due.',
        next: 'Pay it the way your school takes it.',
      }),
    },
    es: {
      name: 'Hay que pagar una cuota',
      asked: ({ days }) => `Usted pidió que se le avise ${days} antes de que venza una cuota.`,
      tell: ({ title, amount, currency, dueOn }, { formats }) => ({
        headline: `${title}: ${formats.money(amount, currency)} para el ${formats.date(dueOn ?? '')}`,
        facts: [],
        rule: 'Usted pidió que se le avise antes de que venza una cuota.',
        next: 'Páguela como lo recibe su escuela.',
      }),
    },
  },
});
