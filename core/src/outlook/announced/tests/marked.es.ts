import type { Marked } from './marked';

/** The readers were made with these. */
export const markedSpanish: readonly Marked[] = [
  [
    'Buscamos a cuatro adultos que ayuden en la botadura el 5 de noviembre, de 14:00 a 16:00. Respondan antes del 31 de octubre si pueden venir.',
    ['day 2026-11-05 14:00-16:00', 'deadline 2026-10-30', 'ask yes-no', 'helpers'],
  ],
  ['Los libros de la biblioteca se devuelven a más tardar el 30 de octubre.', ['deadline 2026-10-30']],
  [
    'El 4 de noviembre iremos a las pozas. Por favor, traigan botas y un par de calcetines de repuesto.',
    ['day 2026-11-04', 'bring 2026-11-04: botas y un par de calcetines de repuesto'],
  ],
  [
    'La sala de lámparas abre para las familias el 29 de octubre desde las 18:00. Por favor, avísennos a más tardar el 26 de octubre cuántos vendrán.',
    ['day 2026-10-29 18:00', 'deadline 2026-10-26', 'ask count'],
  ],
  ['El día de las fotos es el martes 27 de octubre.', ['day 2026-10-27']],
  ['No hay clases el viernes 30 de octubre.', ['day 2026-10-30']],
  ['Gracias a todos los que ayudaron el viernes pasado.', []],
  [
    'Mañana los estudiantes deben traer un lápiz y la tarjeta de la biblioteca.',
    ['day 2026-10-22', 'bring 2026-10-22: un lápiz y la tarjeta de la biblioteca'],
  ],
  [
    'La autorización para la excursión en ferry debe entregarse firmada antes del lunes 26 de octubre.',
    ['deadline 2026-10-25', 'ask form'],
  ],
  [
    'El concierto de otoño es el jueves 12 de noviembre a las 19:00 en el gimnasio.',
    ['day 2026-11-12 19:00'],
  ],
  [
    '¿Prefieren la visita de la mañana o la de la tarde? Respondan hasta el viernes.',
    ['deadline 2026-10-23', 'ask choice'],
  ],
  [
    'Por favor, envíen dos cajas de huevos vacías hasta el jueves.',
    ['bring 2026-10-22: dos cajas de huevos vacías', 'deadline 2026-10-22'],
  ],
  ['La venta de pasteles pasa del martes al jueves.', ['day 2026-10-29']],
  ['Nuestros botes quedaron muy bien en la regata. Las fotos están en la pared.', []],
  ['Las reuniones con los maestros serán del 16 al 18 de noviembre.', ['day 2026-11-16..2026-11-18']],
  ['La cafetería sirve sopa los lunes.', []],
  [
    '¿Puede su hijo participar en la prueba de natación del 28 de octubre? Responda sí o no antes del martes.',
    ['day 2026-10-28', 'deadline 2026-10-26', 'ask yes-no'],
  ],
  ['Las clases terminan a mediodía el miércoles 25 de noviembre.', ['day 2026-11-25 12:00']],
  [
    'Se necesitan voluntarios para pintar el cobertizo el sábado a las 9:00.',
    ['day 2026-10-24 09:00', 'helpers'],
  ],
  ['No olviden el impermeable el viernes.', ['day 2026-10-23', 'bring 2026-10-23: el impermeable']],
  ['El último día para pedir el anuario es el 6 de noviembre.', ['deadline 2026-11-06']],
  [
    '¿Cuántos asientos necesitan para la obra? Avísennos a más tardar el 28 de octubre.',
    ['deadline 2026-10-28', 'ask count'],
  ],
  ['Ya no necesitamos voluntarios para la botadura. Gracias.', []],
  ['Hay muchos objetos perdidos. Pasen por la oficina.', []],
  [
    'Para el día de juegos del 28 de octubre, cada niño necesita una botella de agua, una gorra y protector solar.',
    ['day 2026-10-28', 'bring 2026-10-28: una botella de agua, una gorra y protector solar'],
  ],
  ['La inscripción para los deportes de invierno cierra el 2 de noviembre.', ['deadline 2026-11-02']],
  ['¿Qué idioma quiere aprender su hijo el próximo año: francés, inglés o gaélico?', ['ask choice']],
  ['Los autobuses llegarán diez minutos tarde esta semana.', []],
  ['Devuelvan el formulario de salud firmado hasta el 2 de noviembre.', ['deadline 2026-11-02', 'ask form']],
  ['La feria del libro será el lunes y el martes.', ['day 2026-10-26..2026-10-27']],
];
