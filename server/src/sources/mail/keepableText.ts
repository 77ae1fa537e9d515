/** A text without what no database keeps: the character of number 0, and half characters. */
export const keepableText = (text: string): string => text.replace(/\0|\p{Surrogate}/gu, '');
