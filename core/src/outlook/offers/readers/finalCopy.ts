import type { Reader } from './reader';

/** What was scored was a draft: the version that counts is still to come. */
export const finalCopy: Reader = {
  kind: 'redo',
  about: {
    en: /\b(?:as|is|was|only) (?:a |the |just a |only a )?(?:rough |first )?draft\b/i,
    es: /(?<!\p{L})(?:como|es|era|solo) (?:un |el )?(?:primer )?borrador(?!\p{L})/iu,
  },
  cues: {
    en: { verbs: /(?!)/g, nouns: /\b(?:final|finished|polished|clean) (?:version|copy|draft)\b/gi },
    es: { verbs: /(?!)/g, nouns: /(?<!\p{L})versión (?:definitiva|final|en limpio)(?!\p{L})/giu },
  },
};
