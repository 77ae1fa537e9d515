import type { Reader } from './reader';

/** Doing a work anew for a better score. */
export const redo: Reader = {
  kind: 'redo',
  cues: {
    en: {
      verbs:
        /\b(?:re-?do|be re-?done|re-?doing|re-?write|be re-?written|re-?writing|rework|be reworked|reworking|revise|be revised|revising|re-?submits?|be re-?submitted|re-?submitting|re-?record|(?:re-?(?:format|type|copy|calculate|plot|label|measure|film|word|organi[sz]e|structure|trace|colou?r)|rephrase) (?:it|this|that|them|these|the|her|his|your)|re-?draw|do (?:it|this|that|them|the (?:\w+ ){1,3}?) ?(?:again|over(?! the| a | this weekend)|once more)|try (?:(?:it|this|that|the (?:[\w-]+ ){1,3}?|(?:her|his|your|their) (?:[\w-]+ ){1,3}?) ?)?again|hand (?:it|this) in again|turn (?:it|this) in again|improve (?:it|this|the \w+|her \w+|his \w+|their \w+|your \w+)|re-?does|start (?:it|this|the \w+) (?:over|again)|have another go|re-?writes|re-?drawn|be re-?drawn|revises|writes? (?:[\w' ]{1,30} )?(?:out )?again|do (?:(?!not |so )[\w'-]+ ){1,5}(?:again|over(?! the| a | this weekend))|(?:record|draw|film|write|build|paint|read|present|measure|calculate|type|copy|solve|answer|explain|label|make|plot|shoot|play|perform|sing|trace|sketch) (?:it|this|that|them|these|the (?:\w+ ){1,3}?|(?:her|his|your|their) (?:\w+ ){1,3}?) ?(?:again|over(?! the| a | this weekend)|once more)|(?:is|are|be) done (?:again|over)|(?:see|read|get|have|like) (?:it|this|that|the \w+|a \w+) (?:revised|rewritten|redone|reworked|redrawn))\b/gi,
      nouns:
        /\b(?:(?:another|one more) (?:try|go|attempt|shot)(?: (?:at|with|on))?|an? (?:second|third|further)(?= (?:one )?(?:is|can)\b)|re-?dos?|do-?overs?|re-?writes?|revisions?|re-?submissions?|revised (?:version|draft|copy)|second (?:try|attempt|chance|go)|(?:revised|rewritten|reworked|improved|redone) (?:essay|paper|report|draft|version|copy|text|letter|story|poem|summary|page|lab|poster|map|answer)s?|(?:second|new|another|improved|\w+er) (?:draft|version|copy))\b/gi,
    },
    es: {
      verbs:
        /(?<!\p{L})(?:h[aá]ga[ns]?l[oa]s? (?:otra vez|de nuevo)|(?:hacer|escribir|dibujar|grabar|entregar|presentar) (?:el|la|los|las|su|sus|este|esta) (?!examen|prueba|control|test)\p{L}+(?: \p{L}+)? (?:por segunda vez|otra vez|de nuevo)|int[eé]nt(?:ar|e|a|en)l[oa]s? (?:otra vez|de nuevo)|(?:volver|vuelva) a intentarl[oa]s?|rehacer(?:l[oa]s?|se)?|(?<=si .{0,20})revisa[ns]? (?:el|la|los|las|su)|(?:intentar|probar|hacer) (?:otra vez|de nuevo) (?:el|la|los|las) (?:pregunta|ejercicio|problema|parte|apartado)s?|revisar (?:el|la|su|este|esta) (?:ensayo|texto|redacción|trabajo|informe|poema|carta|borrador|resumen|cuento)|rehaga|reescr[ií]ba[ns]?(?:l[oa]s?)?|reh[aá]ga[ns]?l[oa]s?|rep[ií]ta[ns]?l[oa]s?|mej[oó]re[ns]?l[oa]s?|rehacer|reescribir(?:l[oa]s?|se)?|reescriba|mejorar(?:l[oa]s?)?|mejore|volver a (?:hacer|escribir|entregar|grabar)(?:l[oa]s?)?|vuelv[ae][ns]? a (?:hacer|escribir|entregar)(?:l[oa]s?)?|hacer(?:l[oa])? (?:otra vez|de nuevo)|haga (?:otra vez|de nuevo)|rehace|rehaga[ns]?|empezar(?:l[oa])? de nuevo|reescribe|volver a redactar(?:l[oa])?|vuelva a redactar|repetir(?:l[oa]s?|se)?|repita)(?!\p{L})/giu,
      nouns:
        /(?<!\p{L})(?:(?<=(?:tiene|queda) )(?:otro|uno más)(?= hasta)|segund[oa] (?:versión|entrega|oportunidad|redacción|borrador|intento)|(?:otro|nuevo) borrador|(?:versión|redacción) nueva|nuev[oa] (?:versión|borrador)|borrador nuevo|(?:otra|mejor) versión|versiones (?:mejoradas|revisadas|nuevas)|versión más \p{L}+|versión (?:mejorada|revisada|mejor)|segundo intento|(?:ensayo|texto|informe|trabajo|resumen|cuento|poema|dibujo|cartel|mapa)s? (?:revisado|reescrito|mejorado|rehecho)s?|(?:redacci(?:ón|ones)|cartas?|páginas?|respuestas?|láminas?) (?:revisada|reescrita|mejorada|rehecha)s?|revisiones|revisión del? (?:trabajo|texto|ensayo|redacción))(?!\p{L})/giu,
    },
  },
};
