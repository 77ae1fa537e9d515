import type { Language } from '@cadro/contract';
import type { Sentence } from '../sentence';
import { bare, type PartReader } from './reader';

const whoEn = String.raw`(?:child(?:ren)?|students?|everyone|pupils?|kids?|teams?|players?|boys|girls|they|he|she)`;
const whoEs = String.raw`(?:niñ[oa]s?|hij[oa]s?|estudiantes?|alumn[oa]s?|todos|jugador[ea]s?)`;
const cue: Readonly<Record<Language, RegExp>> = {
  en: new RegExp(
    String.raw`\b(?:bring(?: along| in)?|send(?: in| along)?|pack|wear|(?:don['’]t|do not) forget(?: to (?:bring|pack|send))?|${whoEn}\b[^.,]{0,16}\b(?:needs?|will need|must have|should have)) `,
    'gi',
  ),
  es: new RegExp(
    String.raw`(?<!\p{L})(?:tra(?:er|igan?)|llev(?:ar|en?)|env(?:iar|íen?)|no olviden?(?: traer| llevar)?|${whoEs}(?!\p{L})[^.,]{0,16}(?:necesitan?|necesitará[n]?)) `,
    'giu',
  ),
};
/** Where the things end: at when, what for, or whom. */
const stop: Readonly<Record<Language, RegExp>> = {
  en: /\s(?:on|by|for|to|at|tomorrow|today|tonight|before|after|if|when|so|because|each|every|next|this|in case|no later|until|(?:mon|tues|wednes|thurs|fri|satur|sun)day)\b|[.;:!?]|$/i,
  es: /\s(?:el|la|los|las)(?= (?:lunes|martes|miércoles|jueves|viernes|sábado|domingo|próximo|\d))|\s(?:para|mañana|hoy|antes|después|si|cuando|porque|cada|hasta|a más tardar)(?!\p{L})|[.;:!?]|$/iu,
};
/** What is no thing to bring: people, messages, money, and papers that go back to school. */
const noThing: Readonly<Record<Language, RegExp>> = {
  en: /^(?:us|me|your (?:child|son|daughter|family|answer|reply|name)|an? (?:e-?mail|message|note|reply|friend)|it|them|questions?|names?)\b|\b(?:form|slip|waiver|payment|money)\b|^(?:to|more|help|volunteers?|drivers?|(?:[a-z]+ )?adults?)\b/i,
  es: /^(?:a su|su (?:hij[oa]|respuesta|nombre|familia)|un (?:correo|mensaje)|nos|que)(?!\p{L})|(?<!\p{L})(?:formulario|autorización|pago|dinero|hoja firmada|voluntari[oa]s?|adultos?)(?!\p{L})/iu,
};

const dayOf = ({ days }: Sentence): string | null => days[0]?.first ?? null;

/** What a child is to have along: 'please send boots', 'no olviden el impermeable'. */
export const bring: PartReader = (sentence, event) => {
  const { text, lang } = sentence;
  return [...text.matchAll(cue[lang])].flatMap(({ index, 0: words }) => {
    const start = index + words.length;
    const rest = text.slice(start);
    const what = rest.slice(0, stop[lang].exec(rest)?.index ?? rest.length).replace(/[,\s]+$/, '');
    if (what === '' || noThing[lang].test(what)) return [];
    const on = dayOf(sentence) ?? event;
    return [{ ...bare, kind: 'bring' as const, start, end: start + what.length, on, what }];
  });
};
