import type { Language, Means, ResultStatus } from '@cadro/contract';
import type { Order } from './days';

/** How dates of two numbers are meant where nothing decides it. */
export const orders: Readonly<Record<Language, Order>> = { en: 'month-first', es: 'day-first' };

/** Small letters without accents, signs, or what stands in brackets: as words are compared. */
export const plain = (text: string): string =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/\([^)]*\)/g, ' ')
    .replace(/[^a-z0-9%#/]+/g, ' ')
    .trim();

/**
 * Words of headings, English and Spanish, the most telling first: the first that a heading has decides. `whole` ones must
 * be all of it.
 */
const headings: readonly (readonly [Means, RegExp])[] = [
  [
    'comment',
    /\b(comments?|remarks?|feedback|comentarios?|observacion(es)?|retroalimentacion|teacher notes?|notas? del (maestro|docente|profesor))\b/,
  ],
  [
    'due',
    /\b(due|deadline|turn in by|hand in by|vence|vencimiento|limite|para el)\b|\b(fecha de )?entrega\b/,
  ],
  [
    'assigned',
    /\b(assigned|given|posted|published|start(s|ed)?|asignad[oa]|asignacion|publicad[oa]|inicio)\b(?! work)/,
  ],
  ['percent', /^(%|pct|percent(age)?|porcentaje|por ciento)$|\b(percent(age)?|porcentaje)\b/],
  [
    'possible',
    /\b(possible|out of|max(imum|imo|ima)?|worth|posibles?|sobre|valor|total (points|puntos)|puntos totales|points total)\b|^(total|de|of|\/)$/,
  ],
  ['earned', /\b(earned|received|awarded|got|obtenid[oa]s?|logrados?|ganados?|sacad[oa])\b/],
  ['letter', /\b(letter|letra)\b/],
  [
    'status',
    /\b(status|state|flags?|submitted|turned in|handed in|submission|missing|estado|estatus|situacion|entregad[oa]s?|faltantes?)\b/,
  ],
  ['category', /\b(category|type|kind|group|weight group|categoria|tipo|grupo|rubro|clasificacion)\b/],
  ['student', /\b(student|pupil|child|learner|alumn[oa]|estudiante|hij[oa])\b/],
  ['course', /\b(course|class|subject|materia|curso|clase|asignatura)\b/],
  [
    'title',
    /\b(assignments?|titles?|task|item|activity|assessment|homework|work|tareas?|titulo|actividad(es)?|trabajos?|evaluacion(es)?|asignacion(es)?|ejercicio)\b/,
  ],
  [
    'score',
    /\b(scores?|grades?|marks?|results?|points?|pts|puntajes?|puntuacion(es)?|notas?|calificacion(es)?|resultados?|puntos)\b/,
  ],
  ['due', /\b(date|when|day|fecha|dia)\b/],
  ['comment', /\b(notes?|notas|detalles?|details?)\b/],
  ['title', /^(name|nombre|what|que|description|descripcion)$/],
];

/** What a heading says a column is about; null where it says nothing that is known. */
export function meansOf(heading: string): Means | null {
  const words = plain(heading);
  if (heading.trim() === '%') return 'percent';
  return headings.find(([, pattern]) => pattern.test(words))?.[0] ?? null;
}

/** Words and letters for how a work stands. `I` and `M` are no letters of a grade in any scale that is known. */
const statuses: readonly (readonly [ResultStatus, RegExp])[] = [
  [
    'missing',
    /^(m|mi|msg|miss(ing)?|not (turned|handed) in|not submitted|no submission|never (turned|handed) in|nti|nhi|falta(nte)?|no entreg(ad[oa]|o)|sin entregar|perdid[oa]|ne)$/,
  ],
  ['excused', /^(ex|exc|exc?used?|exempt(ed)?|x|dispensad[oa]|exent[oa]|eximid[oa]|justificad[oa]|d)$/],
  ['incomplete', /^(inc|i|incomplete|incompleto|incompleta|partial|parcial)$/],
  [
    'handed-in',
    /^(submitted|turned in|handed in|received|collected|not graded( yet)?|ungraded|to be graded|needs grading|awaiting grade|pending( grade)?|entregad[oa]|recibid[oa]|sin calificar|por calificar|pendiente de calificar|ti|sub)$/,
  ],
  [
    'scored',
    /^(graded|scored|marked|complete(d)?|done|returned|calificad[oa]|corregid[oa]|complet[oa]|devuelt[oa])$/,
  ],
  [
    'open',
    /^(open|not yet|not started|to do|todo|upcoming|assigned|abiert[oa]|por hacer|sin empezar|no iniciad[oa]|pendiente|asignad[oa]|n\/?a)$/,
  ],
];

/** How a work stands by a word for it; null where it is none. */
export const statusOfWord = (text: string): ResultStatus | null => {
  const words = plain(text);
  return statuses.find(([, pattern]) => pattern.test(words))?.[0] ?? null;
};

const sumWord = /^(totals?|subtotal(es)?|averages?|avg|mean|overall|sum|promedios?|media|suma|acumulad[oa])$/;
/** What stands beside such a word in the name of a sum. */
const besideSum =
  /^(grand|sub|final|current|term|quarter|semester|marking|period|course|class|category|weighted|running|grade|score|mark|points?|percent(age)?|of|the|all|general|actual|del?|la|el|periodo|materia|curso|clase|calificacion|nota|puntos|ponderad[oa]|\d+|%)$/;
const finalGrade =
  /^(final|current|overall|term|quarter|semester|course|class) (grade|score|mark)$|^(calificacion|nota) (final|actual|general|del periodo)$/;

/**
 * Whether a row sums others up, by what stands where its title would.
 * @param isDated whether it has a day of its own: what is due some day is work, whatever it is called.
 */
export function isSum(title: string, isDated: boolean): boolean {
  const name = plain(title);
  const words = name.split(' ');
  if (finalGrade.test(name)) return true;
  if (!words.some((word) => sumWord.test(word))) return false;
  if (words.every((word) => sumWord.test(word) || besideSum.test(word))) return true;
  const atAnEnd = sumWord.test(words[0] ?? '') || sumWord.test(words.at(-1) ?? '');
  return !isDated && atAnEnd && words.length <= 4;
}
