import type { Language, LetterGrade } from '@cadro/contract';

export interface CreditMark {
  readonly start: number;
  readonly end: number;
  /** A share of the score; 0: nothing more is to be had. */
  readonly credit: number;
}

/** What a letter begins at when the course does not say. */
const usualLetters: readonly LetterGrade[] = [
  { letter: 'A', from: 0.9 },
  { letter: 'B', from: 0.8 },
  { letter: 'C', from: 0.7 },
  { letter: 'D', from: 0.6 },
];

type Read = (groups: RegExpExecArray, letters: readonly LetterGrade[]) => number | null;
type Rule = readonly [RegExp, Read];

const spelled: Readonly<Record<string, number>> = {
  ...{ five: 5, ten: 10, fifteen: 15, twenty: 20, 'twenty-five': 25, thirty: 30, forty: 40, fifty: 50 },
  ...{ sixty: 60, seventy: 70, 'seventy-five': 75, eighty: 80, ninety: 90 },
  ...{ cinco: 5, diez: 10, quince: 15, veinte: 20, veinticinco: 25, treinta: 30, cuarenta: 40 },
  ...{ cincuenta: 50, sesenta: 60, setenta: 70, ochenta: 80, noventa: 90 },
};
const parts: Readonly<Record<string, number>> = { third: 3, quarter: 4, fifth: 5, tenth: 10 };
const partes: Readonly<Record<string, number>> = { tercio: 3, cuarto: 4, quinta: 5, quinto: 5, décima: 10 };
const percent = (text: string | undefined): number =>
  (spelled[(text ?? '').toLowerCase()] ?? Number((text ?? '').replace(',', '.'))) / 100;
const without =
  (names: Readonly<Record<string, number>>): Read =>
  ([, name]) => {
    const of = names[(name ?? '').toLowerCase()];
    return of === undefined ? null : 1 - 1 / of;
  };
const rest = (text: string | undefined): number => Number((1 - percent(text)).toFixed(6));
const fixed =
  (credit: number): Read =>
  () =>
    credit;
const words = Object.keys(spelled)
  .sort((a, b) => b.length - a.length)
  .join('|');
const number = String.raw`(\d{1,3}(?:[.,]\d{1,2})?|(?:${words})(?= per| por))\s?(?:%|percent\b|per cent\b|por ciento\b)`;
const letterCredit: Read = ([, letter], letters) => {
  const known = letters.length > 0 ? letters : usualLetters;
  return known.find((each) => each.letter.toLowerCase() === letter?.toLowerCase())?.from ?? null;
};
const ofPoints: Read = ([, earned, possible]) => {
  const share = Number(earned) / Number(possible);
  return share <= 1 ? share : null;
};

