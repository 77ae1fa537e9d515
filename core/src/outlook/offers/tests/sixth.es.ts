import type { Marked } from './marked';

/** A sixth collection, Spanish: each comment was written before it was seen how the readers take it. */
export const sixthSpanish: readonly Marked[] = [
  ['El diario 4 no me llegó. ¿Me lo puede hacer llegar antes del jueves?', [['hand-in', '2026-10-21', null]]],
  [
    'Puede rehacer los dos últimos problemas por todos los puntos hasta el examen del 30 de octubre.',
    [['redo', '2026-10-30', 1]],
  ],
  [
    'Le he puesto incompleto. Tiene hasta el 6 de noviembre para completar el trabajo.',
    [['hand-in', '2026-11-06', null]],
  ],
  ['Esta nota se sustituye si mejora en la repesca del lunes.', [['retake', '2026-10-26', null]]],
  ['Si recibo la autorización antes del viernes, puede venir a la excursión.', []],
  ['La nota es definitiva.', []],
  [
    'Entregue la bibliografía comentada a más tardar el domingo a medianoche.',
    [['hand-in', '2026-10-25', null]],
  ],
  ['Los trabajos tardíos pierden un 10 % por día.', []],
  [
    'La nota máxima por entrega tardía es 75. El portal cierra el viernes a las cinco.',
    [['hand-in', '2026-10-23', 0.75]],
  ],
  [
    'Que termine el ejercicio en casa y lo suba antes de mañana por la tarde.',
    [['hand-in', '2026-10-22', null]],
  ],
  ['Buen comienzo, pero la segunda parte va con prisas.', []],
  ['Tiene permiso para entregar el ensayo el lunes sin penalización.', [['hand-in', '2026-10-26', 1]]],
  [
    '¡Esto se arregla! Rehaga las preguntas 2 y 5 y déjelas en mi casillero antes del miércoles de la semana que viene.',
    [['redo', '2026-10-27', null]],
  ],
  [
    'Hay una repesca por unidad. La suya está disponible hasta el 4 de noviembre.',
    [['retake', '2026-11-04', null]],
  ],
  ['Corregiremos el examen juntos en clase el viernes.', []],
  [
    'Todo lo de la salida tiene que estar en mis manos el viernes al final del día.',
    [['hand-in', '2026-10-23', null]],
  ],
  ['Se entregó cuando ya había cerrado las notas.', []],
  ['Recuperación de la exposición oral: 27 y 28 de octubre.', [['retake', '2026-10-28', null]]],
  ['No pude leer el archivo, vuelva a enviarlo por favor.', [['hand-in', null, null]]],
  [
    'Dos entradas están en blanco. Si las completa antes de la clase de mañana, las cuento.',
    [['hand-in', '2026-10-22', null]],
  ],
  [
    'Subió otro archivo. Suba el correcto antes del lunes; si no, se queda en cero.',
    [['hand-in', '2026-10-25', null]],
  ],
  [
    'No siguió el formato y le quité 5 puntos. Arréglelo antes del viernes y recupera 3.',
    [['correct', '2026-10-22', null]],
  ],
  ['Un texto muy pensado. Lo leí en voz alta en clase.', []],
  [
    'Las correcciones son voluntarias y suman hasta 10 puntos. Se entregan el 28 de octubre.',
    [['correct', '2026-10-28', null]],
  ],
  ['Por favor, llegue a tiempo el lunes.', []],
  ['El jueves tiene que quedarse después de clase.', []],
  ['Amplié el plazo dos días, así que aún puede entregarlo el viernes.', [['hand-in', '2026-10-23', 1]]],
  ['El cuestionario estará abierto otra vez de lunes a miércoles.', [['retake', '2026-10-28', null]]],
  ['La exposición en grupo no se puede recuperar.', []],
  ['Después de las vacaciones haremos otro proyecto.', []],
  ['Termínelo el fin de semana y todavía puede sacar 8 de 10.', [['hand-in', '2026-10-25', 0.8]]],
  ['Puede revisar el ensayo cuantas veces quiera antes de que acabe el trimestre.', [['redo', null, null]]],
  [
    'Quien no llegó a la fecha puede usar los días de gracia, que terminan el jueves.',
    [['hand-in', '2026-10-22', null]],
  ],
  ['La próxima ocasión para hacer el examen es el martes a las 8.', [['retake', '2026-10-27', null]]],
  ['No quiere rehacerlo.', []],
  ['El examen será de los temas 3 y 4.', []],
  [
    'Por la página que falta: 60 % esta semana, 40 % la próxima.',
    [
      ['hand-in', '2026-10-23', 0.6],
      ['hand-in', '2026-10-30', 0.4],
    ],
  ],
  ['Tráigalo a mi aula cualquier mañana antes de las 8 y asunto arreglado.', [['hand-in', null, null]]],
  ['Reescriba el resumen con sus propias palabras. De vuelta el jueves.', [['redo', '2026-10-22', null]]],
  ['Todavía los acepto, por parte de la nota.', [['hand-in', null, null]]],
];
