import type { Language } from '@cadro/contract';

/** What an announcement wants to hear, where its words say so. */
export type WantedAnswer = 'yes-no' | 'choice' | 'count' | 'form';

const count: Readonly<Record<Language, RegExp>> = {
  en: /\bhow many\b(?! (?:points|weeks|days))|\b(?:with )?the number of (?:people|seats|guests|tickets|children)\b/i,
  es: /(?<!\p{L})cuánt[oa]s(?!\p{L})|el número de (?:personas|asientos|boletos|invitados)/iu,
};
const form: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:forms?|slips?|waivers?)\b[^.]{0,80}\b(?:sign|return|due|turn|hand)|\b(?:sign|return|fill|turn in|hand in)\w*\b[^.]{0,60}\b(?:forms?|slips?|waivers?)\b/i,
  es: /(?<!\p{L})(?:formularios?|autorizaci(?:ón|ones)|permisos?|hojas?)(?!\p{L})[^.]{0,80}(?:firm|devuel|entreg)|(?:firm|devuel|devolver|entreg|llen)\p{L}*[^.]{0,60}(?:formularios?|autorizaci(?:ón|ones)|permisos?|hojas?)(?!\p{L})/iu,
};
const choice: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:which|prefer|would you (?:rather|like)|what (?:day|time))\b[^?.]*\bor\b[^?.]*\?/i,
  es: /(?<!\p{L})(?:prefieren?|qué|cuál(?:es)?|quieren?)(?!\p{L})[^?.]*(?<!\p{L})(?:o|u)(?!\p{L})[^?.]*\?/iu,
};
const yesNo: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:can|will|could|would|may|does|do|is|are) (?:your|you|the (?:child|family))\b[^?.]*\?|\b(?:reply|respond|answer|let (?:us|me) know|tell (?:us|me)|say)\b[^.?]{0,40}\b(?:if|whether|yes or no)\b/i,
  es: /¿\s*(?:puede[n]?|vendrá[n]?|viene[n]?|participará[n]?|quiere[n]?|asistirá[n]?|podría[n]?)(?!\p{L})[^?]*\?|(?:responda[n]?|avísen?(?:nos|me)|dígan?(?:nos|me)|confirmen?)[^.?]{0,40}(?<!\p{L})(?:si|sí o no)(?!\p{L})/iu,
};

/** The answer that is wanted; null where none is. */
export function wantedAnswer(text: string, lang: Language): WantedAnswer | null {
  if (form[lang].test(text)) return 'form';
  if (count[lang].test(text)) return 'count';
  if (choice[lang].test(text)) return 'choice';
  return yesNo[lang].test(text) ? 'yes-no' : null;
}
