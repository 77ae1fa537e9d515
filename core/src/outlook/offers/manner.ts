import type { Language } from '@cadro/contract';

/** Words that decide what a cue is: an offer, its end, a thing of the past, or somebody else's business. */
export interface Manner {
  /** Where what was said before no longer bears on what follows. */
  readonly break: RegExp;
  /** Denials that deny nothing: 'do not forget to'. */
  readonly harmless: RegExp;
  readonly denies: RegExp;
  readonly past: RegExp;
  readonly may: RegExp;
  /** What a request begins with, before its verb. */
  readonly asks: RegExp;
  /** That what a noun names can be had. */
  readonly open: RegExp;
  /** Another year or term: no mending of this work. */
  readonly elsewhen: RegExp;
  /** Advice for always, or a wish. */
  readonly habit: RegExp;
  /** A question about what was. */
  readonly asksBack: RegExp;
  /** That the teacher, or the class, does it. */
  readonly ours: RegExp;
  /** That somebody asked for it, which is no answer yet. */
  readonly reported: RegExp;
  /** Ends with a word for something that was named before. */
  readonly pronoun: RegExp;
  /** What the teacher does with it then: 'I will mark it over the weekend'. */
  readonly marks: RegExp;
  /** Once the last day is over. */
  readonly afterwards: RegExp;
  /** What somebody did: it is told, not offered. */
  readonly did: RegExp;
  /** Ends with who does it. */
  readonly me: RegExp;
  /** That something is still to come. */
  readonly owed: RegExp;
  /** What is owed: asking for it is no advice. */
  readonly owing: RegExp;
  /** That a cue speaks of what was named before. */
  readonly it: RegExp;
  /** Before a noun: it is talked about, or worked at. */
  readonly aside: RegExp;
  /** What a teacher does with a work that comes in. */
  readonly taken: RegExp;
  /** That it is the teacher who takes it, or that it is taken home. */
  readonly takes: RegExp;
  /** What a student does, and a teacher does not offer to do. */
  readonly theirs: RegExp;
  /** Ends with what was not done: 'forgot today'. */
  readonly lately: RegExp;
  /** Begins with a mark that was given, and why: 'Late, but accepted'. */
  readonly given: RegExp;
  /** That a score will change then. */
  readonly mends: RegExp;
  /** What a change waits for. */
  readonly once: RegExp;
  /** That nothing is taken off for being late, whatever comes next. */
  readonly waived: RegExp;
  /** The day that was named before. */
  readonly then: RegExp;
  /** When grades are made: no last day of a work. */
  readonly records: RegExp;
  /** Begins with what is new homework. */
  readonly assigned: RegExp;
  /** Papers for the office, not for the class. */
  readonly signed: RegExp;
  /** Begins with a refusal of what was asked before. */
  readonly refuses: RegExp;
  /** Things that are no work to be mended. */
  readonly foreign: RegExp;
  /** Tests and outings, whose dates are no deadlines. */
  readonly event: RegExp;
  /** After a cue: that it is over. */
  readonly over: RegExp;
  readonly praise: RegExp;
  /** That a date was moved forward. */
  readonly sooner: RegExp;
  /** Joins two ways to mend that share what follows. */
  readonly joins: RegExp;
  /** Sets what follows apart from what came before: another offer. */
  readonly apart: RegExp;
  readonly condition: RegExp;
}

