import type { Marked } from './marked';

/** A fourth collection, Spanish: each comment was written before it was seen how the readers take it. */
export const fourthSpanish: readonly Marked[] = [
  [
    'La hoja no lleva nombre. Recójala de la bandeja antes del viernes y pongo la nota.',
    [['hand-in', '2026-10-22', null]],
  ],
  ['Sé que ha sido una semana difícil. Tómese hasta el martes.', [['hand-in', '2026-10-27', null]]],
  [
    'Me encantaría leer una versión revisada; hay tiempo hasta el 4 de noviembre.',
    [['redo', '2026-11-04', null]],
  ],
  ['Su compañero tiene los datos: puede redactarlo y dármelo el lunes.', [['hand-in', '2026-10-26', null]]],
  [
    'Si quiere recuperar esos puntos, las correcciones van en la carpeta azul antes del jueves.',
    [['correct', '2026-10-21', null]],
  ],
  ['Cada trimestre quito la nota más baja de las tareas.', []],
  [
    'Faltó al control de vocabulario. Se recupera el martes a las 7:45 en mi aula.',
    [['retake', '2026-10-27', null]],
  ],
  [
    'Faltan dos partes. Se pueden entregar todavía, con un máximo del 50 %, hasta el día 28.',
    [['hand-in', '2026-10-28', 0.5]],
  ],
  ['Anímele a venir a la tutoría del miércoles.', []],
  [
    'Es fácil de arreglar: ponga las unidades, vuelva a entregarlo y lo corrijo de nuevo.',
    [['redo', null, null]],
  ],
  [
    'No le quito nada por el retraso, pero que llegue antes de que acabe el mes.',
    [['hand-in', '2026-10-31', 1]],
  ],
  ['Se puede rehacer para una C como mucho.', [['redo', null, 0.7]]],
  ['La nueva versión llegó hoy. ¡Mucho mejor!', []],
  [
    'Todas las recuperaciones tienen que estar hechas para el 5 de noviembre.',
    [['retake', '2026-11-05', null]],
  ],
  ['Está exento de esta tarea.', []],
  ['De momento he puesto un cero. Lo cambiaré en cuanto reciba el trabajo.', [['hand-in', null, null]]],
  ['El cero es provisional hasta que entregue el mapa.', [['hand-in', null, null]]],
  [
    'Pet no terminó en clase y puede llevarse la ficha a casa; de vuelta el viernes, por favor.',
    [['hand-in', '2026-10-23', null]],
  ],
  ['El jueves vienen los fotógrafos.', []],
  [
    'Todavía puede sacar la nota completa si me enseña el cuaderno antes del lunes.',
    [['hand-in', '2026-10-25', 1]],
  ],
  ['Ha remontado mucho desde el primer control.', []],
  ['El examen es con libro abierto y será el viernes.', []],
  ['Por la tormenta, el ensayo se entrega ahora el lunes 26.', [['hand-in', '2026-10-26', 1]]],
  ['Acepto proyectos atrasados una semana más, con un 15 % menos.', [['hand-in', '2026-10-28', 0.85]]],
  [
    'Habrá una segunda oportunidad para todos los suspensos el 30 de octubre.',
    [['retake', '2026-10-30', null]],
  ],
  ['Por favor, no envíen trabajos por mensaje.', []],
  ['Ya es tarde para cambiar esta nota.', []],
  ['Olvidó subir el segundo archivo. Lo acepto mañana, no más tarde.', [['hand-in', '2026-10-22', null]]],
  [
    'Si arregla las tres frases marcadas para el lunes, le subo la nota a una A.',
    [['correct', '2026-10-26', 0.9]],
  ],
  [
    'Recojo los cuadernos otra vez el próximo miércoles; hasta entonces se pueden completar las entradas que faltan.',
    [['hand-in', '2026-10-28', null]],
  ],
  [
    'El cartel es precioso, pero faltan las fuentes. Añádalas antes del viernes por los cuatro últimos puntos.',
    [['hand-in', '2026-10-22', null]],
  ],
  ['Tiene una semana a partir de hoy para entregar todo lo que falta.', [['hand-in', '2026-10-28', null]]],
  ['El control 3 se puede repetir hasta el 2 de noviembre inclusive.', [['retake', '2026-11-02', null]]],
  ['El grupo quedó en reunirse el domingo.', []],
  ['Aún no está calificado; lo miraré este fin de semana.', []],
  ['Tiene derecho a rehacer un trabajo por trimestre, y podría ser este.', [['redo', null, null]]],
  ['Los lunes y los jueves hay clase de apoyo.', []],
  [
    'Entreguen el borrador junto con la versión final el viernes que viene.',
    [['hand-in', '2026-10-23', null]],
  ],
  ['Los puntos de la pregunta 7 se sumaron por error.', []],
  [
    'Solo puedo aceptarlo con una nota de casa, el viernes como muy tarde.',
    [['hand-in', '2026-10-23', null]],
  ],
];
