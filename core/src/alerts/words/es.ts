import { counted } from './formats';
import type { AlertWords } from './words';

/** What is said of alerts in Spanish, beside what each rule says. */
export const es: AlertWords = {
  language: 'es',
  kinds: {
    figure: 'Calificaciones',
    work: 'Trabajos pendientes',
    coming: 'Tareas que vienen',
    comment: 'Comentarios',
    attendance: 'Asistencia',
    term: 'Calificaciones del periodo',
    school: 'De las escuelas',
    good: 'Buenas noticias',
    upkeep: 'Fuentes y visitas',
  },
  of: 'de',
  points: (number, one) => `${number} ${one ? 'punto' : 'puntos'}`,
  days: (n) => counted(n, 'día', 'días'),
  manyWorks: (n, courseTitle) => `${n} trabajos pendientes en ${courseTitle}`,
  manyFinals: (grades, term) =>
    `${term ? `${term}, calificaciones finales` : 'Calificaciones finales'}: ${grades}`,
  manyFinalsAt: (courses, term) =>
    `${term ? `${term}: ya` : 'Ya'} están las calificaciones finales de ${courses}`,
  source: (name, at) => `${name}, ${at}`,
};
