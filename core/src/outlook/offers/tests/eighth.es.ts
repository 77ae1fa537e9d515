import type { Marked } from './marked';

/** An eighth collection, Spanish: each comment was written before it was seen how the readers take it. */
export const eighthSpanish: readonly Marked[] = [
  [
    'De momento, cero. Se puede entregar hasta el martes, como máximo por el 75 %.',
    [['hand-in', '2026-10-27', 0.75]],
  ],
  [
    'Faltan los dos últimos ejercicios. Puede hacerlos en casa y traerlos el jueves.',
    [['hand-in', '2026-10-22', null]],
  ],
  [
    'Estaré en mi aula hasta las cuatro todos los días de esta semana si quiere repetir el examen.',
    [['retake', '2026-10-23', null]],
  ],
  ['Reescribió el final y ahora tiene una A.', []],
  ['Los ensayos revisados se dejan en la bandeja antes del viernes.', [['redo', '2026-10-22', null]]],
  ['Para ser justos, nadie tiene más tiempo en este.', []],
  ['No hace falta repetirlo.', []],
  [
    'Si lo entrega tarde, todavía recibe la mitad de los puntos, siempre que lo vea antes del 31 de octubre.',
    [['hand-in', '2026-10-30', 0.5]],
  ],
  ['Solo entregó la página 1. La página 2 es para mañana.', [['hand-in', '2026-10-22', null]]],
  ['El examen de recuperación tendrá lugar el 3 de noviembre a las 15:00.', [['retake', '2026-11-03', null]]],
  ['Devuélvalo firmado, por favor.', []],
  ['Vamos con retraso, así que la nueva fecha es el 29 de octubre.', [['hand-in', '2026-10-29', 1]]],
  [
    'Cada error que explique por escrito recupera medio punto. Plazo: el lunes.',
    [['correct', '2026-10-26', null]],
  ],
  ['Hice una excepción y le di hasta el 26.', [['hand-in', '2026-10-26', null]]],
  ['El próximo ensayo será para el 13 de noviembre.', []],
  [
    'Faltan tres de las cinco fuentes. Con las cinco sería una A. Puede añadirlas hasta el viernes.',
    [['hand-in', '2026-10-23', null]],
  ],
  [
    'Aún no ha recuperado el control del martes. Que venga a verme esta semana.',
    [['retake', '2026-10-23', null]],
  ],
  ['Lea con más atención.', []],
  ['Se puede volver a entregar una vez. Lo necesito antes del jueves.', [['redo', '2026-10-21', null]]],
  ['La sala de ordenadores está abierta hasta las cinco.', []],
  ['Haga esta noche los ejercicios que faltan y no pierde nada.', [['hand-in', '2026-10-21', 1]]],
  [
    'El proyecto para subir nota se puede entregar hasta el 4 de noviembre.',
    [['hand-in', '2026-11-04', null]],
  ],
  ['Prefiero recibirlo tarde que nunca: hasta el lunes, nota completa.', [['hand-in', '2026-10-26', 1]]],
  ['No quiso presentarse a la repesca.', []],
  [
    'Correcciones del control por la mitad de los puntos, antes del próximo control del viernes.',
    [['correct', '2026-10-22', 0.5]],
  ],
  ['El ensayo del coro es el jueves hasta las seis.', []],
  ['No he recibido el informe, y el portal cierra esta noche.', [['hand-in', '2026-10-21', null]]],
  [
    'Si vuelve a entregar el primer párrafo antes del lunes, todavía puede llegar a una B.',
    [['redo', '2026-10-25', 0.8]],
  ],
  ['Prórroga concedida hasta el domingo.', [['hand-in', '2026-10-25', 1]]],
  ['Las soluciones están en línea hasta el viernes.', []],
];
