import type { Language } from '@cadro/contract';

/** Small words that one of the two languages has and the other has not. */
const small: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:the|and|is|of|you|to|for|with|this|that|was|has|have|not|by|until|she|he|her|his|it|can|may)\b/gi,
  es: /(?<!\p{L})(?:el|la|los|las|un|una|de|del|que|y|con|por|para|en|su|se|lo|no|es|está|puede|hasta|antes|muy|al)(?!\p{L})|[ñ¿¡áéíóú]/giu,
};

/** The language a comment is written in, by its small words; English where it cannot be told. */
export const languageOf = (text: string): Language => {
  const start = text.slice(0, 2000);
  const count = (lang: Language) => [...start.matchAll(small[lang])].length;
  return count('es') > count('en') ? 'es' : 'en';
};
