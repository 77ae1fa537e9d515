import type { Reader } from './reader';

/** Mending the mistakes of a work that was marked. */
export const correct: Reader = {
  kind: 'correct',
  cues: {
    en: {
      verbs:
        /\b(?:to (?:raise|lift) (?:this|the|her|his|your) (?:mark|grade|score)|correct (?:what (?:went|is|was) wrong|it|this|them|these|those|any|each|every|all|the|her|his|their|your|two|three|four|five|up|missed|wrong|errors|mistakes|problems?|questions?|numbers?|items?|parts?|exercises?|answers?)|be corrected|correcting|(?:re-?submit|hand|turn|send|return)(?:s)? (?:(?:it|this|the \w+) )?(?:in |back )?(?:again )?with (?:the |her |his |your )?corrections|amend(?:s|ed)? (?:it|this|the|her|his|their|your)|corrects|put (?:it|this|them) right|mend (?:it|the \w+)|go over the mistakes|going over the mistakes|fix(?:es)? (?:it|this|them|these|the|her|his|their|your|any|each|every|all|up|questions?|numbers?|problems?|items?|exercises?)|be fixed|fixing|do (?:test |quiz )?corrections|hand in (?:test |quiz |her |his |the |your )?corrections|turn in (?:test |quiz |her |his |the |your )?corrections|submit (?:test |quiz |her |his |the |your )?corrections)\b/gi,
      nouns:
        /\b(?:(?:every|each|any|all) (?:mistakes?|errors?)(?: that| which)? (?:you|she|he|they) (?:can )?(?:explain|correct|fix|mend)s?|(?:mistakes|errors) (?:that are |which are )?(?:put right|corrected|fixed|mended)|correction sheets?|(?:test|quiz|exam|lab|essay) corrections?|corrections?|(?:corrected|fixed|mended) (?:version|copy|test|quiz|work|answers?|mistakes?|errors?|questions?|graph|chart|table|sheet|map|drawing|diagram|page|paper|essay|report|lab|problems|sentences|worksheet|model|list|file|draft))\b/gi,
    },
    es: {
      verbs:
        /(?<!\p{L})(?:para subir (?:la|esta) nota|corregir(?:l[oa]s?|se)?|corrija(?:n|l[oa]s?)?|corrige[ns]?|rectifi(?:ca|que)[ns]?|arr[eé]gl(?:a|e)[ns]?l[oa]s?|corríjal[oa]s?|corrigiendo|(?:volver a )?(?:entregar|enviar|mandar|traer)l[oa]s? (?:ya )?corregid[oa]s?|arregl(?:a|an|e|en) (?:los|el|la|las|sus|l[oa]s? ejercicios)|enmendar(?:l[oa]s?)?|rectificar(?:l[oa]s?)?|(?:repasar|revisar|repase|revise)[ns]? (?:los|sus) (?:fallos|errores)|arreglar(?:l[oa]s?)? (?:los|el|la|las|sus?)|entregar (?:las |sus )?correcciones|hacer (?:las |sus )?correcciones)(?!\p{L})/giu,
      nouns:
        /(?<!\p{L})(?:(?:cada|todo) (?:error|fallo) que (?:expli(?:ca|que)|corri(?:ge|ja)|arregl[ae])|(?:errores|fallos) (?:corregidos|arreglados)|hoja de correcciones|correcci(?:ón|ones)|versión corregida|respuestas? corregidas?|(?:gráfic[oa]|tabla|hoja|copia|figura|mapa|texto|ficha|dibujo|redacción|informe|trabajo|ejercicios?|página|ensayo|problemas?|frases?|archivo|borrador) (?:corregid|arreglad)[oa]s?)(?!\p{L})/giu,
    },
  },
};
