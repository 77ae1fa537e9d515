import type { Reader } from './reader';

/** Sitting a test once more, or one that was missed. */
export const retake: Reader = {
  kind: 'retake',
  cues: {
    en: {
      verbs:
        /\b(?:re-?take|be re-?taken|re-?sit|re-?takes it|tak(?:e|ing) (?:it|this|that|the (?:\w+ ){0,2}?(?:quiz|test|exam|assessment)|(?:her|his|their|your) (?:\w+ ){0,2}?(?:quiz|test|exam)) (?:again|over|once more|a second time)|make[- ]up (?:the|this|that|her|his|their|your|a) (?:\w+ ){0,2}?(?:quiz|test|exam|assessment)|make (?:the|this|that) (?:\w+ ){0,2}?(?:quiz|test|exam|assessment) up|re-?taking|re-?sitting|be taken (?:again|once more))\b/gi,
      nouns:
        /\b(?:re-?takes?|re-?sits?|re-?assessments?|the make-?up(?= (?:is|will|was|on))|make-?up (?:quiz|test|exam|assessment)(?:zes|s)?|(?:second|another|one more|new|extra) (?:try|attempt|chance|go) (?:at|on) (?:the|this|that) (?:\w+ ){0,2}?(?:quiz|test|exam|assessment))\b/gi,
    },
    es: {
      verbs:
        /(?:repetir(?:lo|la)?|repita|repite|recuperar(?:lo|la)?|recupere|volver a (?:hacer|presentar)|presentar(?:se)? (?:otra vez|de nuevo)(?: a| al)?|hacer (?:otra vez|de nuevo)) ?(?:el|la|este|esta|ese|esa|un|su|al?)? ?(?:\p{L}+ ){0,2}?(?:examen|prueba|control|test|evaluación)|volver a examinarse|repetirse (?:el|la) (?:examen|prueba|control)/giu,
      nouns:
        /(?<!\p{L})(?:(?:examen|prueba) de recuperación|recuperación(?:es)? del? (?:examen|control|test|la prueba)|la recuperación|segunda oportunidad (?:en|para) (?:el|la) (?:examen|prueba|control)|segundo intento (?:en|de|del|para el) (?:examen|control|test))(?!\p{L})/giu,
    },
  },
};
