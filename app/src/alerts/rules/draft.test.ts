import { KeptRules, presets } from '@cadro/contract';
import { misfits } from '@cadro/contract/parse';
import {
  alertRules,
  alertRulesSchema,
  presetOf,
  presetRules,
  sameSettings,
  settingsFor,
  type AlertRules,
} from '@cadro/core';
import { i18next } from '../../i18n';
import { addException, withException, withoutException, withRule } from './draft';
import { groups, isAboutUpkeep, knobSaid, numberOf, ofChild, ofCourse } from './knobs';
import { startTexts } from '../../testing/texts';

startTexts('en');
const faults = (rules: AlertRules) =>
  [KeptRules, alertRulesSchema].flatMap((schema) => misfits(schema, rules));
const usual = presetRules('usual');
const studentId = '0d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6';
const courseId = '1d4f3c1a-1b2c-4d5e-8f90-a1b2c3d4e5f6';
const kelp = { studentId, courseId };
const isolde = { studentId, courseId: null };

describe('what can be set', () => {
  it('has every rule in one group', () => {
    expect(groups.flatMap(([, names]) => names).sort()).toEqual(alertRules.map(({ name }) => name).sort());
  });

  it('differs in a course or in a child, where its rule says so, and nowhere else', () => {
    expect(ofCourse).toEqual([
      ...['below', 'if-left', 'fallen', 'letter-step', 'slipping', 'loose-end', 'deadline', 'comment'],
      'scored',
      ...['improved', 'settled'],
    ]);
    expect(ofChild.slice(0, ofCourse.length)).toEqual(ofCourse);
    expect(ofChild.slice(ofCourse.length)).toEqual([
      ...['balance-low', 'fee-due', 'unexplained', 'late', 'pattern', 'days-missed'],
    ]);
  });

  it('cannot be tried on the past where nothing is kept of it', () => {
    const names = groups.flatMap(([, all]) => all);
    expect(names.filter(isAboutUpkeep)).toEqual(['source-silent', 'not-looked']);
  });

  it('stands on its page in this order', () => {
    expect(groups).toEqual([
      ['figure', ['below', 'if-left', 'fallen', 'letter-step', 'slipping']],
      ['work', ['loose-end', 'deadline', 'sent-back', 'unmarked']],
      ['coming', ['big-work']],
      ['talk', ['comment', 'term-final', 'report-card', 'scored']],
      ['school', ['answer-due', 'announced', 'helpers', 'balance-low', 'fee-due']],
      ['attendance', ['unexplained', 'late', 'pattern', 'days-missed']],
      ['good', ['improved', 'settled']],
      ['upkeep', ['source-silent', 'not-looked']],
    ]);
  });

  it.each(
    alertRules.flatMap(({ name, page }) => page.knobs.map((knob) => [name, knob.param, knob] as const)),
  )('%s by %s goes no further than the server takes it, and says so in words', (name, param, knob) => {
    for (const value of [knob.least, knob.most]) {
      expect(faults(withRule(usual, name, param, value))).toEqual([]);
      expect(knobSaid(i18next.t, knob, value)).not.toMatch(/\{\{|undefined|rules\./);
    }
    expect(faults(withRule(usual, name, param, -1))).not.toEqual([]);
  });

  it.each(presets)('%s lies within the sliders', (preset) => {
    for (const { name, page } of alertRules) {
      for (const knob of page.knobs) {
        const value = numberOf(presetRules(preset).rules[name], knob);
        expect(value).toBeGreaterThanOrEqual(knob.least);
        expect(value).toBeLessThanOrEqual(knob.most);
      }
    }
  });

  it('starts a slider at its least where a rule has no such number', () => {
    expect(numberOf({}, { param: 'days', least: 3, most: 9, step: 1, said: 'within' })).toBe(3);
  });
});

describe('a draft', () => {
  it('is another than what it was made from, and the same again when it is set back', () => {
    const changed = withRule(usual, 'below', 'percent', 80);
    expect(changed.rules.below.percent).toBe(80);
    expect(usual.rules.below.percent).toBe(70);
    expect(sameSettings(changed, usual)).toBe(false);
    expect(presetOf(changed)).toBeNull();
    expect(sameSettings(withRule(changed, 'below', 'percent', 70), usual)).toBe(true);
  });

  it('says the same in whatever order its members come back', () => {
    const turned = JSON.parse(
      JSON.stringify({ capPerDay: usual.capPerDay, rules: usual.rules, exceptions: usual.exceptions }),
    ) as AlertRules;
    expect(sameSettings(turned, usual)).toBe(true);
  });
});

describe('an exception', () => {
  it('holds for its course alone, and leaves what it does not name as it is', () => {
    const draft = withException(usual, kelp, 'below', 'percent', 90);
    expect(settingsFor(draft, studentId, courseId).below).toEqual({ ...usual.rules.below, percent: 90 });
    expect(settingsFor(draft, studentId, null).below).toEqual(usual.rules.below);
    expect(faults(draft)).toEqual([]);
  });

  it('gathers what is set of it, and stands once', () => {
    const draft = withException(
      withException(usual, kelp, 'below', 'percent', 90),
      kelp,
      'fallen',
      'on',
      false,
    );
    expect(draft.exceptions).toHaveLength(1);
    expect(draft.exceptions[0]?.rules).toMatchObject({ below: { percent: 90 }, fallen: { on: false } });
    expect(addException(draft, kelp)).toBe(draft);
  });

  it('of a child lies beside one of its course, and each is taken out by itself', () => {
    const both = withException(addException(usual, kelp), isolde, 'late', 'times', 5);
    expect(both.exceptions.map((each) => each.courseId)).toEqual([courseId, null]);
    expect(withoutException(both, kelp).exceptions).toMatchObject([{ courseId: null }]);
    expect(withoutException(both, isolde).exceptions).toMatchObject([{ courseId }]);
  });

  it('is none for what concerns no child', () => {
    expect(withException(usual, isolde, 'source-silent', 'days', 9)).toBe(usual);
  });
});
