import type { Marked } from './marked';

/** A fifth collection, Spanish: each comment was written before it was seen how the readers take it. */
export const fifthSpanish: readonly Marked[] = [
  ['Sigo esperando la bibliografía. La acepto hasta el lunes al 50 %.', [['hand-in', '2026-10-26', 0.5]]],
  ['Por favor, entréguelo lo antes posible.', [['hand-in', null, null]]],
  [
    'Isolde puede volver a entregarlo corregido hasta finales de la próxima semana.',
    [['correct', '2026-10-30', null]],
  ],
  ['No le dio tiempo. Le dejo terminar mañana en la hora de estudio.', [['hand-in', '2026-10-22', null]]],
  [
    'Nueva evaluación para quien quiera: lunes 26 de octubre, después de clase, aula 12.',
    [['retake', '2026-10-26', null]],
  ],
  [
    'Lo he calificado como borrador. La versión definitiva se entrega el 2 de noviembre.',
    [['redo', '2026-11-02', null]],
  ],
  ['Buenas ideas, letra descuidada.', []],
  ['¡Queda un día para entregar el diario de lectura!', [['hand-in', '2026-10-22', null]]],
  [
    'Las tareas que faltan se pueden entregar por un máximo del 70 % hasta el 6 de noviembre.',
    [['hand-in', '2026-11-06', 0.7]],
  ],
  ['Podrá repetir la prueba cuando haya completado la ficha de práctica.', [['retake', null, null]]],
  ['Revisiones solo con cita, antes del 30.', [['redo', '2026-10-29', null]]],
  [
    'Mire la rúbrica. Reescriba los párrafos dos y tres y tráigamelos el lunes.',
    [['redo', '2026-10-26', null]],
  ],
  ['El plazo para trabajos atrasados se cerró el viernes pasado.', []],
  ['Ya no puedo dar puntos por esto.', []],
  ['Quedó dispensado por el campeonato.', []],
  [
    'Entregue la mitad que falta mañana y cuenta todo; el viernes, la mitad.',
    [
      ['hand-in', '2026-10-22', 1],
      ['hand-in', '2026-10-23', 0.5],
    ],
  ],
  ['Como no hubo internet, todos tienen hasta el domingo por la noche.', [['hand-in', '2026-10-25', null]]],
  ['¡Inténtelo otra vez! Los intentos son ilimitados hasta el viernes.', [['redo', '2026-10-23', null]]],
  [
    'Aceptaría una grabación en lugar de la actuación si llega antes del 28 de octubre.',
    [['hand-in', '2026-10-27', null]],
  ],
  ['Mejor que la última vez.', []],
  ['No es tarde. Entréguelo esta semana y solo le quito un 5 %.', [['hand-in', '2026-10-23', 0.95]]],
  [
    'Puede corregir los fallos en otro color y devolver el examen el lunes por la mitad de los puntos.',
    [['correct', '2026-10-26', 0.5]],
  ],
  [
    'Caspian tiene que hacer el dictado que perdió; puede venir el jueves o el viernes por la mañana.',
    [['retake', '2026-10-23', null]],
  ],
  ['La próxima unidad empieza el lunes.', []],
  ['En esta clase no se aceptan trabajos tarde.', []],
  ['No se preocupe por este, no cuenta.', []],
  [
    'Así no lo puedo calificar. Rehaga la gráfica y envíela antes del martes por la noche.',
    [['redo', '2026-10-27', null]],
  ],
  [
    'Le ofrezco un examen oral en lugar del ensayo, cualquier día hasta el 3 de noviembre.',
    [['retake', '2026-11-03', null]],
  ],
  ['El informe corregido vale hasta el 90 % si se entrega antes del 29.', [['correct', '2026-10-28', 0.9]]],
  ['El plazo se amplió hasta el jueves para toda la clase.', [['hand-in', '2026-10-22', 1]]],
  ['Esta noche vuelvo a abrir la entrega durante 24 horas.', [['hand-in', '2026-10-22', null]]],
  ['Decidió no repetir el examen.', []],
  ['Devuelvan los libros de la biblioteca antes del viernes.', []],
  ['No hay penalización si el proyecto está el lunes por la mañana.', [['hand-in', '2026-10-26', 1]]],
  ['Sobre 20 puntos. Bien organizado.', []],
  ['Avíseme antes del jueves si quiere repetirlo.', [['redo', '2026-10-21', null]]],
  [
    'Perdió 4 puntos por los rótulos. Complete el diagrama y enséñemelo antes del viernes para recuperarlos.',
    [['hand-in', '2026-10-22', null]],
  ],
  ['La mitad de los puntos hasta el viernes; después, nada.', [['hand-in', '2026-10-23', 0.5]]],
  [
    'Lo que llegue después del 3 de noviembre no contará en este trimestre.',
    [['hand-in', '2026-11-03', null]],
  ],
  ['La práctica de recuperación es el miércoles 28 de octubre.', [['hand-in', '2026-10-28', null]]],
];
