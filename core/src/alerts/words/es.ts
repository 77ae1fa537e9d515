import type { AlertWork, FigureReason, LooseEndKind, WorkReason } from '@cadro/contract';
import { assertNever, counted, onScale, shows } from './formats';
import type { AlertWords, Sentences, Told } from './words';

const kinds: Record<LooseEndKind, string> = {
  missing: 'falta',
  incomplete: 'incompleto',
  overdue: 'vencido, nadie lo ha marcado',
  zero: 'puntuado con 0',
  'at-floor': 'en la nota más baja posible',
  unmarked: 'entregado, sin corregir',
};
/** Lo que era, de un trabajo ya resuelto. */
const settled: Record<LooseEndKind, string> = { ...kinds, overdue: 'vencido', unmarked: 'sin corregir' };

function figure(reason: FigureReason, { formats, courseTitle }: Told): Sentences {
  const say = (value: number) => onScale(formats, value, reason, 'de');
  const { before, since, now, limit, ifLeft, perWeek, letterBefore, letterNow, moved } = reason;
  const course = courseTitle;
  const path =
    before === null || since === null || say(before) === say(now)
      ? [`Ahora ${say(now)}.`]
      : [`${say(before)} el ${formats.day(since)}, ahora ${say(now)}.`];
  const movers = moved
    .filter(({ delta }) => shows(delta, reason))
    .map(({ title, delta }) => `${title} (${delta > 0 ? '+' : '−'}${say(Math.abs(delta))})`);
  const facts = movers.length > 0 ? [...path, `Lo que más la movió: ${formats.list(movers)}.`] : path;
  const see = 'Abra la asignatura y mire qué la movió.';
  switch (reason.rule) {
    case 'below':
      return {
        headline: `${course} está en ${say(now)}, por debajo de ${say(limit ?? now)}`,
        facts,
        rule: `Se le avisa cuando una cifra está por debajo de ${say(limit ?? now)}.`,
        next: see,
      };
    case 'fallen':
      return {
        headline: `${course} bajó de ${say(before ?? now)} a ${say(now)}`,
        facts,
        rule: 'Se le avisa cuando una cifra baja mucho en pocos días.',
        next: see,
      };
    case 'letter-step':
      return {
        headline: `${course} pasó de ${letterBefore ?? ''} a ${letterNow ?? 'menos que cualquier letra'}`,
        facts,
        rule: 'Se le avisa cuando una cifra baja a una letra inferior.',
        next: see,
      };
    case 'slipping':
      return {
        headline: `${course} va bajando, unos ${say(Math.abs(perWeek ?? 0))} por semana`,
        facts,
        rule: 'Se le avisa cuando una cifra baja durante semanas.',
        next: 'Háblenlo, y miren de qué clase de trabajo se trata.',
      };
    case 'if-left':
      return {
        headline: `${course} muestra ${say(now)}, y quedaría en ${say(ifLeft ?? now)} si se deja`,
        facts: [...facts, 'Debajo hay trabajo que nadie ha marcado y que aún no cuenta.'],
        rule: `Se le avisa cuando una cifra caería por debajo de ${say(limit ?? now)} si no llegara nada más.`,
        next: 'Mire qué trabajo es, y pregunte si se entregó.',
      };
    case 'improved':
      return {
        headline: `${course} subió de ${say(before ?? now)} a ${say(now)}`,
        facts,
        rule: 'Se le avisa cuando una cifra sube mucho en pocos días.',
        next: 'Dígalo en casa.',
      };
    default:
      return assertNever(reason.rule);
  }
}

const marked = ({ earned, possible }: AlertWork): string =>
  earned === null ? 'aún sin corregir' : `${earned} de ${possible}`;

