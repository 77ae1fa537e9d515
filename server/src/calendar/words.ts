import type { CalendarEvent, CalendarLayer, Language } from '@cadro/contract';

type Marks = NonNullable<CalendarEvent['marks']>;
/** The words of what the calendar itself makes up; they also go out to calendar programs. */
export interface CalendarWords {
  readonly layer: Readonly<Record<CalendarLayer, string>>;
  readonly offerEnds: (title: string) => string;
  readonly evening: (title: string, minutes: number) => string;
  readonly lookAgain: (title: string) => string;
  readonly attended: (marks: Marks) => string;
  readonly noSchool: string;
  readonly untitled: string;
  readonly daysOf: (names: readonly string[]) => string;
}

const some = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`;
/** The parts that are there, as one sentence. */
const joined = (parts: readonly (string | null)[]): string => {
  const text = parts.filter((part) => part !== null).join(', ');
  return text.charAt(0).toUpperCase() + text.slice(1);
};

const en: CalendarWords = {
  layer: {
    test: 'Test',
    due: 'Due',
    offer: 'End of an offer',
    school: 'At school',
    meeting: 'Meeting',
    own: 'Our own',
    plan: 'Planned evening',
    'look-again': 'Look again',
    attendance: 'Attendance',
    closed: 'No school',
    imported: 'From a file',
  },
  offerEnds: (title) => `Offer ends: ${title}`,
  evening: (title, minutes) => `${title}, ${minutes} min`,
  lookAgain: (title) => `Look again: ${title}`,
  attended: ({ absent, unexplained, late, trip, wholeDay }) =>
    joined([
      absent === 0
        ? null
        : `${wholeDay ? 'absent all day' : `missed ${some(absent, 'class', 'classes')}`}${
            unexplained === 0
              ? ''
              : unexplained === absent
                ? ', no reason given'
                : `, ${unexplained} without a reason`
          }`,
      late === 0 ? null : `late ${late === 1 ? 'once' : `${late} times`}`,
      trip === 0 ? null : wholeDay ? 'on a trip all day' : `on a trip for ${some(trip, 'class', 'classes')}`,
    ]),
  noSchool: 'No school',
  untitled: 'Untitled',
  daysOf: (names) => `Days of ${names.join(', ')}`,
};

const es: CalendarWords = {
  layer: {
    test: 'Examen',
    due: 'Entrega',
    offer: 'Fin de una oferta',
    school: 'En la escuela',
    meeting: 'Reunión',
    own: 'De casa',
    plan: 'Tarde del plan',
    'look-again': 'Volver a mirar',
    attendance: 'Asistencia',
    closed: 'Sin clase',
    imported: 'De un archivo',
  },
  offerEnds: (title) => `Termina la oferta: ${title}`,
  evening: (title, minutes) => `${title}, ${minutes} min`,
  lookAgain: (title) => `Volver a mirar: ${title}`,
  attended: ({ absent, unexplained, late, trip, wholeDay }) =>
    joined([
      absent === 0
        ? null
        : `${wholeDay ? 'faltó todo el día' : `faltó a ${some(absent, 'clase', 'clases')}`}${
            unexplained === 0
              ? ''
              : unexplained === absent
                ? ', sin justificar'
                : `, ${unexplained} sin justificar`
          }`,
      late === 0 ? null : `tarde ${some(late, 'vez', 'veces')}`,
      trip === 0
        ? null
        : wholeDay
          ? 'de excursión todo el día'
          : `de excursión en ${some(trip, 'clase', 'clases')}`,
    ]),
  noSchool: 'Sin clase',
  untitled: 'Sin título',
  daysOf: (names) => `Días de ${names.join(', ')}`,
};

export const calendarWords: Readonly<Record<Language, CalendarWords>> = { en, es };
