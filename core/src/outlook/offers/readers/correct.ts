import type { Reader } from './reader';

/** Mending the mistakes of a work that was marked. */
export const correct: Reader = {
  kind: 'correct',
  cues: {
    en: {
      verbs:
        /\b(?:correct (?:it|this|them|these|those|any|each|every|all|the|her|his|their|your|two|three|four|five|up|missed|wrong|errors|mistakes|problems?|questions?|numbers?|items?|parts?|exercises?|answers?)|be corrected|correcting|fix (?:it|this|them|these|the|her|his|their|your|any|each|every|all|up)|be fixed|fixing|do (?:test |quiz )?corrections|hand in (?:test |quiz |her |his |the |your )?corrections|turn in (?:test |quiz |her |his |the |your )?corrections|submit (?:test |quiz |her |his |the |your )?corrections)\b/gi,
      nouns:
        /\b(?:(?:test|quiz|exam|lab|essay) corrections?|corrections?|corrected (?:version|copy|test|quiz|work|answers))\b/gi,
    },
    es: {
      verbs:
        /(?<!\p{L})(?:corregir(?:l[oa]s?|se)?|corrija(?:n|l[oa]s?)?|corríjal[oa]s?|corrigiendo|arreglar(?:l[oa]s?)? (?:los|el|la|las|sus)|entregar (?:las |sus )?correcciones|hacer (?:las |sus )?correcciones)(?!\p{L})/giu,
      nouns: /(?<!\p{L})(?:correcci(?:ón|ones)|versión corregida)(?!\p{L})/giu,
    },
  },
};
