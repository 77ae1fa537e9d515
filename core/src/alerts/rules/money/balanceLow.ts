import { Type } from '@sinclair/typebox';
import { childRule } from '../rule';
import { knob, ruleSettings } from '../set';
import { balanceSignal } from './balanceReason';

/** An account at school of which less is left than a guardian wants. */
export const balanceLow = childRule({
  name: 'balance-low',
  about: 'balance',
  settings: ruleSettings({ below: Type.Number({ minimum: 0, maximum: 500 }) }),
  // What is little is each family's own to say.
  presets: {
    urgent: { on: false, below: 5 },
    usual: { on: false, below: 10 },
    everything: { on: true, below: 15 },
  },
  page: { group: 'school', place: 4, knobs: [knob.money], differs: 'child' },
  asked: ({ below }) => ({ amount: below, days: null }),
  find: (facts, ask) =>
    facts.balances.flatMap((each) => {
      const { on, below } = ask(null);
      const { kind, amount } = each.value;
      if (!on || kind !== 'account' || amount >= below) return [];
      return [balanceSignal(facts, each, 'balance-low', { asked: { amount: below, days: null } })];
    }),
  words: {
    en: {
      name: 'A school account is running low',
      asked: ({ amount }) => `You asked to be told below ${amount}.`,
      tell: ({ title, amount, currency, at, asked }, { formats }) => ({
        headline: `${title}: ${formats.money(amount, currency)} left`,
        facts: [`As of ${formats.day(at)}.`],
        rule: `You asked to be told below ${formats.money(asked?.amount ?? 0, currency)}.`,
        next: 'Add money the way your school accepts it.',
      }),
    },
    es: {
      name: 'Queda poco en una cuenta de la escuela',
      asked: ({ amount }) => `Usted pidió que se le avise por debajo de ${amount}.`,
      tell: ({ title, amount, currency, at, asked }, { formats }) => ({
        headline: `${title}: quedan ${formats.money(amount, currency)}`,
        facts: [`Al ${formats.day(at)}.`],
        rule: `Usted pidió que se le avise por debajo de ${formats.money(asked?.amount ?? 0, currency)}.`,
        next: 'Agregue dinero de la forma que acepta su escuela.',
      }),
    },
  },
});
