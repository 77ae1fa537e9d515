import type { Marked } from './marked';

/** An eleventh collection, Spanish: each comment was written before it was seen how the readers take it. */
export const eleventhSpanish: readonly Marked[] = [
  [
    'Falta la gráfica de la página 3. Mándela antes de mañana por la noche y tiene los 10 puntos.',
    [['hand-in', '2026-10-22', 1]],
  ],
  ['Caspian, hable conmigo antes del viernes para recuperar el examen.', [['retake', '2026-10-22', null]]],
  [
    'El ensayo da para una C, pero puede reescribirlo hasta el 30 de octubre si quiere mejor nota.',
    [['redo', '2026-10-30', null]],
  ],
  ['Lo que se entregue después de hoy vale la mitad.', [['hand-in', null, 0.5]]],
  ['Todavía necesito: diario 2, diario 3 y el mapa. Todo para el lunes.', [['hand-in', '2026-10-26', null]]],
  ['Díganme si puedo ayudar en algo.', []],
  [
    'Puede venir a la biblioteca el jueves después de clase a terminar la tarea.',
    [['hand-in', '2026-10-22', null]],
  ],
  ['Ya me enseñó el cuaderno, así que ya no falta nada.', []],
  [
    'Por cada respuesta corregida y explicada recupera medio punto; la fecha límite es el 2 de noviembre.',
    [['correct', '2026-11-02', null]],
  ],
  ['Nuestra norma: una repesca por examen, en dos semanas.', [['retake', '2026-11-04', null]]],
  ['Tendrá que volver a entregarlo, porque el enlace es privado.', [['redo', null, null]]],
  [
    'El proyecto era para ayer; el último día para entregarlo tarde es el 28 de octubre (60 %).',
    [['hand-in', '2026-10-28', 0.6]],
  ],
  ['Pet olvidó poner su nombre. No pasa nada.', []],
  ['Buenas noticias: doy a todos dos días más.', [['hand-in', '2026-10-23', null]]],
  [
    'La próxima oportunidad para hacer el examen es el 6 de noviembre en el aula 4.',
    [['retake', '2026-11-06', null]],
  ],
  ['Imprímalo y tráigalo el viernes, por favor.', [['hand-in', '2026-10-23', null]]],
  ['Se queda en 12 de 20.', []],
  ['Los trabajos extra se pueden entregar hasta fin de mes.', [['hand-in', '2026-10-31', null]]],
  ['El lunes podrá usar sus apuntes en el examen.', []],
  ['No importa si llega un día tarde.', [['hand-in', null, null]]],
];
