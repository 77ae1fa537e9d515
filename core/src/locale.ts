const locales: Readonly<Record<string, string>> = { en: 'en-US', es: 'es-419' };

/**
 * Whose way of writing dates, times and figures goes with a language: that of families of American schools.
 * @returns a BCP 47 tag: 'Mon, Oct 19' in English; 'lun, 19 oct' and '2.5' in Spanish.
 */
export const localeOf = (language: string): string => locales[language] ?? language;

/**
 * A date or time as it stands in a sentence, the same wherever it is written: spaces that only some systems write are
 * spaces, and halves of the day have no points of their own, so that none stands twice at a sentence's end.
 * @example '3:30 PM'; '3:30 pm' for '3:30 p.m.'
 */
export const plainly = (text: string): string =>
  text.replace(/[\u2009\u202f\u00a0]/g, ' ').replace(/\b([ap])\.\s?m\./g, '$1m');
