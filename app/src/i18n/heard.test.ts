import { languages, type Language } from '@cadro/contract';
import { alertRules, alertWords, ruleTitle } from '@cadro/core';
import { catalogues, everyText } from '../testing/texts';

/* Words that no parent would say at the kitchen table, or two for one thing. What stands in their place is in docs/words.md. */
const unheard: Readonly<Record<Language, readonly RegExp[]>> = {
  en: [
    /\b(?:\d+|…|the|all|no|open|more) works\b/i,
    /\b(?:a|one|this) work\b(?! (?:of|sample)\b)/i,
    /\bremarks?\b/i,
    /\b(?:un)?marked\b(?! as\b)/i,
    /\bmarks?\b(?! (?:as|all)\b)/i,
    /\bhanded in\b/i,
    /\bfigures?\b/i,
    /\blessons?\b/i,
    /\bregister\b/i,
    /\bthe telephone\b/i,
    /\bin hand\b/i,
    /\btak(?:e|en) in hand\b/i,
    /\bis silent\b/i,
    /\bhave not looked\b/i,
    /\bmended?\b/i,
    /\bleast mark\b/i,
    /\bThat is so\b|\bNot meant so\b/,
    /\bNarrow down\b|\bChoose none\b|\bTake out\b|\bPut down as\b/,
    /\bnothing here for you\b|\bNothing here is like that\b/i,
    /\bYou are told\b/i,
    /\bopens beside\b/i,
    // Quotes are double, as American families write them.
    /‘/,
    /\bno tick\b|\bTake it in\b|\bPut (?:it|a \w+) (?:down|back)\b/i,
    /\bread along\b|\bthe child itself\b|\btaken out\b/i,
    /\b24-hour\b/,
  ],
  es: [
    /\bcabos? sueltos?\b/i,
    /\basignaturas?\b/i,
    /\bdocentes?\b|\bprofesor(?:es|ado)?\b/i,
    /\bcolegios?\b/i,
    /(?<!\ben )\bcursos?\b/i,
    /\b(?:sin )?corregid[oa]s?\b/i,
    /\bcifras?\b/i,
    /\bcalla\b/i,
    /\bmiradas?\b/i,
    /\bvosotros\b|\bvuestr[oa]s?\b|\b(?:pod|quer|ten)éis\b|\bapuntasteis\b/i,
    /\bA ti te toca\b/i,
    /\baparato\b/i,
    /\bdispensad[oa]s?\b/i,
    /\blibro de notas\b/i,
    /\bnota mínima\b/i,
    /\bLlevarse\b|\bSaber menos\b/,
    /\bpasa a ser nada\b|\bcuenta como nada\b/i,
    /\bañad/i,
    /\bactos?\b/i,
    /\d,\d|\d %/,
  ],
};

const heardIn = (texts: readonly (readonly [string, string])[], language: Language): string[] =>
  texts.flatMap(([key, text]) =>
    unheard[language]
      .filter((word) => word.test(text.replaceAll(/\{\{\w+\}\}/g, '…')))
      .map((word) => `${key}: ${text} (${String(word)})`),
  );

it.each(languages)('nothing in the interface sounds translated, in %s', (language) => {
  expect(heardIn(everyText(catalogues[language]), language)).toEqual([]);
});

it.each(languages)('nor do the names of alerts and of their rules, in %s', (language) => {
  const rules = alertRules.map(({ name }) => [name, ruleTitle(language, name)] as const);
  expect(rules.length).toBeGreaterThan(15);
  expect(heardIn([...rules, ...Object.entries(alertWords(language).kinds)], language)).toEqual([]);
});

it('hears what it is to hear', () => {
  const said = [
    ['a', '30 works were given out in those lessons'],
    ['b', 'It works once, until tomorrow. Marked as done. The frame works without a signal.'],
  ] as const;
  expect(heardIn(said, 'en').map((each) => each.slice(0, 1))).toEqual(['a', 'a']);
});

it('Spanish says usted to everyone but a child', () => {
  const toChildren = /^(?:desk\.(?!from)|sitdown\.ask\.|people\.child|door\.as\.student)/;
  const informal = /\b(?:tus?|tuy[oa]s?|contigo|puedes|tienes|quieres|elige)\b|(?<!\p{L})tú(?!\p{L})/iu;
  const texts = everyText(catalogues.es).filter(([key]) => !toChildren.test(key));
  expect(texts.filter(([, text]) => informal.test(text))).toEqual([]);
});
