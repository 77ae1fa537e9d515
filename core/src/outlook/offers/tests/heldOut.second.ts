import type { Marked } from './marked';

/**
 * Comments held out after the readers had read six collections: they are measured by them and not made from them.
 * Whoever changes a reader does so by the other collections, and never by what is misread here.
 */
export const heldOutLater: Readonly<Record<'en' | 'es', readonly Marked[]>> = {
  en: [
    [
      'I need the signed contract and the project by Friday; the project can still get full points.',
      [['hand-in', '2026-10-23', 1]],
    ],
    ['Please resubmit this with your name on it by tomorrow.', [['redo', '2026-10-22', null]]],
    ['Excellent reasoning in part 3.', []],
    ['He can retake the quiz during lunch on Monday or Tuesday.', [['retake', '2026-10-27', null]]],
    ['The missing lab will be accepted until 30 October for 80 %.', [['hand-in', '2026-10-30', 0.8]]],
    ['Not handed in. Last chance is this Friday.', [['hand-in', '2026-10-23', null]]],
    ['We have a quiz on this on Thursday, so please study.', []],
    [
      'If she redoes the calculations by 2 November, I will raise the grade to a B.',
      [['redo', '2026-11-02', 0.8]],
    ],
    ['Late by a day: minus 5.', []],
    ['You may correct the spelling and bring it back on Monday.', [['correct', '2026-10-26', null]]],
    ['I did not get the last page. It can be sent to me until Sunday.', [['hand-in', '2026-10-25', null]]],
    ['No retakes on unit tests.', []],
    ['He has two more weeks to finish the model.', [['hand-in', '2026-11-04', null]]],
    ['The poster can be improved for a better grade until the end of the unit.', [['redo', null, null]]],
    ['She did everything I asked for.', []],
    [
      'Half of the points are available until Monday, then it stays a zero.',
      [['hand-in', '2026-10-26', 0.5]],
    ],
    ['The deadline for this project was moved to 6 November.', [['hand-in', '2026-11-06', 1]]],
    ['Homework is due every Tuesday.', []],
    [
      'I will be at school early on Friday for anybody who needs to make up the test.',
      [['retake', '2026-10-23', null]],
    ],
    ['Please check the answers with him.', []],
    [
      'As she was ill, I will take the essay on Wednesday without any deduction.',
      [['hand-in', '2026-10-28', 1]],
    ],
    ['You can still turn in questions 6 to 9.', [['hand-in', null, null]]],
    ['The second draft is due on Friday, and it replaces this grade.', [['redo', '2026-10-23', null]]],
    ['This cannot be made up.', []],
    ['Corrections by Tuesday, please, for up to 4 of the 8 points.', [['correct', '2026-10-27', 0.5]]],
    ['He was late to class three times.', []],
    [
      'Get the journal to me before the holidays start on 2 November and it counts in full.',
      [['hand-in', '2026-11-01', 1]],
    ],
    ['A new version may be sent by e-mail up to Thursday evening.', [['redo', '2026-10-22', null]]],
    ['Remember to bring a ruler tomorrow.', []],
    ['This is a first draft, so do not worry about the grade yet.', []],
  ],
  es: [
    [
      'Necesito el contrato firmado y el proyecto para el viernes; el proyecto aún puede sacar todos los puntos.',
      [['hand-in', '2026-10-23', 1]],
    ],
    [
      'Vuelva a entregarlo con su nombre antes de mañana por la noche, por favor.',
      [['redo', '2026-10-22', null]],
    ],
    ['Excelente razonamiento en la parte 3.', []],
    ['Puede repetir el control el lunes o el martes en el recreo.', [['retake', '2026-10-27', null]]],
    ['La práctica que falta se acepta hasta el 30 de octubre por el 80 %.', [['hand-in', '2026-10-30', 0.8]]],
    ['Sin entregar. La última oportunidad es este viernes.', [['hand-in', '2026-10-23', null]]],
    ['El jueves hay control de esto, así que estudien.', []],
    [
      'Si rehace los cálculos antes del 2 de noviembre, le subo la nota a una B.',
      [['redo', '2026-11-01', 0.8]],
    ],
    ['Un día tarde: menos 5.', []],
    ['Puede corregir la ortografía y traerlo otra vez el lunes.', [['correct', '2026-10-26', null]]],
    ['No me llegó la última página. Me la puede mandar hasta el domingo.', [['hand-in', '2026-10-25', null]]],
    ['En los exámenes de unidad no hay repesca.', []],
    ['Tiene dos semanas más para terminar la maqueta.', [['hand-in', '2026-11-04', null]]],
    ['El cartel se puede mejorar para subir nota hasta el final de la unidad.', [['redo', null, null]]],
    ['Hizo todo lo que le pedí.', []],
    [
      'Hasta el lunes puede sacar la mitad de los puntos; después se queda en cero.',
      [['hand-in', '2026-10-26', 0.5]],
    ],
    ['La fecha de este proyecto se ha aplazado al 6 de noviembre.', [['hand-in', '2026-11-06', 1]]],
    ['Los deberes se entregan todos los martes.', []],
    [
      'El viernes estaré temprano en clase para quien tenga que recuperar el examen.',
      [['retake', '2026-10-23', null]],
    ],
    ['Por favor, repase las respuestas con él.', []],
    ['Como estuvo enferma, le recojo el ensayo el miércoles sin descuento.', [['hand-in', '2026-10-28', 1]]],
    ['Todavía puede entregar las preguntas 6 a 9.', [['hand-in', null, null]]],
    ['El segundo borrador es para el viernes y sustituye esta nota.', [['redo', '2026-10-23', null]]],
    ['Esto no se puede recuperar.', []],
    [
      'Correcciones para el martes, por favor, por un máximo de 4 de los 8 puntos.',
      [['correct', '2026-10-27', 0.5]],
    ],
    ['Llegó tarde a clase tres veces.', []],
    [
      'Hágame llegar el diario antes de las vacaciones, que empiezan el 2 de noviembre, y cuenta entero.',
      [['hand-in', '2026-11-01', 1]],
    ],
    [
      'Se puede enviar una versión nueva por correo hasta el jueves por la tarde.',
      [['redo', '2026-10-22', null]],
    ],
    ['Recuerde traer una regla mañana.', []],
    ['Es un primer borrador; no se preocupe todavía por la nota.', []],
  ],
};