/** Earlier rules are asked first; where one has read, later ones do not. A rule that answers null reads nothing. */
const rules: Readonly<Record<Language, readonly Rule[]>> = {
  en: [
    [
      new RegExp(
        String.raw`(?:${number}|half|\d+ points?|a letter grade)(?: (?!within|in|until|by|for|after|before)\w+){0,2}? (?:per|a|each|every|for each|for every) (?:school )?(?:day|week)\b(?: late)?`,
        'gi',
      ),
      () => null,
    ],
    [
      new RegExp(
        String.raw`(?:loses?|losing|minus|less|lose only|penalty of|penalized|deduct(?:ion of|ing)?|docked|takes? off|taking off|with a|at a)\s(?:only |just |up to |about )?(?:a )?${number}(?: (?:penalty|deduction|off|late penalty))?`,
        'gi',
      ),
      ([, value]) => rest(value),
    ],
    [
      new RegExp(String.raw`${number}\s(?:off|less|late penalty|penalty|deduction|reduction|lower)\b`, 'gi'),
      ([, value]) => rest(value),
    ],
    [
      /\b(?:no|without(?: any| a)?|free of) (?:late )?(?:penalty|deduction|points off|points lost|loss of (?:points|credit))\b|\bwithout losing (?:any )?(?:points|credit)\b|\bnothing off\b|\btake off nothing\b|\bnot (?:be )?(?:count(?:ed)?|mark(?:ed)?|treat(?:ed)?) (?:it |this |them )?(?:as )?late\b|\bnothing (?:is |will be )?lost\b|\bloses? nothing\b|\bwithout (?:it )?(?:lowering|costing|affecting) (?:the|her|his|your) (?:mark|grade|score)\b/gi,
      fixed(1),
    ],
    [
      /\b(?:counts?|count(?:ing)?|marked|scored|credited) (?:completely|fully|in full)\b|\bas (?:though|if) (?:it had been |it were |handed in |turned in )?on time\b/gi,
      fixed(1),
    ],
    [
      /\b(?:maximum|max|highest)(?: possible)? (?:grade|score|mark|credit)(?: for [\w ]{1,25}?)? (?:is|will be) (\d{2})\b(?! (?:of|out))/gi,
      ([, value]) => percent(value),
    ],
    [/\bpenalty (?:is |has been |was )?(?:waived|lifted|forgiven)\b/gi, fixed(1)],
    [/\bloses? (?:a|one) (third|quarter|fifth|tenth)\b/gi, without(parts)],
    [/\b(?:earns?|gets?|worth|brings?|for|at) (?:still )?three[- ](?:quarters|fourths)\b/gi, fixed(0.75)],
    [
      /\b(?:highest|best|top|max(?:imum)?) (?:possible )?(?:grade|score|mark)(?: possible)?(?: (?:you|she|he|they) can (?:still )?(?:get|earn|reach))? (?:is|will be) an? ["']?([A-D][+-]?)["']?(?![\w'])/g,
      letterCredit,
    ],
    [
      /\b(?:most|best)(?: (?:you|she|he|they|it|anyone|one) can (?:get|have|earn|reach|be worth))? (?:is|will be) an? ["']?([A-D][+-]?)["']?(?![\w'])/g,
      letterCredit,
    ],
    [
      /\b(?:lifts?|raises?|brings?) (?:it|this|that|the \w+|her \w+|his \w+)(?: back| up)? to an? ["']?([A-D][+-]?)["']?(?![\w'])/g,
      letterCredit,
    ],
    [
      /\b(?:full|whole|complete|all(?: of)?(?: the)?)(?: \d+)? (?:credit|marks?|points|score|value)\b|\bfull value\b/gi,
      fixed(1),
    ],
    [
      /\b(?:three[- ](?:quarters?|fourths?)|3\/4)(?: of)?(?: the)? (?:credit|marks?|points|score|value)\b|\bfor three[- ](?:quarters|fourths)\b/gi,
      fixed(0.75),
    ],
    [
      /\b(?:a|one) third of (?:the|her|his|your|those) (?:\w+ )?(?:credit|marks?|points|score|value)\b/gi,
      fixed(1 / 3),
    ],
    [/\btwo[- ]thirds(?: of)?(?: the)? (?:credit|marks?|points|score|value)\b/gi, fixed(2 / 3)],
    [
      /\b(?:half|1\/2)(?:[- ]of)?(?:[- ](?:the|her|his|their|your|any))?(?:[- ](?:missed|lost|missing))?[- ](?:credit|marks?|points?|score|value|grade)\b|\bhalf back\b|\bout of half\b|\bfor half\b(?![- ](?:of|the|her|his|credit|marks?|points?|score|value|grade))|\bhalf of (?:what|it(?! (?:is|was|are|were)))\b|\b(?:worth|counts?(?: for)?|earns?|gets?|brings?) half\b(?! (?:of|the|credit|marks?|points?|score|value|grade))/gi,
      fixed(0.5),
    ],
    [/\b(?:a )?(?:quarter|1\/4)(?: of)?(?: the)? (?:credit|marks?|points|score|value)\b/gi, fixed(0.25)],
    [
      /\b(?:no|zero) (?:credit|points|marks)\b|\bworth nothing\b|\bcounts? for nothing\b|\b(?:will not|won't|does not|doesn't|do not|don't|cannot|can't) (?:be )?(?:count(?:ed)?|graded|scored)\b(?! (?:as|it|this|late))|\b(?:a|counts? as(?: a)?|stays? (?:a )?|becomes? (?:a )?) ?zero\b|\bnothing (?=after)/gi,
      fixed(0),
    ],
    [
      /\b(?:up to|at most|maximum(?: of)?|max(?:imum)?(?: grade)?(?: of| is)?|no (?:higher|better|more) than|capped at|limited to|(?<!enough )for|earn|get)\s(?:an?\s)?["']?([A-D][+-]?)["']?(?![\w'])(?! (?:day|week|letter))/g,
      letterCredit,
    ],
    [
      /\b(?:can|could|will|may|would) (?:still )?(?:become|be|reach|get to|rise to|go up to) an? ["']?([A-D][+-]?)["']?(?![\w'])/g,
      letterCredit,
    ],
    [/\b([A-D][+-]?) (?:at (?:best|most)|maximum|max)\b/g, letterCredit],
    [
      /\b(?:up to|for|earn|get|worth|max(?:imum)?(?: of)?)\s(\d{1,3}) (?:out of|of) (\d{1,3})(?: points)?\b/gi,
      ofPoints,
    ],
    [
      new RegExp(
        String.raw`\b(?:up to|at most|as much as|(?:max(?:imum)?|top|highest)(?: (?:score|grade|credit|mark))?(?: of| is)?|no (?:higher|more) than|capped at|limited to|for|at|worth|earns?|gets?|receives?|counts?(?: as| for)?|(?:back )?to)\s(?:an?\s|only\s|just\s|up to\s|about\s)*${number}`,
        'gi',
      ),
      ([, value]) => percent(value),
    ],
    [
      new RegExp(
        String.raw`${number}(?: of)?(?: the)? (?:late )?(?:credit|marks?|points|value|score|maximum|max)\b`,
        'gi',
      ),
      ([, value]) => percent(value),
    ],
    [
      new RegExp(String.raw`(?<=, |\()(?:then |for )?${number}(?=\s*(?:[.;)]|$))`, 'gi'),
      ([, value]) => percent(value),
    ],
    [
      new RegExp(
        String.raw`${number} (?:until|through|till|by|if|when|once|as long as|this week|next week|today|tomorrow|at most|at best|max|maximum|at the most)\b`,
        'gi',
      ),
      ([, value]) => percent(value),
    ],
    [
      /\b(?:capped|limited|max(?:imum)?(?: of)?) at (\d{2})\b(?! (?:of|out))/gi,
      ([, value]) => percent(value),
    ],
  ],
  es: [
    [
      new RegExp(String.raw`${number} (?:menos )?(?:por|cada|al) (?:cada )?(?:día|semana)`, 'giu'),
      () => null,
    ],
    [
      new RegExp(
        String.raw`(?:(?:le|se le) (?:quito|quita|resto|resta|descuento)|pierden?|perderán?|perdiendo|perder|menos|descuento del?|penalización del?|se (?:le )?(?:descuenta|resta|quita)|descontando|restando)\s(?:solo )?(?:un |el )?${number}`,
        'giu',
      ),
      ([, value]) => rest(value),
    ],
    [
      new RegExp(String.raw`${number}\s(?:menos|de descuento|de penalización)`, 'giu'),
      ([, value]) => rest(value),
    ],
    [
      /no hay (?:ninguna )?penalización|sin (?:ninguna |ningún )?(?:penalización|descuento|(?:perder|restar|quitar|bajar|descontar)(?:le|les|te)? (?:puntos|nota|nada|la nota)|pérdida de puntos)|sin que (?:(?:le|te|se le) )?(?:baje|afecte|reste|quite)[^.,;]{0,20}|no pierde nada|no (?:le |les )?(?:quito|quitaré|resto|restaré|descuento) (?:nada|puntos)|no (?:contará|cuenta|contarán|se contará|se cuenta) como (?:tarde|retraso|tardía?)/giu,
      fixed(1),
    ],
    [
      /(?<!\p{L})(?:cuentan?|contarán?|(?:l[oa]s? )?(?:se )?puntú(?:an?|o)|vale|valen|puntúan?|se califican?) (?:por )?(?:como entregad[oa]s? a tiempo|enter[oa]s?|complet[oa]s?|íntegr[oa]s?|del todo|como a tiempo|todos?)(?!\p{L})/giu,
      fixed(1),
    ],
    [
      /(?<!\p{L})pierden? (?:un|una) (tercio|cuarto|quinto|quinta|décima)(?: parte)?(?!\p{L})/giu,
      without(partes),
    ],
    [
      /(?<!\p{L})(?:nota|calificación|puntuación) máxima(?: por [\p{L} ]{1,25}?)? (?:es|será)(?: de)?(?: un)? (\d{2})(?!\d|,\d| de)/giu,
      ([, value]) => percent(value),
    ],
    [
      /(?<!\p{L})nota (?:más alta|máxima)(?: posible)? (?:es|será) una? ["«]?([A-D][+-]?)["»]?(?!\p{L})/gu,
      letterCredit,
    ],
    [/(?<!\p{L})una? ["«]?([A-D][+-]?)["»]? (?:como (?:mucho|máximo)|a lo sumo|de máximo)/gu, letterCredit],
    [
      /(?<!\p{L})(?:sub(?:o|e|iré|irá)|lleg(?:ar|a|ará)) (?:la nota |su nota )?(?:hasta |a )una? ["«]?([A-D][+-]?)["»]?(?!\p{L})/gu,
      letterCredit,
    ],
    [
      /(?:como mucho|a lo sumo|como máximo|lo máximo (?:que puede sacar )?es|no pasará del?)\s(?:una? )?["«]?([A-D][+-]?)["»]?(?!\p{L})/gu,
      letterCredit,
    ],
    [
      new RegExp(String.raw`(?:no pasar[áa]n? del?|no más del?|un tope del?)\s(?:el )?${number}`, 'giu'),
      ([, value]) => percent(value),
    ],
    [
      /(?<!\p{L})(?:(?:crédito|valor|puntaje|puntuación|nota|calificación) (?:completo|completa|íntegro|íntegra|total|entera)|(?:tiene|gana|saca|recibe) los \d+ puntos|(?:la )?totalidad (?:del?|de los|de la) (?:crédito|valor|nota|puntos|puntuación)|tod(?:o el|a la|os los) (?:crédito|valor|nota|puntos|puntuación|puntaje))(?!\p{L})/giu,
      fixed(1),
    ],
    [
      /(?<!\p{L})(?:tres cuartos|tres cuartas partes) (?:del?|de la|de los) (?:crédito|valor|nota|puntos|puntuación)/giu,
      fixed(0.75),
    ],
    [
      /(?<!\p{L})(?:un|el) tercio (?:del?|de la|de los) (?:crédito|valor|nota|puntos|puntuación)/giu,
      fixed(1 / 3),
    ],
    [/(?<!\p{L})dos tercios (?:del?|de la|de los) (?:crédito|valor|nota|puntos|puntuación)/giu, fixed(2 / 3)],
    [
      /(?<!\p{L})(?:la )?mitad (?:de |del )?(?:la |el |los |su |lo )?(?:nota|crédito|valor|puntos?|puntuación|puntaje|calificación)|medi[oa] (?:crédito|nota|puntuación|valor|puntos)|(?:por|vale|valdrá|a) la mitad(?!\p{L})|(?<=, )la mitad(?=[.;]|$)/giu,
      fixed(0.5),
    ],
    [
      /(?<!\p{L})(?:sin (?:crédito|puntos|nota)|(?:un |cuenta como (?:un )?|contará como (?:un )?)cero|nada(?= (?:después|pasado|a partir))|no (?:vale|valdrá) nada|no (?:contarán?|cuentan?|se (?:contará|calificará|cuenta|califica)n?)(?! como))(?!\p{L})/giu,
      fixed(0),
    ],
    [
      /(?:hasta|como máximo|máximo de|por|no más de)\s(?:una?\s)?["«]?([A-D][+-]?)["»]?(?!\p{L})/gu,
      letterCredit,
    ],
    [
      /(?:hasta|por|máximo de?|sacar|ganar|obtener)\s(?:un )?(\d{1,3}) (?:puntos )?de (\d{1,3})(?: puntos)?(?!\p{L})/giu,
      ofPoints,
    ],
    [
      new RegExp(
        String.raw`(?:hasta|como máximo|(?:nota |valor |calificación |puntuación )?(?:máxim[oa]|tope)(?: del?)?|no más del?|por|vale|valdrá|con|al|a|sobre|por valor del?|cuenta|contará)\s(?:un |el |solo |como máximo )*${number}`,
        'giu',
      ),
      ([, value]) => percent(value),
    ],
    [
      new RegExp(String.raw`(?<=, |\()(?:el |un |por el )?${number}(?=\s*(?:[.;)]|$))`, 'giu'),
      ([, value]) => percent(value),
    ],
    [
      new RegExp(
        String.raw`${number} (?:de la nota|del crédito|del valor|de los puntos|de la puntuación|como máximo|hasta|si|cuando|siempre que|esta semana|la próxima|la semana|hoy|mañana)(?!\p{L})`,
        'giu',
      ),
      ([, value]) => percent(value),
    ],
  ],
};

/** What a sentence says about credit, by place. */
export function creditsIn(text: string, lang: Language, letters: readonly LetterGrade[] = []): CreditMark[] {
  const found: CreditMark[] = [];
  const read: { start: number; end: number }[] = [];
  for (const [pattern, credit] of rules[lang]) {
    for (const match of text.matchAll(pattern)) {
      const [start, end] = [match.index, match.index + match[0].length];
      if (read.some((other) => start < other.end && other.start < end)) continue;
      read.push({ start, end });
      const value = credit(match as RegExpExecArray, letters);
      if (value !== null && value >= 0 && value <= 1) found.push({ start, end, credit: value });
    }
  }
  return found.sort((a, b) => a.start - b.start);
}
