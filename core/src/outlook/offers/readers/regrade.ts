import type { Reader } from './reader';

/** That the teacher will look at it once more: what is done for it is doing it anew. */
export const regrade: Reader = {
  kind: 'redo',
  ours: true,
  cues: {
    en: {
      verbs:
        /\b(?:(?:look at|mark|read|grade|score|assess) (?:it|this|them|that|the sheet|the \w+) (?:again|afresh|anew|once more)|re-?grade|re-?mark|(?:swap|replace) this (?:mark|score|grade|one)|mark can go up|grade can go up)\b/gi,
      nouns: /(?!)/g,
    },
    es: {
      verbs:
        /(?<!\p{L})(?:(?:lo|la|los|las) (?:(?:miraré|leeré|calificaré|puntuaré|corregiré|corrijo)(?: de nuevo| otra vez)|vuelvo a (?:mirar|calificar|corregir|puntuar|leer))|vuelvo a (?:calificar|puntuar)|(?:le|te) cambio (?:esta|la) nota|la nota puede subir)(?!\p{L})/giu,
      nouns: /(?!)/g,
    },
  },
};
