import { object } from '../lexicon';
import type { Reader } from './reader';

/** What lies with the teacher and has no score yet: 'claim it by Friday and I will enter the score'. */
export const claim: Reader = {
  kind: 'hand-in',
  weak: true,
  unaccented: true,
  about: {
    en: /\b(?:enter|put in|record|change|add) (?:the|a|her|his|your) (?:score|grade|mark)\b|\bno name\b/i,
    es: /(?<!\p{L})(?:pongo|pondré|apunto|apuntaré|cambio|cambiaré) (?:la|su) nota(?!\p{L})|sin nombre|no lleva nombre/iu,
  },
  cues: {
    en: {
      verbs: new RegExp(String.raw`\b(?:claim|pick up|collect|identify|come for|ask for) ${object.en}`, 'gi'),
      nouns: /(?!)/g,
    },
    es: {
      verbs: new RegExp(
        String.raw`(?<!\p{L})(?:(?:recoj|busqu|reclam|pid)[ae][ns]?(?:l[oa]s?)|(?:recoja|busque|reclame|pida)[ns]? ${object.es})`,
        'giu',
      ),
      nouns: /(?!)/g,
    },
  },
};
