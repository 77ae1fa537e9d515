import type { Reader } from './reader';

/** How a work gets to its teacher, told from where the teacher stands: it comes in, it is on my desk, I have it. */
export const arrival: Reader = {
  kind: 'hand-in',
  weak: true,
  cues: {
    en: {
      verbs:
        /\b(?:(?:it|this|that|they|anything|whatever|work|papers?|logs?|entr(?:y|ies)|sheets?) (?:that |which )?(?:(?:still |may |can |could )+)?(?:comes? in|comes?(?= (?:a day|late|tomorrow|on |by ))|arrives?|reach(?:es)? me|gets? here|lands? on my desk)|(?:which|that) (?:comes? in|arrives?|reach(?:es)? me|gets? here)|(?:is|are|be) (?:on my desk|in my (?:box|tray|hands)|handed over|written up|passed on)|i have (?:it|this|them)(?= (?:by|before|on))|handed over|(?:can|may|could|will) (?:still )?(?:come|be sent|be brought) to me|(?:i|we) (?:can|will|could|would|shall) (?:still )?wait|(?:whatever|anything|everything|what) (?:i|we) (?:still )?(?:get|receive|have|find on my desk)|(?:is|are) in(?= (?:by|before|on|until)\b)|turns? up|catch up on (?:it|this)|(?:is|are) (?:completed?|finished|done)(?= (?:by|before|until)\b)|(?:rest|remainder|others?) (?:may|can|could|should) (?:still )?(?:follow|come)|hand (?:it|the \w+) back|shows? up|fill (?:it|them|these|the \w+|in the \w+) in|(?:is|are|be) uploaded|late work is due|get(?:ting)? (?:it|this|that|them) to me|let me have (?:it|this|the|her|his|your)|slip (?:it|this) under|drop (?:it|this) (?:off|in|by)|hand (?:it|this|them|that) (?:over |in )?to me|(?:i|we) (?:can|will|would|could|'ll|still)? ?(?:still |also |gladly )?(?:take|accept|collect) (?:it|this|them|these|that)|(?<=\b(?:is|are|be) (?:still |not |no longer )?)(?:taken|collected)|still be (?:taken|saved)|ma(?:ke|king) (?:this|it|that|them|the work) up|written up|turn the page in|it (?:still )?(?:only |will only )?counts|late (?:logs?|papers?|pages?|entries))\b/gi,
      nouns: /(?!)/g,
    },
    es: {
      verbs:
        /(?<!\p{L})(?:(?:lo|la|los|las) (?:trae|traiga|entrega|entregue|recibo|tengo|recojo|recogeré|acepto|aceptaré|admito|admitiré|tomo)|(?:me|que|si) (?:llega|llegue|lleguen|llegan|lo da|la da|lo trae|la trae|lo entrega|la entrega|lo haya traído)|lo que (?:llegue|venga|me llegue)|(?:está|esté|estén|estar) (?:en|sobre) (?:mi mesa|mis manos)|d[eé]me(?:l[oa]s?)? ?|d[eé]mel[oa]s?|recoj(?:o|emos|eré)(?! (?:los|las) \p{L}+ (?:otra vez|de nuevo|el|cada) )|(?:puedo|podemos|podré) esperar|(?:lo que|todo lo que|cuanto) (?:reciba|tenga|llegue)|(?<=si )llegan?(?= (?:un día |algo )?tarde)|(?:me )?(?:puede|pueden) llegar(?:me)?(?! (?:al? |hasta el \d))|(?:llegan?|lleguen?)(?= (?:antes|hasta|el|a tiempo|mañana))|lo atrasado se entrega|(?:esté|está|estén) subid[oa]s?|completarl[oa]s?|(?:est[áaé]n?) (?:terminad|complet|hech|acabad)[oa]s?(?= (?:el|antes|hasta|mañana|para))|(?:resto|lo demás) puede (?:venir|llegar|seguir)|(?:entregas?|envíos?) se cierran?|devuelva (?:la|el) \p{L}+|se (?:recogen?|admiten?|aceptan?)|tra(?:ig|e)[a]?(?:l[oa]s?)?(?= (?:el (?:lunes|martes|miércoles|jueves|viernes|próximo|día|\d)|mañana|hasta|antes))|traerl[oa]s?|recibirl[oa]s?|ponerse al día con (?:esto|est[ea]|ello)|se puede recuperar|lo que (?:falta|queda)|(?:todavía|aún) (?:cuenta|vale)|carpeta de atrasados)(?!\p{L})/giu,
      nouns: /(?!)/g,
    },
  },
};
