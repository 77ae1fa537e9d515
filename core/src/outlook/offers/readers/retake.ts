import type { Reader } from './reader';

/** Sitting a test once more, or one that was missed. */
export const retake: Reader = {
  kind: 'retake',
  cues: {
    en: {
      verbs:
        /\b(?:(?:quiz|test|exam) (?:is|will be|stays?|are) (?:re-?opened|open again)|(?:re-?)?open(?:ing|ed|s)? (?:up )?(?:the|this) (?:quiz|test|exam)(?: again| once more)?|re-?take|be re-?taken|re-?sit|re-?takes it|(?:sit(?:ting)?|writ(?:e|ing)|do|doing) (?:the (?:\w+ ){0,2}?(?:quiz|test|exam|assessment)|(?:her|his|their|your) (?:\w+ ){0,2}?(?:quiz|test|exam)) (?:again|over(?! the| a | this)|once more|a second time)|tak(?:e|ing) (?:it|this|that|the (?:\w+ ){0,2}?(?:quiz|test|exam|assessment)|(?:her|his|their|your) (?:\w+ ){0,2}?(?:quiz|test|exam)) (?:again|over(?! the| a | this)|once more|a second time)|make[- ]up (?:the|this|that|her|his|their|your|a) (?:\w+ ){0,2}?(?:quiz|test|exam|assessment)|make (?:the|this|that) (?:\w+ ){0,2}?(?:quiz|test|exam|assessment) up|re-?taking|re-?sitting|be taken (?:again|once more|one more time|a second time)|start (?:the|this) (?:quiz|test|exam) over|try (?:the|this|that) (?:\w+ ){0,2}?(?:quiz|test|exam|assessment) (?:again|once more)|(?:come and |may |can |could )?sit (?:it|the (?:other|second|same|\w+) (?:paper|test|quiz|exam)))\b/gi,
      nouns:
        /\b(?:(?:next|another|last|only|one more) (?:chance|opportunity|time) to (?:take|sit|write|do) (?:it|(?:the|this|that) (?:\w+ ){0,2}?(?:quiz|test|exam))|make-?ups?(?= (?:for|of) (?:the|this) (?:\w+ ){0,2}?(?:quiz|test|exam|oral|presentation|dictation)\b)|oral (?:exam|test|quiz)(?= (?:in place|instead))|re-?takes?|re-?sits?|re-?assessments?|re-?test(?:s|ing)?|re-?examinations?|(?:second|other|new) sittings?|make-?up (?:date|session|sitting|day|time)|the make-?up(?= (?:is|will|was|on))|make-?up (?:quiz|test|exam|assessment)(?:zes|s)?|(?:second|another|one more|new|extra) (?:try|attempt|chance|go) (?:at|on|with) (?:the|this|that) (?:\w+ ){0,2}?(?:quiz|test|exam|assessment|oral|dictation|presentation))\b/gi,
    },
    es: {
      verbs:
        /(?<!\p{L})(?:cuestionario|prueba|examen|control|test) (?:está|estará|vuelve a estar|queda) abiert[oa](?: otra vez| de nuevo)|(?<!\p{L})(?:abr(?:o|iré|imos)|vuelvo a abrir|reabr(?:o|iré)) (?:otra vez |de nuevo )?(?:la|el|esta|este) (?:prueba|control|examen|test)|(?:repetir(?:lo|la)?|repita|repite|recuperar(?:lo|la)?|recupere|(?:volver|vuelv[ae][ns]?) a (?:hacer|presentar)|presentar(?:se)? (?:otra vez|de nuevo)(?: a| al)?|hacer (?:otra vez|de nuevo)) ?(?:el|la|este|esta|ese|esa|un|su|al?)? ?(?:\p{L}+ ){0,2}?(?:examen|prueba|control|test|evaluación)|volver a examinarse|repetirse (?:el|la) (?:examen|prueba|control)|presentarse (?:otra vez|de nuevo)|volver a intentar (?:la|el|esta|este) (?:prueba|examen|control|test)|(?:examen|prueba|control)[^.;]{0,40}se puede (?:repetir|hacer (?:una vez más|otra vez|de nuevo))|examinarse (?:otra vez|de nuevo)/giu,
      nouns:
        /(?<!\p{L})(?:(?:próxima|otra|última|nueva) (?:ocasión|oportunidad) (?:para|de) (?:hacer|presentar|repetir)(?:l[oa]| (?:el|la) (?:examen|prueba|control|test))|recuperaci(?:ón|ones) de(?:l| la) (?:exposición|dictado|oral|presentación)|(?:nueva|otra) evaluación|reevaluación|(?:examen|prueba) oral(?= en (?:lugar|vez))|(?:examen|prueba) de recuperación|recuperación(?:es)? del? (?:examen|control|test|la prueba)|(?:una|la) recuperación|las recuperaciones|repescas?|nota de la repesca|otra oportunidad con (?:el|la) (?:dictado|examen|prueba|control|test)|segunda oportunidad (?:en|para) (?:el|la) (?:examen|prueba|control)|(?:un|otro) intento(?: más)? (?:en|de|para) (?:el|la) (?:examen|control|test|prueba|dictado)|recuperación para|reexamen|segunda convocatoria|segundo intento (?:en|de|del|para) ?(?:el|la|los|las)? ?(?:examen|control|test|prueba|oral|dictado|exposición))(?!\p{L})/giu,
    },
  },
};
