import type { Marked } from './marked';

/** A tenth collection, Spanish: each comment was written before it was seen how the readers take it. */
export const tenthSpanish: readonly Marked[] = [
  [
    'Isolde no vino el día del control. Lo puede hacer el jueves en tutoría.',
    [['retake', '2026-10-22', null]],
  ],
  [
    'Es un cero porque no se entregó nada. Lo acepto tarde hasta el lunes por el 70 %.',
    [['hand-in', '2026-10-26', 0.7]],
  ],
  ['Perdió la hoja; le imprimí otra. De vuelta para el viernes.', [['hand-in', '2026-10-23', null]]],
  [
    'La hipótesis no está clara. Reescriba esa parte y vuelva a entregarla antes del lunes por toda la nota.',
    [['redo', '2026-10-25', 1]],
  ],
  ['Sé que puede hacerlo mejor. ¿Repesca el martes?', [['retake', '2026-10-27', null]]],
  ['Corrija las tres faltas de ortografía y enséñeme la página mañana.', [['correct', '2026-10-22', null]]],
  [
    'Lo que no terminó hoy puede acabarlo en casa y entregarlo mañana por la mañana.',
    [['hand-in', '2026-10-22', null]],
  ],
  [
    'Había dos preguntas por detrás. Si las contesta antes del miércoles que viene, sumo los puntos.',
    [['hand-in', '2026-10-27', null]],
  ],
  [
    'Diario de lectura: 3 de 5 entradas. Las otras se pueden recuperar antes de las vacaciones.',
    [['hand-in', null, null]],
  ],
  [
    'Todavía me debe el informe del libro. Plazo ampliado hasta el 30 de octubre.',
    [['hand-in', '2026-10-30', 1]],
  ],
  [
    'En los proyectos no hay repesca, pero puede mejorarlo hasta el 6 de noviembre.',
    [['redo', '2026-11-06', null]],
  ],
  ['Solo usó un intento. Tiene otro hasta el domingo por la noche.', [['redo', '2026-10-25', null]]],
  [
    'Gracias por la nota. Como estuvo enfermo, tiene hasta el próximo miércoles sin penalización.',
    [['hand-in', '2026-10-28', 1]],
  ],
  ['Puede entregarlo tarde, pero la nota más alta posible es una C.', [['hand-in', null, 0.7]]],
  [
    'La mitad de la nota para trabajos tardíos, hasta una semana después de la fecha.',
    [['hand-in', null, 0.5]],
  ],
  ['¡Buen esfuerzo! Pequeños fallos en la 2 y la 6, no hace falta rehacerlo.', []],
  ['He puesto la nota de la repesca.', []],
  [
    'Sin calificar: no pude abrir el enlace. Compártalo conmigo antes de esta noche.',
    [['hand-in', '2026-10-21', null]],
  ],
  [
    'Falta desde la semana pasada. Dejo la entrega abierta hasta el jueves a medianoche.',
    [['hand-in', '2026-10-22', null]],
  ],
  ['La media de la clase subió después de las correcciones.', []],
  ['Su grupo repitió la medición, vea la página 4.', []],
  ['Al final del trimestre se quita el control más bajo.', []],
  [
    'Haga otra vez los problemas 7 a 10 por la mitad de los puntos perdidos, antes del lunes.',
    [['redo', '2026-10-25', 0.5]],
  ],
  ['Por el corte de luz, la tarea se entrega el jueves en lugar de hoy.', [['hand-in', '2026-10-22', 1]]],
];
