import type { Reader } from './reader';

/** Sitting a test that was missed: 'she was away for the quiz; she can do it on Monday'. */
export const sit: Reader = {
  kind: 'retake',
  about: {
    en: /^(?=[\s\S]*\b(?:quiz|test|exam|assessment|midterm|dictation|oral|presentation)\b)(?=[\s\S]*\b(?:absent|absence|missed|misses|was away|were away|was out|was not here|wasn't here|was ill|was sick|were ill|not there|no score because|(?:has not|hasn't|not)(?: yet)? (?:made up|taken|sat|written))\b)/i,
    es: /^(?=[\s\S]*(?<!\p{L})(?:examen|prueba|control|test|evaluación|dictado|oral|exposición)(?!\p{L}))(?=[\s\S]*(?<!\p{L})(?:ausentes?|ausencia|faltó|faltaron|falta|no vino|no vinieron|no estuvo|no estaba|enferm[oa]s?|se perdió|perdió|no (?:hizo|ha hecho)|no ha (?:recuperado|hecho|presentado))(?!\p{L}))/iu,
  },
  cues: {
    en: {
      verbs:
        /\b(?:see me|come (?:and |to )?see me|stop by|drop by)\b|\b(?:do|doing|take|taking|write|writing|sit|sitting|come in for|make up|come and do) (?:it|this|that|them|so|the (?:\w+ ){0,2}?(?:quiz|test|exam|assessment|dictation|oral|presentation)|hers|his|theirs)\b/gi,
      nouns: /\bmake-?ups?\b/gi,
    },
    es: {
      verbs:
        /(?<!\p{L})(?:se (?:recupera|hará|puede hacer|hace)|(?:hacer|realizar|presentar|escribir|recuperar)l[oa]|l[oa] (?:haga|hace|hará|haremos|puede hacer)|hágal[oa]|(?:hacer|haga|hace|realizar|presentar) (?:el|la|este|esta|su) (?:control|examen|prueba|test|evaluación|dictado|oral|exposición)|venir(?: a hacerl[oa])?(?= el)|venga[ns]? a hacerl[oa]|(?:venga|pase)[ns]? a verme|hable[ns]? conmigo)(?!\p{L})/giu,
      nouns: /(?!)/g,
    },
  },
};
