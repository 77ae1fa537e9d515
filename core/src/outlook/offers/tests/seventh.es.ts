import type { Marked } from './marked';

/** A seventh collection, Spanish: each comment was written before it was seen how the readers take it. */
export const seventhSpanish: readonly Marked[] = [
  ['Sigue sin entregarse. Este jueves es el último día que lo acepto.', [['hand-in', '2026-10-22', null]]],
  [
    'Tiene que venir a terminar el examen. Vale cualquier recreo de esta semana.',
    [['retake', '2026-10-23', null]],
  ],
  [
    'Vuelva a entregar la gráfica con los ejes rotulados antes del lunes y sube la nota.',
    [['redo', '2026-10-25', null]],
  ],
  ['La última ocasión para entregarlo es el 30 de octubre.', [['hand-in', '2026-10-30', null]]],
  ['Sin entregar; aún hay tiempo hasta el viernes.', [['hand-in', '2026-10-23', null]]],
  ['Está bien si lo entrega el lunes.', [['hand-in', '2026-10-26', null]]],
  ['No tengo nota porque falta la hoja. En cuanto la tenga, desaparece el cero.', [['hand-in', null, null]]],
  ['Las repescas son del 26 al 30 de octubre.', [['retake', '2026-10-30', null]]],
  ['Puede mejorarlo si rehace la segunda página.', [['redo', null, null]]],
  [
    'Quien tenga menos de 80 puede rehacerlo. Para el viernes de la semana que viene.',
    [['redo', '2026-10-30', null]],
  ],
  [
    'Corrija todos los fallos en una hoja aparte y recupera un tercio de los puntos.',
    [['correct', null, 1 / 3]],
  ],
  ['Quito 5 puntos por cada día de retraso.', []],
  ['Puede llevarse el control a casa y traerlo mañana.', [['retake', '2026-10-22', null]]],
  ['Como estuvo en el torneo, su fecha es el lunes.', [['hand-in', '2026-10-26', 1]]],
  ['Lo aplazo al martes para todos.', [['hand-in', '2026-10-27', 1]]],
  ['Familias: comprueben que la carpeta va en la mochila el viernes.', []],
  [
    'Casi. ¿Quiere intentar otra vez la pregunta 4? Puedo corregirla hasta el viernes.',
    [['redo', '2026-10-23', null]],
  ],
  ['Corregí el examen el domingo.', []],
  ['La próxima vez entréguelo a tiempo, por favor.', []],
  [
    'Entrega tardía posible hasta el 28 de octubre, con un máximo de 16 de 20 puntos.',
    [['hand-in', '2026-10-28', 0.8]],
  ],
  ['Dijo que lo entregaría el lunes.', []],
  ['Si no está para el miércoles, el cero se queda.', [['hand-in', '2026-10-21', null]]],
  [
    'Abajo está la lista de lo que falta. La fecha tope es el 5 de noviembre.',
    [['hand-in', '2026-11-05', null]],
  ],
  [
    'El examen se puede corregir, no repetir. La mitad de los puntos, hasta el lunes.',
    [['correct', '2026-10-26', 0.5]],
  ],
  ['Este fin de semana no hay deberes.', []],
  ['Su exposición pasó al martes porque estaba enferma.', []],
  ['Puede llegar al 90 % si revisa la introducción.', [['redo', null, 0.9]]],
  ['Traigan el portátil el jueves.', []],
  ['Entregue el diario de lectura que olvidó hoy; mañana está bien.', [['hand-in', '2026-10-22', null]]],
  [
    'Aceptaré trabajos atrasados por la mitad de la nota hasta el último día del trimestre.',
    [['hand-in', null, 0.5]],
  ],
];
