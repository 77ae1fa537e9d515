import type { Marked } from './marked';

/**
 * Announcements the readers were never shown: they are measured by them and not made from them. Whoever changes a reader
 * does so by the other collections, and never by what is misread here.
 */
export const heldOut: Readonly<Record<'en' | 'es', readonly Marked[]>> = {
  en: [
    ['The science night will be held on Wednesday, November 4, at 6:30 p.m.', ['day 2026-11-04 18:30']],
    [
      'Please bring a shoebox on Monday for the tide models.',
      ['bring 2026-10-26: a shoebox', 'day 2026-10-26'],
    ],
    ['Forms for the health office are due Friday.', ['deadline 2026-10-23', 'ask form']],
    ['Congratulations to the debate team, who won on Saturday.', []],
    ['We need two drivers for the trip to the lighthouse on October 30.', ['day 2026-10-30', 'helpers']],
    ['RSVP by Tuesday with the number of people in your family.', ['deadline 2026-10-27', 'ask count']],
    ['The deadline to sign up for chess club is October 29.', ['deadline 2026-10-29']],
    ['Classes start an hour later on Thursday, at 9:15 a.m.', ['day 2026-10-22 09:15']],
    [
      'Your child will need old clothes for painting on Tuesday.',
      ['bring 2026-10-27: old clothes', 'day 2026-10-27'],
    ],
    ['The library is closed this week for repairs.', []],
    [
      'Will your family join the beach cleanup on Sunday? Please answer by Friday.',
      ['day 2026-10-25', 'deadline 2026-10-23', 'ask yes-no'],
    ],
    ['The seed swap runs November 9 through November 13.', ['day 2026-11-09..2026-11-13']],
    ['Please return the signed form to the office before October 28.', ['deadline 2026-10-27', 'ask form']],
    ['A reminder that phones stay in lockers during class.', []],
    [
      'Would you rather meet in person or by phone? Let me know by Monday.',
      ['deadline 2026-10-26', 'ask choice'],
    ],
  ],
  es: [
    ['La noche de ciencias será el miércoles 4 de noviembre a las 18:30.', ['day 2026-11-04 18:30']],
    [
      'Por favor, traigan una caja de zapatos el lunes para las maquetas.',
      ['bring 2026-10-26: una caja de zapatos', 'day 2026-10-26'],
    ],
    [
      'Los formularios de la enfermería se entregan el viernes a más tardar.',
      ['deadline 2026-10-23', 'ask form'],
    ],
    ['Felicidades al equipo de debate, que ganó el sábado.', []],
    ['Necesitamos dos conductores para la visita al faro el 30 de octubre.', ['day 2026-10-30', 'helpers']],
    ['Confirmen hasta el martes cuántas personas asistirán.', ['deadline 2026-10-27', 'ask count']],
    ['La fecha límite para inscribirse en el club de ajedrez es el 29 de octubre.', ['deadline 2026-10-29']],
    ['El jueves las clases empiezan una hora más tarde, a las 9:15.', ['day 2026-10-22 09:15']],
    [
      'El martes su hija necesitará ropa vieja para pintar.',
      ['day 2026-10-27', 'bring 2026-10-27: ropa vieja'],
    ],
    ['La biblioteca está cerrada esta semana.', []],
    [
      '¿Vendrá su familia a limpiar la playa el domingo? Respondan antes del sábado.',
      ['day 2026-10-25', 'deadline 2026-10-23', 'ask yes-no'],
    ],
    ['El intercambio de semillas será del 9 al 13 de noviembre.', ['day 2026-11-09..2026-11-13']],
    ['Devuelvan la hoja firmada a la oficina antes del 28 de octubre.', ['deadline 2026-10-27', 'ask form']],
    ['Recuerden que los teléfonos se quedan en el casillero durante las clases.', []],
    [
      '¿Prefiere la reunión en persona o por teléfono? Avíseme hasta el lunes.',
      ['deadline 2026-10-26', 'ask choice'],
    ],
  ],
};