function work(reason: WorkReason, { formats, courseTitle }: Told): Sentences {
  const { title, kind, was, dueAt, deadline, credit, impact } = reason.work;
  const gain = impact === null ? null : onScale(formats, impact, reason, 'de');
  const due = dueAt
    ? [`${courseTitle}, para el ${formats.moment(dueAt)}.`]
    : [`${courseTitle}, sin fecha de entrega.`];
  const worth = gain === null ? [] : [`Recuperado, subiría ${courseTitle} en ${gain}.`];
  const share = credit === null || credit >= 1 ? '' : ` por el ${Math.round(credit * 100)} % de la nota`;
  const until = deadline ? [`Se acepta hasta el ${formats.day(deadline)}${share}.`] : [];
  switch (reason.rule) {
    case 'loose-end':
      return {
        headline: `${title}: ${kind ? kinds[kind] : 'abierto'}`,
        facts: [...due, ...worth, ...until],
        rule: 'Se le avisa de cabos sueltos nuevos.',
        next: 'Pregunte si se entregó.',
      };
    case 'deadline':
      return {
        headline: `${title} se puede arreglar hasta el ${deadline ? formats.day(deadline) : ''}`,
        facts: [...due, ...worth, ...until],
        rule: 'Se le avisa cuando se acerca el último día para arreglar algo.',
        next: 'Busquen una tarde antes de esa fecha.',
      };
    case 'sent-back':
      return {
        headline: `${title} hay que hacerlo otra vez`,
        facts: [`Devuelto el ${formats.day(reason.at)}.`, ...due],
        rule: 'Se le avisa cuando se devuelve un trabajo.',
        next: 'Lea lo que escribió el profesor.',
      };
    case 'unmarked':
      return {
        headline: `${title}: entregado el ${formats.day(reason.at)}, aún sin corregir`,
        facts: [...due],
        rule: 'Se le avisa cuando un trabajo entregado sigue mucho tiempo sin corregir.',
        next: 'Espere, o pregunte al profesor si ha llegado.',
      };
    case 'big-work':
      return {
        headline: `${title} es para el ${dueAt ? formats.day(dueAt) : ''}`,
        facts: [...due, ...(gain === null ? [] : [`Decide ${gain} de la cifra.`])],
        rule: 'Se le avisa cuando se acerca un examen o un trabajo de peso.',
        next: 'Busquen una tarde para ello.',
      };
    case 'settled':
      return {
        headline: `${title}: constaba como «${was ? settled[was] : 'abierto'}», ahora ${marked(reason.work)}`,
        facts: [`${courseTitle}, corregido el ${formats.day(reason.at)}.`],
        rule: 'Se le avisa cuando se ata un cabo suelto.',
        next: 'Dígalo en casa.',
      };
    default:
      return assertNever(reason.rule);
  }
}

