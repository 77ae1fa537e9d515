import type { Marked } from './marked';

/** A ninth collection, Spanish: each comment was written before it was seen how the readers take it. */
export const ninthSpanish: readonly Marked[] = [
  ['El lunes la cambié de sitio, ahora está en la primera fila.', []],
  ['Trabaja mejor cuando empieza el mismo día.', []],
  ['La media de este examen fue del 74 %.', []],
  ['Necesitó hasta el viernes, y valió la pena.', []],
  ['Terminaremos la segunda mitad del libro antes de diciembre.', []],
  ['Por favor, que cargue el portátil antes del jueves.', []],
  ['Buenas correcciones la semana pasada: subieron la nota 6 puntos.', []],
  ['Si el viernes hace mal tiempo, la excursión pasa al lunes.', []],
  ['No estaré el jueves ni el viernes; un sustituto tiene el plan.', []],
  ['Todos los trabajos atrasados están calificados.', []],
  ['El 88 de la repesca sustituyó al 61.', []],
  ['El proyecto cuenta el 20 % del trimestre.', []],
  ['El lunes les daré la rúbrica.', []],
  ['La mitad de la clase aún no ha pagado el ferry; háganlo antes del viernes.', []],
  ['El crédito extra no sustituye a los trabajos que faltan.', []],
  ['El portal no funcionará el domingo por la noche.', []],
  [
    'Solo el informe que falta la separa de una A; el viernes es el último día.',
    [['hand-in', '2026-10-23', null]],
  ],
  ['Por favor, reescríbalo a bolígrafo y devuélvalo antes del lunes.', [['redo', '2026-10-25', null]]],
  ['Se puede acordar una repesca cualquier día de la próxima semana.', [['retake', '2026-10-30', null]]],
  ['Puede entregar una copia corregida hasta el 29 de octubre.', [['correct', '2026-10-29', null]]],
  [
    'Todavía puedo dar tres cuartos de los puntos si la maqueta llega antes del lunes.',
    [['hand-in', '2026-10-25', 0.75]],
  ],
];
