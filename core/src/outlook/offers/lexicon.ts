import type { Language } from '@cadro/contract';

/** Any of some words, the longest first: 'hand in' is not read as 'hand'. */
export const anyOf = (words: readonly string[]): string =>
  `(?:${[...words].sort((a, b) => b.length - a.length).join('|')})`;

/** A letter without its accent, and the text as long as it was: many write 'envielo' and 'manana' in haste. */
export const unaccented = (text: string): string =>
  text.replace(/[áéíóúü]/gi, (letter) => letter.normalize('NFD').charAt(0));

const english = `
  work assignment task paper page log journal diary notebook portfolio essay report story poem letter paragraph
  conclusion introduction ending outline summary reflection draft version copy poster board slide presentation project
  model map chart graph table diagram drawing sketch picture photo video recording file link document worksheet sheet
  packet workbook problem question exercise answer item part section lab write-up experiment note entry timeline
  bibliography homework classwork rest remainder review glossary list proof calculation label caption step column source reference citation data fact footnote title folder binder booklet package
`
  .trim()
  .split(/\s+/);
const spanish = `
  trabajo tarea hoja pagina cuaderno diario portafolio carpeta ensayo redaccion informe cuento poema carta parrafo
  conclusion introduccion esquema resumen reflexion borrador version copia cartel poster diapositiva presentacion
  proyecto maqueta modelo mapa grafico grafica tabla diagrama dibujo foto imagen video grabacion archivo enlace documento
  ficha cuadernillo problema pregunta ejercicio respuesta parte seccion practica laboratorio apunte entrada registro
  bibliografia resto glosario lista calculo memoria lamina fuente cita referencia dato comentario actividad deber redaccion apartado
`
  .trim()
  .split(/\s+/);

/** What work is called, in one or many; Spanish without accents. */
export const workNoun: Readonly<Record<Language, string>> = {
  en: `${anyOf(english.map((noun) => noun.replace(/y$/, '(?:y|ie)')))}(?:e?s)?`,
  es: `${anyOf(spanish)}(?:e?s)?`,
};

/** Words that begin something else than the name of a work. */
const stop =
  'if|when|once|again|and|or|but|by|on|in|at|to|for|with|until|till|before|after|is|are|was|were|the|an?|this|that|which|who|not|no|he|she|you|they|i|we|it|week|today|tomorrow|(?:mon|tues|wednes|thurs|fri|satur|sun)day';

/** What is handed in: a word for what was named before, or a work with what stands before it. */
export const object: Readonly<Record<Language, string>> = {
  en: String.raw`(?:(?:it|this|that|them|these|those|everything|what(?:ever)? (?:is|was) (?:missing|left|not done))(?![\w-]| (?:is|was|will|time|way|week|month|morning|afternoon|evening|weekend|term|year|quarter|(?:mon|tues|wednes|thurs|fri|satur|sun)day)\b)|(?:(?:the|this|that|her|his|their|your|any|all|each|both|every|an?|some|those|these) )?(?:(?!(?:${stop}) )[\w'’-]+ ){0,3}?${workNoun.en}\b)`,
  es: String.raw`(?:(?:esto|eso)(?!\p{L})|todo(?: lo que (?:falta|queda))?|lo (?:que (?:falta|queda)|demas|atrasado)|(?:el|la) (?:correct[oa]|buen[oa]|otr[oa]|que (?:falta|toca))(?!\p{L})|(?:el|la|los|las|su|sus|una?|este|esta|estos|estas|ese|esa) (?:(?!(?:el|la|los|las|que|semana|mes|dia|noche|tarde|lunes|martes|miercoles|jueves|viernes|sabado|domingo) )[\p{L}\d]+ ){0,2}?${workNoun.es}(?!\p{L}))`,
};

/** What comes in or is there: as `object`, at the head of its clause. */
export const subject: Readonly<Record<Language, string>> = {
  en: String.raw`(?:(?:it|this|that|they|these|those|everything|all of it)|${object.en})`,
  es: object.es,
};

/** The ways a Spanish verb is asked for or allowed: `entregar`, `entregue`, `entrega`, each with what is tied to it. */
export const asked = (verbs: readonly (readonly [string, string, string])[]): string => {
  const infinitives = anyOf(verbs.map(([infinitive]) => infinitive));
  const wishes = anyOf(verbs.map(([, wish]) => `${wish}[ns]?`));
  const does = anyOf(verbs.map(([, , third]) => `${third}[ns]?`));
  const tied = '(?:(?:me|se|nos)?l[oa]s?)';
  return String.raw`(?:(?<=l[oa]s? (?:pued|podr|deb|tien)\p{L}* (?:que )?)${infinitives}(?!\p{L})|${infinitives}${tied}|${wishes}${tied}|(?:(?:me|se) )?l[oa]s? (?:${wishes}|${does})(?!\p{L})|(?:${infinitives}|${wishes}|${does})(?:me)?(?: de nuevo| otra vez| esta noche| hoy| mañana| este \p{L}+)? ${object.es})`;
};
