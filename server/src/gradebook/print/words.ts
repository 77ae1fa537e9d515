import type { GradeState, Language, TrendClass } from '@cadro/contract';

/** The words of the printed page; the app's own stand in its catalogues. */
export interface PrintWords {
  readonly term: (title: string, from: string, to: string) => string;
  readonly printed: (when: string) => string;
  readonly year: (year: string) => string;
  readonly posted: string;
  readonly byOurCount: (grade: string) => string;
  readonly ifLeft: string;
  readonly ifMadeUp: string;
  readonly open: (count: number) => string;
  readonly trend: Readonly<Record<TrendClass, string>>;
  readonly state: Readonly<Record<GradeState, string>>;
  readonly noGrade: string;
  readonly assessed: (met: number, assessed: number, later: number) => string;
  readonly level: (level: string) => string;
  readonly notAssessed: string;
  readonly attendance: (counts: {
    days: number;
    absent: number;
    lessons: number;
    unexcused: number;
    late: number;
  }) => string;
  readonly legend: string;
  readonly source: (name: string, when: string) => string;
  readonly more: (count: number) => string;
  readonly wholeYear: string;
  readonly credits: (earned: number, running: number) => string;
  readonly daysMissed: string;
  readonly lateArrivals: string;
  readonly cardsLegend: string;
}

const some = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`;

const en: PrintWords = {
  wholeYear: 'Year',
  credits: (earned, running) =>
    earned > 0
      ? `${some(earned, 'credit', 'credits')} earned`
      : `${some(running, 'credit', 'credits')} in progress`,
  daysMissed: 'Days missed',
  lateArrivals: 'Late arrivals',
  cardsLegend: 'Bold: posted by the school. Light: so far, or by our count.',
  term: (title, from, to) => `${title}, ${from} to ${to}`,
  printed: (when) => `As of ${when}`,
  year: (year) => `Grade ${year}`,
  posted: 'posted',
  byOurCount: (grade) => `by our count ${grade}`,
  ifLeft: 'if left',
  ifMadeUp: 'if made up',
  open: (count) => (count === 0 ? 'nothing open' : some(count, 'loose end', 'loose ends')),
  trend: { 'too-early': '', slipping: 'slipping', steady: 'steady', rising: 'rising' },
  state: {
    running: 'so far',
    final: 'final by our count, not posted yet',
    stored: 'posted by the school',
    'not-reported': 'not posted yet',
    ahead: 'hasn’t started',
  },
  noGrade: 'no grade yet',
  assessed: (met, assessed, later) =>
    assessed === 0
      ? `nothing assessed yet${later > 0 ? `; ${later} still to come` : ''}`
      : `${met} of ${assessed} assessed so far are met${later > 0 ? `; ${later} still to come` : ''}`,
  level: (level) => `level ${level}`,
  notAssessed: 'not yet',
  attendance: ({ days, absent, lessons, unexcused, late }) =>
    [
      `absent ${absent} of ${some(days, 'school day', 'school days')}`,
      lessons === 0
        ? 'no class missed'
        : `${some(lessons, 'class', 'classes')} missed, ${unexcused === 0 ? 'all with a reason' : `${unexcused} without a reason`}`,
      late === 0 ? 'never late' : late === 1 ? 'late once' : `late ${late} times`,
    ].join('; '),
  legend:
    'Filled frame: the posted grade. Open frame: our own count, where it differs. Above the line: how far the grade falls if nothing more comes in. Below: what it comes to if loose ends are made up.',
  source: (name, when) =>
    `From ${name}, updated ${when}. Cadro worked out the grades from the school’s scores.`,
  more: (count) => `and ${some(count, 'more course', 'more courses')}`,
};

const es: PrintWords = {
  wholeYear: 'Año',
  credits: (earned, running) =>
    earned > 0
      ? `${some(earned, 'crédito obtenido', 'créditos obtenidos')}`
      : `${some(running, 'crédito en curso', 'créditos en curso')}`,
  daysMissed: 'Días perdidos',
  lateArrivals: 'Retrasos',
  cardsLegend: 'Negrita: publicado por la escuela. Claro: hasta ahora, o según nuestra cuenta.',
  term: (title, from, to) => `${title}, del ${from} al ${to}`,
  printed: (when) => `A fecha de ${when}`,
  year: (year) => (/^\d+$/.test(year) ? `${year}.º grado` : `Grado ${year}`),
  posted: 'publicada',
  byOurCount: (grade) => `según nuestra cuenta ${grade}`,
  ifLeft: 'si se deja',
  ifMadeUp: 'si se recupera',
  open: (count) => (count === 0 ? 'nada pendiente' : some(count, 'trabajo pendiente', 'trabajos pendientes')),
  trend: { 'too-early': '', slipping: 'baja', steady: 'estable', rising: 'sube' },
  state: {
    running: 'hasta ahora',
    final: 'final según nuestra cuenta, aún sin publicar',
    stored: 'publicada por la escuela',
    'not-reported': 'aún sin publicar',
    ahead: 'no ha empezado',
  },
  noGrade: 'sin calificar',
  assessed: (met, assessed, later) =>
    assessed === 0
      ? `nada evaluado todavía${later > 0 ? `; ${some(later, 'queda', 'quedan')} por evaluar` : ''}`
      : `alcanzados ${met} de los ${assessed} evaluados${later > 0 ? `; ${some(later, 'queda', 'quedan')} por evaluar` : ''}`,
  level: (level) => `nivel ${level}`,
  notAssessed: 'aún no',
  attendance: ({ days, absent, lessons, unexcused, late }) =>
    [
      `faltó ${absent} de ${some(days, 'día de clase', 'días de clase')}`,
      lessons === 0
        ? 'ninguna clase perdida'
        : `${some(lessons, 'clase perdida', 'clases perdidas')}, ${unexcused === 0 ? 'todas justificadas' : `${unexcused} sin justificar`}`,
      late === 0 ? 'ningún retraso' : some(late, 'retraso', 'retrasos'),
    ].join('; '),
  legend:
    'Marco lleno: la calificación publicada. Marco abierto: nuestra cuenta, cuando difiere. Sobre la línea: cuánto baja si no se entrega nada más. Debajo: hasta dónde llega si se recupera lo pendiente.',
  source: (name, when) => `De ${name}, actualizado ${when}. Cadro calcula con los puntajes de la escuela.`,
  more: (count) => `y ${some(count, 'materia más', 'materias más')}`,
};

export const printWords: Readonly<Record<Language, PrintWords>> = { en, es };
