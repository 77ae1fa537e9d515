import type { Reader } from './reader';

/** Handing in what was not handed in, late; also finishing what was begun. */
export const handIn: Reader = {
  kind: 'hand-in',
  cues: {
    en: {
      verbs:
        /\b(?:(?:hand|turn|send|bring) (?:it|this|that|them|these|(?:the|her|his|their|your|any|all|some|missing|late|that|this)(?: (?!slip|form|in\b)[\w'-]+){0,4}?) in(?! (?:class|school|the|her|his|your)\b)|(?:hand|turn|pass) in|be (?:handed|turned|sent) in|handing in|turning in|hands (?:it|them|this) in|turns (?:it|them|this) in|submit|be submitted|submits|submitting|upload|be uploaded|(?:accept|take) (?:it|this|that|them|late|the (?:\w+ ){1,3}?|her (?:\w+ )|his (?:\w+ )|your (?:\w+ )|their (?:\w+ )|any (?:\w+ ){0,2}?|all (?:\w+ ){0,2}?|missing (?:\w+ )?)|be accepted|accepting (?:it|this|these|those|them|late)|(?:is|are) (?:still )?accepted|accepted|be made up|make (?:it|this|them) up|make up (?:the|this|that|her|his|their|your|any|all|missing|it)|finish (?:it|this|the|her|his|their|your|\w+ at home)|be finished|complete (?:it|this|the|her|his|their|your)|be completed|bring (?:it|the finished|the missing|the completed|her finished|his finished)|give (?:it|them) to me|get (?:it|them|this) (?:to me|in)|(?<=\b(?:if|unless|until|once)\b.{0,40})(?:is|are)(?: not)? (?:handed|turned|sent) in)\b/gi,
      nouns:
        /\b(?:late (?:work|submissions?|assignments?|labs?|essays?|projects?|logs?|papers?|pages?|entries|posters?)|missing (?:work|assignments?|pages?|labs?|homework|logs?|entries|papers?)|extensions?|extra time|grace period|submissions?|make-?up labs?|(?:credit|points) for (?:the |her |his |your |any )?(?:missing|late|unfinished|blank) \w+)\b/gi,
    },
    es: {
      verbs:
        /(?<!\p{L})(?:entregar(?:l[oa]s?|se|me)?|entregue(?:n|l[oa]s?)?|entréguel[oa]s?|entregando|recuperar (?:la|el|esta|este|su) (?:práctica|sesión|tarea|trabajo|laboratorio|ficha)|(?<=se pueden? )(?:recuperar|completar|terminar)|(?:sigo|seguimos) (?:aceptando|admitiendo|recogiendo|recibiendo)|(?<=(?:todavía|aún) )l[oa]s? (?:acepto|admito|recojo)|llevarse (?:la|el|los|las) \p{L}+ a casa|enviar(?:l[oa]s?|se|me)?|envíe|subir(?:l[oa]s?|se)?(?! (?:la )?nota)|traer(?:l[oa]s?|me)?|tráigal[oa]|terminar(?:l[oa]s?|se)?|termine|completar(?:l[oa]s?|se)?|complete|acept(?:arl[oa]s?|o|a|an|aré|ará|aremos|amos|arán)|aceptarse|(?:admit(?:irl[oa]s?|o|e|en|iré|irá|irán|imos))|recib(?:o|iré) (?:trabajos|el|la|los|las)|(?<=(?:si|a menos que|salvo que).{0,40})se entrega)(?!\p{L})/giu,
      nouns:
        /(?<!\p{L})(?:trabajos? (?:atrasad[oa]s?|pendientes?|tardí[oa]s?)|tareas? (?:atrasadas?|pendientes?)|entregas? tardías?|prórroga|tiempo extra|prácticas? de recuperación|(?:días?|per[ií]odo) de gracia|por (?:la|el|los|las) \p{L}+ que faltan?)(?!\p{L})/giu,
    },
  },
};
