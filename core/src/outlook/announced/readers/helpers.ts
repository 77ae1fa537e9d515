import type { Language } from '@cadro/contract';

const who: Readonly<Record<Language, string>> = {
  en: '(?:adults?|volunteers?|helpers?|parents|families|drivers?|chaperones?|hands)',
  es: '(?:adult[oa]s?|voluntari[oa]s?|ayudantes?|padres|familias|conductor[ea]s?|acompañantes?|manos)',
};
const wanted: Readonly<Record<Language, RegExp>> = {
  en: new RegExp(
    String.raw`\b(?:looking for|need|seeking|could use|hoping for)\b[^.?]{0,30}\b${who.en}\b|\b${who.en}\b[^.?]{0,30}\b(?:needed|wanted|welcome)\b`,
    'i',
  ),
  es: new RegExp(
    String.raw`(?<!\p{L})(?:buscamos|necesitamos|se (?:buscan?|necesitan?)|hacen? falta)(?!\p{L})[^.?]{0,30}(?<!\p{L})${who.es}(?!\p{L})`,
    'iu',
  ),
};
const enough: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:no longer|don['’]t|do not|not) need|\benough\b/i,
  es: /(?<!\p{L})(?:ya no|no) (?:necesitamos|hacen? falta|se necesitan?|buscamos)|suficientes/iu,
};

/** Whether people are asked to lend a hand. */
export const wantsHelpers = (text: string, lang: Language): boolean =>
  wanted[lang].test(text) && !enough[lang].test(text);
