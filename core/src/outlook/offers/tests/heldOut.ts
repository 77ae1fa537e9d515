import type { Marked } from './marked';

/**
 * Comments the readers were never shown: they are measured by them and not made from them. Whoever changes a reader
 * does so by the other collections, and never by what is misread here.
 */
export const heldOut: Readonly<Record<'en' | 'es', readonly Marked[]>> = {
  en: [
    ['I will keep the box for late logs out until Thursday.', [['hand-in', '2026-10-22', null]]],
    [
      'Nothing has arrived yet. It counts in full as long as I have it by Monday.',
      [['hand-in', '2026-10-26', 1]],
    ],
    [
      'You can win back up to half of the lost points by correcting your errors before 2 November.',
      [['correct', '2026-11-01', 0.5]],
    ],
    ['The essay may be rewritten once; the better of the two marks counts.', [['redo', null, null]]],
    ['Please bring your atlas tomorrow.', []],
    [
      'Test retakes are held every Tuesday at 8, the last one on 3 November.',
      [['retake', '2026-11-03', null]],
    ],
    ['A careful drawing, and the labels are easy to read.', []],
    ['I extended the deadline for this to 28 October.', [['hand-in', '2026-10-28', 1]]],
    ['It is not possible to hand this in any more.', []],
    ['Pet can finish the story at home and bring it on Friday.', [['hand-in', '2026-10-23', null]]],
    ['The quiz can be taken again next week, for at most 80 %.', [['retake', '2026-10-30', 0.8]]],
    ['He lost marks because the axes have no units.', []],
    ['I accept it until the end of the quarter for half of the points.', [['hand-in', null, 0.5]]],
    ['If he redoes questions 1 to 3 by Monday, I will regrade the sheet.', [['redo', '2026-10-26', null]]],
    ['We will go over the answers on Thursday.', []],
    [
      'The project is still missing, but it may come in by Friday with ten percent off.',
      [['hand-in', '2026-10-23', 0.9]],
    ],
    ['Her extension runs out on the 26th.', [['hand-in', '2026-10-26', 1]]],
    ['There will be no retake for this exam.', []],
    [
      'Please correct the circled words and return the sheet to me by Thursday.',
      [['correct', '2026-10-22', null]],
    ],
    [
      'A retake is open to anyone until Friday; it replaces the first score completely.',
      [['retake', '2026-10-23', null]],
    ],
    ['Thank you for coming in on Monday.', []],
    [
      'I would rather have it late than never: hand it to me by Wednesday.',
      [['hand-in', '2026-10-21', null]],
    ],
    ['The old draft scored 12. A new draft by 30 October can earn full credit.', [['redo', '2026-10-30', 1]]],
    ['Make sure the calculator is charged for the test on Tuesday.', []],
    ['Until Sunday it still counts; from Monday on it is a zero.', [['hand-in', '2026-10-25', null]]],
    ['Isolde was away. She has five school days to make this up.', [['hand-in', '2026-10-28', null]]],
    ['The submission page closed yesterday.', []],
    ['Improve the introduction and resubmit by next Friday for up to 90 %.', [['redo', '2026-10-30', 0.9]]],
    ['I cannot give points for work that comes after Friday.', [['hand-in', '2026-10-23', null]]],
    ['The second attempt was better than the first.', []],
    ['Let me have the worksheet tomorrow at the latest, please.', [['hand-in', '2026-10-22', null]]],
    ['You are welcome to do the experiment again on Thursday afternoon.', [['redo', '2026-10-22', null]]],
    ['Caspian should practise his times tables.', []],
  ],
  es: [
    ['Dejo la carpeta de atrasados abierta hasta el jueves.', [['hand-in', '2026-10-22', null]]],
    [
      'No ha llegado nada todavía. Cuenta entero siempre que lo tenga el lunes.',
      [['hand-in', '2026-10-26', 1]],
    ],
    [
      'Puede recuperar hasta la mitad de los puntos corrigiendo sus errores antes del 2 de noviembre.',
      [['correct', '2026-11-01', 0.5]],
    ],
    ['La redacción se puede reescribir una vez; cuenta la mejor de las dos notas.', [['redo', null, null]]],
    ['Por favor, traiga el atlas mañana.', []],
    [
      'Las recuperaciones son los martes a las ocho, la última el 3 de noviembre.',
      [['retake', '2026-11-03', null]],
    ],
    ['Un dibujo cuidado, con rótulos fáciles de leer.', []],
    ['He ampliado el plazo de este trabajo al 28 de octubre.', [['hand-in', '2026-10-28', 1]]],
    ['Ya no es posible entregarlo.', []],
    ['Pet puede terminar el cuento en casa y traerlo el viernes.', [['hand-in', '2026-10-23', null]]],
    [
      'El control se puede repetir la próxima semana, con un máximo del 80 %.',
      [['retake', '2026-10-30', 0.8]],
    ],
    ['Perdió puntos porque los ejes no llevan unidades.', []],
    ['Lo acepto hasta el final del trimestre por la mitad de los puntos.', [['hand-in', null, 0.5]]],
    [
      'Si rehace las preguntas 1 a 3 antes del martes, vuelvo a calificar la hoja.',
      [['redo', '2026-10-26', null]],
    ],
    ['El jueves repasaremos las respuestas.', []],
    [
      'El proyecto sigue sin llegar, pero puede entregarlo hasta el viernes con un diez por ciento menos.',
      [['hand-in', '2026-10-23', 0.9]],
    ],
    ['Su prórroga termina el 26.', [['hand-in', '2026-10-26', 1]]],
    ['No habrá recuperación de este examen.', []],
    [
      'Corrija las palabras marcadas y devuélvame la hoja a más tardar el jueves.',
      [['correct', '2026-10-22', null]],
    ],
    [
      'La repesca está abierta a todos hasta el viernes y sustituye la primera nota.',
      [['retake', '2026-10-23', null]],
    ],
    ['Gracias por venir el lunes.', []],
    ['Prefiero recibirlo tarde que nunca: démelo antes del jueves.', [['hand-in', '2026-10-21', null]]],
    [
      'El primer borrador sacó 12. Un borrador nuevo para el 30 de octubre puede sacar la nota completa.',
      [['redo', '2026-10-30', 1]],
    ],
    ['Asegúrese de llevar la calculadora cargada al examen del martes.', []],
    ['Hasta el domingo todavía cuenta; desde el lunes es un cero.', [['hand-in', '2026-10-25', null]]],
    [
      'Isolde faltó. Tiene cinco días lectivos para ponerse al día con esto.',
      [['hand-in', '2026-10-28', null]],
    ],
    ['La página de entrega se cerró ayer.', []],
    [
      'Mejore la introducción y vuelva a entregarla antes del sábado por un máximo del 90 %.',
      [['redo', '2026-10-23', 0.9]],
    ],
    ['No puedo dar puntos por lo que llegue después del viernes.', [['hand-in', '2026-10-23', null]]],
    ['El segundo intento salió mejor que el primero.', []],
    ['Deme la ficha mañana como muy tarde, por favor.', [['hand-in', '2026-10-22', null]]],
    ['Está invitada a repetir el experimento el jueves por la tarde.', [['redo', '2026-10-22', null]]],
    ['Caspian debería practicar las tablas.', []],
  ],
};
