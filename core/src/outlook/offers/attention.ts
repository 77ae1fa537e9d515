import type { Language } from '@cadro/contract';

/** Words that are worth reading a sentence for; the date package is asked about no others. */
export const mayMatter: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:until|till?|by|through|thru|before|after|deadline|last|latest|due|has|have|credit|points|marks|half|full|later?|percent|week|end|locks?|shuts?|closes?|count(?:s|ed)?|lost|most|any|back|then|fine|okay|say|works|suits|when|limit|cut-?off|chance|counts|worth|please|nothing|keep(?:ing)?)\b|%/i,
  es: /(?<!\p{L})(?:hasta|para|antes|después|plazo|límite|último|tarde|tardar|tiene|nota|crédito|puntos|mitad|final|fin|semana|bloquea|cierra|termina|acaba|caduca|cuenta|máximo|mucho|cualquier|vuelta|entonces|entregan?|bien|digamos|cierro|esté|tope|oportunidad|nada|vale|quiero|estar?)(?!\p{L})|%/iu,
};

/** Whether a day without a cue of its own stands as a deadline for what was said before. */
export function goesOn(text: string, lang: Language): boolean {
  return lang === 'en'
    ? /^\s*due\b|\b(?:until|till|by|through|deadline|last (?:day|chance|date)|latest|no later|has|have|back|before|due (?:by|on)|locks?|shuts?|closes?|runs? out|ends?|any (?:day|lunch|break|time)|it is due|that is due|they are due|is fine|let us say|let's say|works|suits|is when|the limit|is okay|is ok|cut-?off)\b/i.test(
        text,
      )
    : /(?<!\p{L})(?:hasta|plazo|límite|último día|a más tardar|tiene|antes|de vuelta|se entregan?|última (?:oportunidad|ocasión)|está bien|me va|digamos|límite|lo cierro|vale|tope|para el|vence|bloquea|cierra|termina|acaba|caduca|cualquier|como (?:muy )?tarde)(?!\p{L})/iu.test(
        text,
      );
}