/** Alerts in Spanish. */
export const es: AlertWords = {
  language: 'es',
  kinds: {
    figure: 'Cifras',
    work: 'Cabos sueltos',
    coming: 'Trabajo que viene',
    comment: 'Comentarios',
    attendance: 'Asistencia',
    term: 'Notas del periodo',
    good: 'Buenas noticias',
    upkeep: 'Fuentes y miradas',
  },
  rules: {
    below: 'Una cifra está por debajo',
    fallen: 'Una cifra ha bajado',
    'letter-step': 'Una letra inferior',
    slipping: 'Baja durante semanas',
    'if-left': 'Bien ahora, baja si se deja',
    'loose-end': 'Un cabo suelto nuevo',
    deadline: 'Últimos días para arreglar',
    'sent-back': 'Trabajo devuelto',
    unmarked: 'Entregado, sin corregir',
    'big-work': 'Se acerca un examen o trabajo de peso',
    comment: 'Un profesor comenta',
    unexplained: 'Una ausencia sin explicar',
    late: 'Varios retrasos',
    pattern: 'Un patrón en las ausencias',
    'days-missed': 'Parte de días perdidos',
    'term-final': 'Una cifra definitiva',
    'report-card': 'Un boletín',
    improved: 'Una cifra ha subido',
    settled: 'Un cabo suelto atado',
    'source-silent': 'Una fuente calla',
    'not-looked': 'No ha mirado',
  },
  figure,
  work,
  comment: ({ author, itemTitle, subject, text, at }, { formats, courseTitle }) => ({
    headline: `${author} escribió sobre ${itemTitle ?? courseTitle}`,
    facts: [
      `«${text}»`,
      `Escrito el ${formats.day(at)}${subject === 'course' ? ', sobre la asignatura' : ''}.`,
    ],
    rule: 'Se le avisa de comentarios nuevos.',
    next: 'Léalo en su sitio.',
  }),
  attendance: ({ rule, days, lessons, pattern, share }, { formats }) => {
    const on = `El ${formats.list(days.slice(-6).map(formats.date))}.`;
    const which = lessons.length > 0 ? [`Clases: ${formats.list(lessons)}.`] : [];
    const missed = [on, ...which];
    switch (rule) {
      case 'unexplained':
        return {
          headline: `Una ausencia que nadie ha explicado, ${formats.date(days[0] ?? '')}`,
          facts: which,
          rule: 'Se le avisa de ausencias sin explicar.',
          next: 'Pregunte, y diga el motivo al colegio.',
        };
      case 'late':
        return {
          headline: `${counted(days.length, 'retraso', 'retrasos')} desde el ${formats.date(days[0] ?? '')}`,
          facts: missed,
          rule: 'Se le avisa de los retrasos a partir de un número.',
          next: 'Hablen del camino al colegio y entre clases.',
        };
      case 'pattern':
        return {
          headline:
            pattern?.kind === 'weekday'
              ? `Las ausencias caen siempre en ${formats.weekday(Number(pattern.value))}`
              : pattern?.kind === 'period'
                ? `Las ausencias caen siempre en la hora ${pattern.value}`
                : `Se perdieron las últimas clases en ${counted(days.length, 'día', 'días')}`,
          facts: missed,
          rule: 'Se le avisa cuando las ausencias tienen algo en común.',
          next: 'Pregunte qué pasa a esa hora.',
        };
      case 'days-missed':
        return {
          headline: `${share?.missed ?? 0} de ${share?.of ?? 0} días de clase perdidos`,
          facts: [on],
          rule: 'Se le avisa cuando la parte de días perdidos es alta.',
          next: 'Mire qué trabajo cayó en esos días.',
        };
      default:
        return assertNever(rule);
    }
  },
  term: ({ rule, term, courseTitle, figure: value, letter, at }, { formats }) =>
    rule === 'term-final'
      ? {
          headline: `${courseTitle ?? ''} es definitiva${letter || value !== null ? `: ${letter ?? value}` : ''}`,
          facts: [`${term}, comunicada el ${formats.day(at)}.`],
          rule: 'Se le avisa cuando el colegio guarda una cifra definitiva.',
          next: 'Mire el periodo.',
        }
      : {
          headline: `Ya está el boletín${term ? `: ${term}` : ''}`,
          facts: [`Sus primeras palabras llegaron el ${formats.day(at)}.`],
          rule: 'Se le avisa cuando hay un boletín.',
          next: 'Léanlo juntos.',
        },
  upkeep: ({ rule, since, days, sourceName }, { formats }) =>
    rule === 'source-silent'
      ? {
          headline: `Nada de ${sourceName} desde hace ${counted(days, 'día', 'días')}`,
          facts: [`Última lectura: ${formats.moment(since)}. Lo que ve es de entonces.`],
          rule: 'Se le avisa cuando una fuente calla durante días.',
          next: 'No hay que hacer nada: se vuelve a intentar sola.',
        }
      : {
          headline: `No ha mirado desde hace ${counted(days, 'día', 'días')}`,
          facts: [`Su última mirada fue el ${formats.day(since)}.`],
          rule: 'Usted pidió que se le recordara mirar.',
          next: 'Dos minutos en el Resumen bastan.',
        },
  manyWorks: (n, courseTitle) => `${n} cabos sueltos en ${courseTitle}`,
  manyFinals: (n, term) => `${n} cifras definitivas${term ? ` de ${term}` : ''}`,
  source: (name, at) => `${name}, ${at}`,
};