export const manners: Readonly<Record<Language, Manner>> = {
  en: {
    break:
      /[,;:()–—]|\s-\s|\b(?:and|but|so|then|or|yet|however|though|because|since|if|when|as long as|provided|in case|whenever|that|which|after which)\b/gi,
    harmless:
      /\b(?:(?:don't|do not|please don't) (?:forget|hesitate|worry)|not too late|no problem|no reason not to|not only|no later than|not later than|no worries|no rush|(?:anyone|whoever|those|everyone) who (?:\w+ ){1,7}(?=may|can|gets?))\b/gi,
    denies:
      /\b(?:no|not|cannot|can't|won't|never|nobody|neither|nor|without|isn't|aren't|doesn't|don't|too late|no longer|unable|wouldn't|shouldn't|needn't|refuse[sd]?|instead of|rather than|declined?|past the point)\b/i,
    past: /\b(?:was|were|had|did|didn't|wanted|managed|asked|tried|forgot|chose|refused|failed|decided|needed|used|yesterday|already|earlier|last (?:week|month|term|year|time)|has been|have been|hasn't|haven't|should have|could have|would have|might have)\b/i,
    may: /\b(?:can|may|could|is able to|are able to|allowed to|welcome to|invited to|chance to|chances to|opportunity to|option (?:to|of)|time to|able to|possible to|free to|happy to|glad to|willing to|let|lets|letting|will|'ll|still|should|must|ought to|needs? to|ha(?:s|ve) to|please|might|no objection|fine by me|to)\b/i,
    asks: /^(?:[\s"'“(]*)(?:please|kindly|just|do|also|next|first|now|instead|maybe|perhaps|so|then|and|or|remember to|don't forget to|ask (?:her|him|them) to|have (?:her|him|them))?[\s,]*$/i,
    open: /\b(?:i(?: will| also| still)? (?:take|accept)|would (?:help|raise|lift|improve|earn)|optional|earns? back|gets? back|voluntary|can|may|could|possible|would (?:like|love)|want to see|fine (?:with|by) me|open|available|offer(?:s|ed|ing)?|welcome|allow(?:s|ed)?|accept(?:s|ed|ing)?|permitted|chance|option|opportunity|invited?|happy|willing|let|entitled|eligible|qualif(?:y|ies)|gets?|see me|ask me|come|talk to me|there (?:is|will be)|send me|bring me|give me|show me|i(?:'ll| will) (?:take|give))\b/i,
    elsewhen:
      /\b(?:next (?:school )?(?:year|term|semester|quarter|trimester|spring|fall|summer|grade)|in (?:the )?(?:summer|spring|fall|autumn)|over the summer|summer school|next time|year \d+|another year)\b/i,
    habit:
      /\b(?:(?<!as (?:though|if) (?:it had been |it were |handed in |turned in )?)on time|always|every (?:day|time|week|assignment|evening|night)(?! this week| next week)|each (?:day|week|time)|from now on|in (?:the )?future|regularly|consistently|more often|habit|keep (?:handing|turning|submitting)|hope|wish|used to|usually|(?<!as )often|never|tends? to|good at|proud|helps? (?:her|him|them)|every student|prefer)\b/i,
    asksBack: /^\s*(?:did|has|have|was|were|why|when|where|who|how|is|does|do|had|what)\b/i,
    ours: /\b(?:i|we|class|the class|everyone|students)(?:'ll| will|'m going to| am going to|'re going to| are going to| have to| need to| plan to| shall|'ve| have)?(?: all| now| also| then| be)? *$/i,
    reported:
      /\b(?:asked|wondered|wanted to know)(?: me)? (?:whether|if)\b[^,;.]*$|\b(?:said|says|promised|told (?:me|us)|tells me)\b[^,;.]*$/i,
    pronoun: /\b(?:it|them|this|these|that)(?: in| off| over| to me)?$/i,
    marks: /\b(?:i|we)(?: will|'ll| can| shall)? (?:then )?(?:mark|grade|read|return|score|give)\b/i,
    afterwards: /\bafter (?:that|then|which|(?:this |next )?\w+day|the \d)|\bafterwards\b/i,
    did: /(?<!\b(?:points|marks|what|quiz|test|lab|one|work|that|which) )\b(?:i|we|she|he|they|the class|everyone)(?: also| already| just)? (?!(?:need|extend|reopen|open|allow)ed\b)(?:\w{2,}ed|took|wrote|sent|held|got|brought|saw|found|kept|left|lost)\b(?! (?:to|until|that)\b)(?![^,;.]*\b(?:can|may|could|to)\b)/i,
    me: /\b(?:i|we|she|he|they|you) (?:already |also |just )?$/i,
    owed: /\b(?:i (?:still )?need|missing|lost (?:it|this|the|her|his)|only one attempt|not (?:yet )?(?:turned|handed|submitted|there|here|received|done)|incomplete|unfinished|blank|(?:have not|haven't) (?:yet )?(?:received|seen|got)|(?:do not|don't) have|zero for now|still ow(?:ed|es)|only (?:half|part|page)|nothing from|never (?:arrived|reached|came|handed|turned|submitted)|nothing (?:was )?(?:submitted|handed in|turned in|sent)|no (?:file|work|paper|attachment)|empty|only (?:got|received|have|has)|forgot|waiting for|is late|is not done|did not (?:hand|turn|submit|finish|reach))\b/i,
    owing: /\b(?:missing|unfinished|remaining|rest|last|late)\b/i,
    it: /^\s*(?:it|this|they|these|that)\b[^,;]*$/i,
    aside:
      /\b(?:(?<!\b(?:see|ask|talk to|speak to|email|contact|write to) (?:me|us) )about|regarding|work(?:s|ed|ing)? (?:on|with)|practi[cs]ed with|discuss\w*|keep|kept)\b[^,;.]*$/i,
    taken: /^take \w/i,
    takes: /\b(?:i|we|home)\b/i,
    theirs: /^(?:finish|complete|submit|upload|hand|turn)\b/i,
    lately:
      /\b(?:forgot|missed|left out|was|were|had|did|could not|didn't)(?: (?!by|until|before)\w+){0,2} $/i,
    given:
      /^\s*(?:a (?:day|week) |(?:one|two|three|four|five|\d+) (?:days|weeks) )?late,? (?:but|and|so)\b(?![^.]*\b(?:can|may|will|if|until|by|before)\b)/i,
    mends:
      /\b(?:(?:fine|okay|all right|no problem) (?:if|when)|zero|placeholder|provisional|temporary|will (?:be )?(?:changed?|go up|rise|raised|updated?|replaced?|removed?)|(?:i|we)(?: will|'ll| can) (?:change|raise|update|replace|lift|adjust|enter|remove|take out))\b/i,
    once: /\b(?:until|once|as soon as|when|if|after)\b/i,
    waived:
      /\bpenalty (?:is |has been |was )?(?:waived|lifted|forgiven)\b|\b(?:won't|will not) (?:take|deduct|dock)\b[^.]*\b(?:off|points|late)\b/i,
    then: /\b(?:until|till|by|before) (?:then|that day|that date)\b/gi,
    records:
      /\b(?:grades?|marks|gradebook|report cards?|(?:marking|grading) period) (?:will )?(?:close|closes|are due|is due|are posted|go out|lock|locks|end|ends)\b/i,
    assigned: /^\s*(?:homework|classwork|reminder|for (?:tomorrow|homework|next time))\b/i,
    signed: /\b(?:permission(?! to)|consent|signed?|slips?|forms?|fees?|money)\b/i,
    refuses:
      /^\s*(?:(?:but )?(?:i am|i'm) afraid not|(?:but )?(?:sorry|no),? (?:not|it)|not this time|the answer is no)/i,
    foreign:
      /\b(?:permission(?! to)|paid|pay|payments?|slips?(?! it| this)|consent|forms?|fees?|money|goggles|snacks?|(?<!(?:any|at|after|over|during) )lunch(?! break)|library books?|signed|signature|new (?:\w+ )?(?:homework|worksheet|essay|lab|project|assignment|poster|chapter|unit)|next (?:\w+ )?(?:homework|worksheet|essay|lab|project|assignment|poster|chapter|unit)|(?:tomorrow|today|tonight)'s|upcoming|textbooks?|calculators?|pictures? money|raffle|survey|the next(?! (?:\w+ )?(?:school |class )?(?:days?|weeks?|hours?)))\b/i,
    event:
      /\b(?:(?:next|new|upcoming|unit|final|midterm|big|first|second|chapter|spelling|vocabulary|our|the|a) (?:\w+ )?(?:test|quiz|exam|assessment)s?|(?:test|quiz|exam) (?:is|was|will|has|on)|trips?|excursions?|outing|concert|meeting|conferences?|game|match|regatta|fair|picture day|assembly|holiday|vacation|no school|new (?:unit|chapter|topic|homework|essay|project)|next (?:unit|chapter|topic|homework|essay|project|lab|assignment)|field day|rehearsal|performance|presentations?|report cards?|open house|ferry|visit|workshop)\b/i,
    over: /^\s*(?:(?:is|are) (?:a |an )?(?:concern|problem|worry|excellent|good|great|better|graded)|window (?:closed|ended|passed)|(?:of|on|for|at) (?:\w+ ){1,3}(?:closed|ended)\b)|^\s*(?:(?:of|on|for|at) (?:(?!who |that |which )\w+ ){1,4})?(?<!\b(?:who|that|which) )(?:was|were|ended|closed|took place|happened|went|has passed|have passed|is over|are over|has ended|have ended|paid off|helped|came|arrived|(?:is|are) (?:much|far|so|a lot) )\b/i,
    praise:
      /\b(?:(?:great|good|nice|excellent|fine|lovely|wonderful) (?:job|work|start)|thanks?|thank you|well done|proud of|kudos|bravo|congratulations)\b/i,
    sooner:
      /\b(?:moved up|brought forward|moved forward|earlier|sooner|stays|remains|(?:is|are|due) still|still (?:is|are|due|stands)|not (?:be )?(?:moved|extended))\b/i,
    joins:
      /^[\s,]*(?:(?:it|this|them|the|her|his|their|your)\s*)?(?:[\w'-]+\s+){0,3}(?:and|or|and\/or)\s+(?:to\s+|also\s+)?$/i,
    apart: /\bor (?:she |he |they |you )?(?:can |may |else )?(?:also )?$/i,
    condition: /\b(?:if|unless|once|should|as long as|provided)\b/i,
  },
  es: {
    break:
      /[,;:()–—]|\s-\s|(?<!\p{L})(?:y|e|o|u|pero|aunque|entonces|luego|porque|pues|así que|siempre que|mientras|en cuanto|si|cuando|que)(?!\p{L})/giu,
    harmless:
      /(?<!\p{L})(?:no (?:se |te )?(?:olvide|olvides|olviden|dude|dudes|preocupe|preocupes)(?: de| en)?|no es (?:demasiado )?tarde|no hay problema|no importa|no pasa nada|no solo|no más tarde del?|no después del?|quien(?:es)? no (?:\p{L}+ ){1,7}?\p{L}+(?= (?:pued|tien)))(?!\p{L})/giu,
    denies:
      /(?<!\p{L})(?:no|nunca|jamás|tampoco|nadie|ningun[oa]?|ningún|ni|sin|demasiado tarde|ya no|en vez de|en lugar de|imposible)(?!\p{L})/iu,
    past: /(?<!\p{L})(?:fue|fueron|era|estaba|había|quiso|pidió|intentó|olvidó|decidió|pudo|tuvo|debió|ayer|se cerró|se cerraron|ya ha|ha (?:sido|estado)|hubiera|debería haber|podría haber|logró|consiguió|acaba de|(?:semana|vez|mes) pasad[oa]|hizo)(?!\p{L})/iu,
    may: /(?<!\p{L})(?:quiere[ns]?|le gustaría|puede[ns]?|podrá[ns]?|podría[ns]?|podéis|pued[ae]s?|se permite|permito|permitiré|tiene[ns]?|debe[ns]?|debería[ns]?|deberá[ns]?|tendrá|todavía|aún|favor de|por favor|oportunidad de|posibilidad de|opción de|tiempo para|invit[oa]|conviene|hace falta|será posible|es posible|me parece bien|no hay inconveniente|que|dejo|dejaré|para|a|de)(?!\p{L})/iu,
    asks: /^(?:[\s"'“«¡(]*)(?:por favor|favor de|también|además|ahora|recuerde|recuerda|no olvide|no olvides)?[\s,]*$/iu,
    open: /(?<!\p{L})(?:recupera[ns]?|ayudaría|subiría|mejoraría|voluntari[oa]s?|opcional(?:es)?|puede[ns]?|podrá[ns]?|posible|me (?:gustaría|encantaría)|quisiera|quiero ver|abiert[oa]s?|disponibles?|ofrezco|ofrecemos|ofrece|acept[oae]n?|aceptaré|admit[oae]n?|permit[oae]n?|permitid[oa]s?|oportunidad|opción|hay|habrá|mándeme|envíeme|tráigame|enséñeme|tiene[ns]? derecho|bienvenid[oa]s?)(?!\p{L})/iu,
    elsewhen:
      /(?<!\p{L})(?:(?:el|la) (?:próximo|próxima) (?:año|curso|trimestre|semestre|cuatrimestre)|(?:el )?(?:año|curso|trimestre|semestre) (?:que viene|próximo|siguiente)|(?:en|durante) (?:el )?verano|en (?:primavera|otoño)|otro año|la próxima vez)(?!\p{L})/iu,
    habit:
      /(?<!\p{L})(?:(?<!est[aá] |entregad[oa]s? )a tiempo|siempre(?! que)|cada (?:día|semana|vez|noche)|todos los días(?! de esta| de la)|en el futuro|en adelante|regularmente|con más constancia|costumbre|ojalá|espero que|suele|normalmente|nunca|puntualmente)(?!\p{L})/iu,
    asksBack: /^\s*¿\s*(?:ha|han|por qué|cuándo|dónde|quién|cómo|es|está|entregó|hizo|qué|había)(?!\p{L})/iu,
    ours: /(?<!\p{L})(?:(?:voy|vamos) a|vuelv[oe] a|volver(?:é|emos) a|he de|hemos de|yo|nosotros|todos|la clase|tengo que|tenemos que|puedo|estoy|estamos|podemos) *$/iu,
    reported:
      /(?<!\p{L})(?:preguntó|pidió|quería saber) si(?!\p{L})[^,;.]*$|(?<!\p{L})(?:dijo|dice|prometió|aseguró|me contó)(?!\p{L})[^,;.]*$/iu,
    pronoun: /l[oa]s?(?: llegar)?$|(?:^|\s)l[oa]s? /iu,
    marks:
      /(?<!\p{L})l[oa]s? (?:corrijo|corregiré|califico|calificaré|devuelvo|devolveré|leo|leeré)(?!\p{L})/iu,
    afterwards:
      /(?<!\p{L})(?:después(?: de (?:eso|esa fecha|ese día)| del?)?|a partir de (?:ahí|entonces)|pasad[oa] (?:el|la|esa))(?!\p{L})/iu,
    did: /(?<!\p{L})(?:(?!(?:amplié|aplacé|extendí|alargué|abrí)(?!\p{L}))(?:\p{L}+[^r\P{L}]é|\p{L}+ó|tuvo|tuvieron|hubo|hizo|quiso|eran? para|debía|tenía que)(?<!(?<!\p{L})(?:est|qu|s|d)é)|hablamos|hablaremos|comentamos|comentaremos)(?!\p{L})(?![^,;.]*(?<!\p{L})(?:puede|podrá|para)(?!\p{L}))/iu,
    me: /(?!)/,
    owed: /(?<!\p{L})(?:necesito|faltan?|perdió (?:la|el|su)|faltando|sin entregar|nunca se|no se (?:entregó|envió|ha entregado)|no hay ning(?:ún|una)|solo (?:recibí|tengo|llegó)|se dejó|vací[oa]s?|espero (?:la|los|las|el)|no está hech[oa]|no (?:he|hemos) recibido|no tengo|incomplet[oa]s?|en blanco|de momento|no (?:me )?(?:llegó|ha llegado|entregó|ha entregado)|solo (?:está|hay|entregó|hizo)|pendientes?)(?!\p{L})/iu,
    owing: /(?<!\p{L})(?:que faltan?|pendientes?|resto|últim[oa]s?|ultim[oa]s?|atrasad[oa]s?)(?!\p{L})/iu,
    it: /(?:^|[\s(])(?:(?:me )?l[oa]s?|se) $/iu,
    aside:
      /(?<!\p{L})(?:sobre|acerca de|está con|están con|habl\p{L}+ (?:de|con)|trabaj\p{L}+ (?:en|con)|practic\p{L}+ con|me preocupan?)(?!\p{L})[^,;.]*$/iu,
    taken: /(?!)/,
    takes: /(?!)/,
    theirs: /(?!)/,
    lately:
      /(?<!\p{L})(?:olvidó|faltó|estuvo|hizo|hubo|terminó|acabó|no trajo|no vino)(?: (?!para|hasta|antes)\p{L}+){0,2} $/iu,
    given:
      /^\s*(?:llegó )?tarde,? (?:pero|y|así que)(?!\p{L})(?![^.]*(?<!\p{L})(?:puede|podrá|si|hasta|antes|para)(?!\p{L}))/iu,
    mends:
      /(?<!\p{L})(?:(?:no importa|está bien|no pasa nada) si|cero|provisional|(?:lo|la) (?:cambio|cambiaré|actualizo|subo|subiré|corregiré)|cambi(?:o|aré) (?:la|esta|su) nota|sub(?:o|iré) la nota)(?!\p{L})/iu,
    once: /(?<!\p{L})(?:hasta|en cuanto|cuando|si|una vez)(?!\p{L})/iu,
    waived:
      /(?<!\p{L})no (?:le |les )?(?:quito|quitaré|resto|restaré|descuento|descontaré) (?:nada|puntos)(?!\p{L})/iu,
    then: /(?<!\p{L})(?:hasta|para|antes de) (?:entonces|ese día|esa fecha)(?!\p{L})/giu,
    records:
      /(?<!\p{L})(?:notas|calificaciones|actas|boletín|boletines) se (?:cierran?|entregan?|publican?)(?!\p{L})/iu,
    assigned: /^\s*(?:deberes|tarea para|recordatorio|recuerden?|para (?:mañana|casa))(?!\p{L})/iu,
    signed: /(?<!\p{L})(?:permiso(?! para)|autorización|formularios?|dinero|firm[aeo]\p{L}*)(?!\p{L})/iu,
    refuses: /^\s*(?:pero )?(?:me temo que no|lo siento|la respuesta es no|esta vez no)/iu,
    foreign:
      /(?<!\p{L})(?:permiso(?! para)|pagad[oa]s?|pag(?:ar|o|ue[ns]?)|autorización|formularios?|dinero|gafas|merienda|firmad[oa]s?|firma|(?:nuev[oa]|próxim[oa]) (?:tarea|trabajo|ensayo|proyecto|ficha|unidad|práctica)|(?:tarea|trabajo|ensayo|proyecto|ficha) (?:nuev[oa]|de mañana|siguiente|próxim[oa])|libro de la biblioteca|calculadora|encuesta|circular)(?!\p{L})/iu,
    event:
      /(?<!\p{L})(?:(?:próxim[oa]|nuev[oa]|el|la|siguiente|primer|segundo) (?:\p{L}+ )?(?:examen|prueba|control|evaluación)|(?:examen|prueba|control) (?:es|fue|será)|excursión|viaje|salida|concierto|reunión|partido|regata|feria|asamblea|vacaciones|festivo|nueva unidad|visita|taller|ensayo general|exposici(?:ón|ones)|presentaci(?:ón|ones)|ferry|boletín|boletines)(?!\p{L})/iu,
    over: /^\s*(?:(?:del?|de la) (?:\p{L}+ ){1,3})?(?:fue|fueron|eran?|terminó|terminaron|acabó|acabaron|ya pasó|se cerró|\p{L}+(?:ó|aron|ieron))(?!\p{L})/iu,
    praise: /(?<!\p{L})(?:buen trabajo|gracias|enhorabuena|felicidades|muy bien|excelente)(?!\p{L})/iu,
    sooner:
      /(?<!\p{L})(?:adelanta(?:do)?|se adelanta|antes de lo previsto|sigue siendo|se mantiene|no (?:se )?(?:aplaza|mueve|cambia))(?!\p{L})/iu,
    joins: /^[\s,]*(?:(?:el|la|los|las|su|sus)\s*)?(?:\p{L}+\s+){0,3}(?:y|o|e)\s+$/iu,
    apart: /(?<!\p{L})(?:o|u) (?:bien )?(?:puede )?(?:también )?$/iu,
    condition: /(?<!\p{L})(?:si|a menos que|salvo que|siempre que|a no ser que)(?!\p{L})/iu,
  },
};
