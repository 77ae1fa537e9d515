import type { Language } from '@cadro/contract';

/** How a date stands in its sentence: up to it, short of it, only after it, from it on, on it, or nothing of these. */
export type Relation = 'until' | 'before' | 'after' | 'from' | 'on' | 'names';

/** A stretch of a course that ends on a day. */
export type Span = 'term' | 'unit';

/** A stretch of a sentence that tells a day. */
export interface Found {
  readonly start: number;
  readonly end: number;
  readonly date: string | null;
  /** Words that are a deadline by themselves, such as 'within a week'. */
  readonly until?: boolean;
  readonly ends?: Span | null;
}

const leading: Readonly<Record<Language, readonly (readonly [Relation, RegExp])[]>> = {
  en: [
    ['until', /\b(?:(?:let us|let's) say|back(?: to me| here| to school)?|return(?:ed)?)(?: on| by)? ?$/i],
    ['until', /\b(?:until|till|up to) (?:the|our|her|his|their) (?:\w+ )?(?:test|exam|quiz)(?: on| of)? $/i],
    ['before', /\b(?:before|ahead of) (?:the|our|her|his|their) (?:\w+ )?(?:test|exam|quiz)(?: on| of)? $/i],
    [
      'until',
      /\b(?:before|by|until) (?:school|class|lunch|noon|homeroom|first period|the bell|the end of (?:the )?(?:school |class )?(?:day|school|class)|midnight|\d{1,2}(?::\d\d)? ?(?:[ap]\.?m\.?)?),? (?:on )?(?:this )?$/i,
    ],
    ['after', /\b(?:no later than|not later than|not after) (?:on )?$/i],
    [
      'before',
      /\b(?:(?<!on or |by or )before|prior to|ahead of|earlier than) (?:the )?(?:this )?(?:coming )?(?:start of )?$/i,
    ],
    ['after', /\b(?:after|past|beyond|later than) (?:the )?(?:this )?(?:end of )?(?:school (?:on )?)?$/i],
    [
      'from',
      /\b(?:between|instead of|rather than|from|since|starting(?: on)?|beginning(?: on)?|as of|of|dated|(?<!(?:stays?|is|are|remains?|still|be|kept|keep|was) )opens?(?: on)?|start(?:s|ed)?(?: on)?|not until|until then) (?:the )?(?:this )?$/i,
    ],
    [
      'until',
      /\b(?:by|until|till?|through|thru|up to|due(?: on| by| date)?|cut-?off(?: date)?(?: is)?:?|(?:last|final) (?:chance|call|day|date|opportunity)(?: is)?:?|deadline(?: is| of| for \w+)?:?|(?:is|are)(?: on| now)?|to|closes?(?: on)?|shuts?(?: on)?|locks?(?: on)?|runs? out(?: on)?|stops?(?: on)?|ends?(?: on)?|gone back to|expires?(?: on)?|latest|than|no later|day (?:for [\w%' ]{1,30} )?is|last day:?|latest:?|between [\w ]{3,12} and|accepted|available|open|good|now|credit:?|moved|as late as|by or before|on or before) (?:(?:the|this|coming|following|on|next) ){0,3}(?:end of (?:the )?(?:school )?(?:day )?(?:on )?)?$/i,
    ],
    [
      'on',
      /\b(?:on|this|this coming|during|at lunch|after school(?: on)?|before school(?: on)?|sometime|any ?time|any day|either|come|or|and) (?:the )?(?:this )?$/i,
    ],
  ],
  es: [
    [
      'until',
      /(?<!\p{L})(?:última (?:oportunidad|ocasión)(?: es)?:?|como (?:muy )?tarde,?|a más tardar,?|aquí|en mi mesa|en mis manos|debe estar|tiene que estar|(?:no|nunca) (?:más tarde|después)) (?:el |del? |para el )?$/iu,
    ],
    [
      'until',
      /(?<!\p{L})hasta (?:el |la )?(?:próxim[oa] )?(?:examen|prueba|control)(?: del?)? (?:el |la )?$/iu,
    ],
    [
      'before',
      /(?<!\p{L})antes (?:del|de la|de su) (?:próxim[oa] )?(?:examen|prueba|control)(?: del?)? (?:el |la )?$/iu,
    ],
    ['on', /(?<!\p{L})(?:repesca|recuperaci(?:ón|ones)|reexamen|convocatoria) del $/iu],
    ['until', /(?<!\p{L})(?:se entregan?|digamos|que esté para) (?:el )?$/iu],
    ['until', /(?<!\p{L})(?:de vuelta|devuelt[oa]s?)(?: el| para el)? $/iu],
    [
      'until',
      /(?:antes|hasta) (?:de (?:las? )?(?:clase|clases|comer|(?:\d{1,2}|una|dos|tres|cuatro|cinco|seis|siete|ocho|nueve|diez|once|doce)(?::\d\d)?(?: (?:en punto|y media|de la (?:mañana|tarde)))?)|del? (?:la )?(?:recreo|almuerzo))(?: del?)? (?:el )?$/iu,
    ],
    ['until', /(?<!\p{L})(?:no|nunca) (?:más tarde|después) del? (?:día )?$/iu],
    ['before', /(?<!\p{L})antes (?:del|de(?: este| la| el| que acabe el)?)(?: día)? $/iu],
    ['from', /(?<!\p{L})(?:a partir del?|desde(?: el)?|entre(?: el)?)(?: día| este)? $/iu],
    ['after', /(?<!\p{L})(?:después|luego|pasado|más allá) (?:del|de(?: este| el)?|el)?(?: día)? ?$/iu],
    ['after', /(?<!\p{L})(?:tras|pasado) (?:el )?(?:día )?$/iu],
    ['from', /(?<!\p{L})(?:del|de) (?:día )?$/iu],
    [
      'until',
      /(?<!\p{L})(?:hasta|para|a más tardar|como (?:muy )?tarde|como máximo|tope(?: es)?|límite(?: es)?[:,]?|bloquea|caduca|plazo(?: es| hasta)?:?|es|será|al|se (?:aplaza|mueve|amplía|extiende|retrasa) (?:al?|hasta)|pasa al?|vence|termina|acaba|cierra|finaliza|ahora|y el|entrega:?) ?(?:el|este|al)? ?(?:próximo )?(?:día )?(?:al |el )?(?:final (?:del? )?)?$/iu,
    ],
    ['on', /(?<!\p{L})(?:el|este|durante|en el recreo del|o el)(?: mismo)?(?: día)? $/iu],
  ],
};

const following: Readonly<Record<Language, RegExp>> = {
  en: /^(?:'s|’s)|^ (?:morning |afternoon )?(?:quiz|test|exam|lab|essay|homework|worksheet|assignment|project|poster|map|report|lesson)\b(?! (?:corrections?|retakes?|revisions?))/i,
  es: /^ (?:pasado)(?!\p{L})/iu,
};
const latest: Readonly<Record<Language, RegExp>> = {
  en: /^(?:,? (?:at )?(?:\d{1,2}(?::\d\d)? ?(?:[ap]\.?m\.?)?|noon),?)?,? (?:is the (?:cut-?off|limit)|at the latest|is the (?:last|final) (?:day|chance|date|call|opportunity)|is the deadline|latest|the latest|only|will be the last|(?:works|suits)\b|is when (?:i|we)\b|(?:is|would be|will be)(?: also| still)? (?:fine|ok|okay|all right|early enough|soon enough)\b)/i,
  es: /^(?: (?:al?|por la|de la) (?:mediodía|medianoche|mañana|tarde|las \S+))?,? (?:a más tardar|como (?:muy )?tarde|como máximo(?! (?:por|un|el|del|de|con)(?!\p{L}))|es el último día|es la última (?:oportunidad|ocasión)|es la fecha límite|es el plazo|lo cierro|es el límite|(?:está|estaría|me va|va|vale)(?: también)?(?: bien| perfecto)?(?= *[.;,]|$))/iu,
};

/** 'Every Thursday' is no last day. */
const recurring: Readonly<Record<Language, RegExp>> = {
  en: /\b(?:every|each)(?: other)? $/i,
  es: /(?<!\p{L})(?:cada|todos los|los) $/iu,
};
const partOfDay: Readonly<Record<Language, RegExp>> = {
  en: /^,? (?:night|evening|afternoon|noon|midnight|at (?:noon|midnight|\d{1,2}(?![\d.,]* ?(?:%|per))))/i,
  es: /^,? (?:por la (?:noche|tarde)|a (?:las \d|mediodía|medianoche)|al mediodía)/iu,
};

/** How a day stands, by the words before and behind it. */
export function relationOf(text: string, { start, end, until, ends }: Found, lang: Language): Relation {
  const before = text.slice(Math.max(0, start - 60), start);
  const after = text.slice(end, end + 40);
  // 'After school on Monday' is that Monday; 'nothing after school on Monday' ends then.
  if (
    /\bafter (?:school|class|lunch) (?:on )?$/i.test(before) &&
    !/\b(?:no(?! (?:deduction|late|penalty|points|more|loss|later))|not|nothing|never|won't)\b/i.test(before)
  )
    return 'on';
  if (recurring[lang].test(before) || /^s\b/.test(after)) return 'names';
  if (latest[lang].test(after)) return 'until';
  if (/\b(?:(?:no|not) later than|not after|never after) (?:on |this )?$/i.test(before)) return 'until';
  // 'Closed after five days' counts from a day that is not told.
  if (until && /\b(?:after|después de) (?:the )?$/i.test(before))
    return ends === undefined ? 'names' : 'after';
  if (until) return 'until';
  const found = leading[lang].find(([, pattern]) => pattern.test(before))?.[0];
  // 'before Friday's lesson' leaves Friday morning; 'Monday's quiz' only names a quiz.
  // 'Before Sunday night' leaves Sunday.
  if (found === 'before' && partOfDay[lang].test(after)) return 'until';
  if (following[lang].test(after)) return found === 'before' || found === 'until' ? 'until' : 'names';
  if (
    found === 'until' &&
    /\b(?:was|were|is|are) (?:on )?$/i.test(before) &&
    /\b(?:was|were)\b[^,;]*$/i.test(before)
  )
    return 'names';
  return found ?? 'on';
}
