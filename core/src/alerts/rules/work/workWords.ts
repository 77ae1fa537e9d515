import type { AlertWork, Language, LooseEndKind, WorkReason } from '@cadro/contract';
import { onScale } from '../../words/formats';
import type { Told } from '../rule';

export const looseEndWords: Readonly<Record<Language, Readonly<Record<LooseEndKind, string>>>> = {
  en: {
    missing: 'missing',
    incomplete: 'incomplete',
    overdue: 'overdue, not graded',
    zero: 'scored 0',
    'at-floor': 'at the lowest score there is',
    unmarked: 'waiting for a score',
  },
  es: {
    missing: 'falta',
    incomplete: 'incompleto',
    overdue: 'vencido, sin calificar',
    zero: 'puntaje de 0',
    'at-floor': 'en el puntaje más bajo posible',
    unmarked: 'sin calificar',
  },
};

interface Texts {
  readonly of: string;
  readonly due: (course: string, when: string) => string;
  readonly undated: (course: string) => string;
  readonly worth: (course: string, gain: string) => string;
  readonly share: (percent: number) => string;
  readonly until: (day: string, share: string) => string;
  readonly marked: (work: AlertWork) => string;
  readonly apart: (what: string | null, day: string) => string;
}
const texts: Readonly<Record<Language, Texts>> = {
  en: {
    of: 'of',
    due: (course, when) => `${course}, due ${when}.`,
    undated: (course) => `${course}, no due date.`,
    worth: (course, gain) => `Making it up would raise ${course} by ${gain}.`,
    share: (percent) => ` for ${percent}% credit`,
    until: (day, share) => `Can still be turned in by ${day}${share}.`,
    marked: ({ earned, possible }) => (earned === null ? 'not graded yet' : `${earned} of ${possible}`),
    apart: (score, day) =>
      score === null
        ? `The classroom system has had it as turned in since ${day}.`
        : `The classroom system shows ${score} since ${day}.`,
  },
  es: {
    of: 'de',
    due: (course, when) => `${course}, para el ${when}.`,
    undated: (course) => `${course}, sin fecha de entrega.`,
    worth: (course, gain) => `Recuperado, subiría ${course} en ${gain}.`,
    share: (percent) => ` por el ${percent}% del puntaje`,
    until: (day, share) => `Aún se puede entregar hasta el ${day}${share}.`,
    marked: ({ earned, possible }) => (earned === null ? 'aún sin calificar' : `${earned} de ${possible}`),
    apart: (score, day) =>
      score === null
        ? `En la clase virtual consta como entregado desde el ${day}.`
        : `La clase virtual muestra ${score} desde el ${day}.`,
  },
};

/** What every rule about a work says: when it is due, what it brings, until when it is taken. */
export function workIn(language: Language, reason: WorkReason, { formats, courseTitle }: Told) {
  const { of, ...say } = texts[language];
  const { dueAt, deadline, credit, impact, classroom } = reason.work;
  const gain = impact === null ? null : onScale(formats, impact, reason, of);
  const share = credit === null || credit >= 1 ? '' : say.share(Math.round(credit * 100));
  return {
    due: dueAt ? say.due(courseTitle, formats.moment(dueAt)) : say.undated(courseTitle),
    dueDay: dueAt ? formats.day(dueAt) : '',
    gain,
    worth: gain === null ? [] : [say.worth(courseTitle, gain)],
    lastDay: deadline ? formats.day(deadline) : '',
    until: deadline ? [say.until(formats.day(deadline), share)] : [],
    on: formats.day(reason.at),
    marked: say.marked(reason.work),
    apart: classroom
      ? [
          say.apart(
            classroom.earned === null ? null : say.marked({ ...reason.work, earned: classroom.earned }),
            formats.day(classroom.at),
          ),
        ]
      : [],
    course: courseTitle,
  };
}
