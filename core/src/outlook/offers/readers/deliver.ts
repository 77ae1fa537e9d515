import { anyOf, asked, object } from '../lexicon';
import type { Reader } from './reader';

/* Every verb by which a work reaches its teacher, with whatever it may be called. */

const sent = [
  'hand',
  'turn',
  'pass',
  'send',
  'bring',
  'submit',
  'upload',
  'post',
  'e-?mail',
  'deliver',
  'return',
];
const done = [
  'finish',
  'complete',
  'add',
  'show',
  'give',
  'get',
  'supply',
  'provide',
  'share',
  'attach',
  'leave',
];
const more = [
  'answer',
  'solve',
  'explain',
  'accept',
  'fill (?:in|out)',
  'write up',
  'type up',
  'make up',
  'catch up on',
  'do',
  'put',
  'scan',
  'drop off',
  'see',
];
/** A verb as it is asked, done and doing: 'take', 'takes', 'taking'; 'submit', 'submitting'. */
const forms = (verbs: readonly string[]): string =>
  anyOf(
    verbs.flatMap((verb) => {
      const [, head = verb, tail = ''] = /^(\S*?[\w?]+)( .*)?$/.exec(verb) ?? [];
      const stem = head.replace(/e$/, '');
      const last = stem.slice(-1);
      return [
        verb,
        `${head.replace(/([^aeo])y$/, '$1ie')}s${tail}`,
        `${head.replace(/(?:ss|sh|ch)$/, '$&e')}s${tail}`,
        `${stem}${last}?ing${tail}`,
      ];
    }),
  );
const english = (verbs: readonly string[]): RegExp =>
  new RegExp(
    String.raw`\b${forms(verbs)}(?: (?:me|us|in|over|back))? ${object.en}(?: (?:in|over|back|off|again|to me))?`,
    'gi',
  );

const entregar = [
  ['entregar', 'entregue', 'entrega'],
  ['enviar', 'envie', 'envia'],
  ['mandar', 'mande', 'manda'],
  ['subir', 'suba', 'sube'],
  ['traer', 'traiga', 'trae'],
  ['presentar', 'presente', 'presenta'],
  ['devolver', 'devuelva', 'devuelve'],
  ['adjuntar', 'adjunte', 'adjunta'],
] as const;
const terminar = [
  ['terminar', 'termine', 'termina'],
  ['acabar', 'acabe', 'acaba'],
  ['completar', 'complete', 'completa'],
  ['añadir', 'añada', 'añade'],
  ['rellenar', 'rellene', 'rellena'],
  ['enseñar', 'enseñe', 'enseña'],
  ['mostrar', 'muestre', 'muestra'],
  ['dejar', 'deje', 'deja'],
  ['hacer', 'haga', 'hace'],
  ['pasar', 'pase', 'pasa'],
  ['contestar', 'conteste', 'contesta'],
  ['responder', 'responda', 'responde'],
  ['resolver', 'resuelva', 'resuelve'],
  ['compartir', 'comparta', 'comparte'],
] as const;
const spanish = (verbs: readonly (readonly [string, string, string])[]): RegExp =>
  new RegExp(String.raw`(?<!\p{L})${asked(verbs)}`, 'giu');
const none = { nouns: /(?!)/g };
const also = (one: RegExp, other: string): RegExp => new RegExp(`${one.source}|${other}`, one.flags);

/** It is sent or brought: asked for, that is an offer. */
export const deliver: Reader = {
  kind: 'hand-in',
  theirs: true,
  unaccented: true,
  cues: {
    en: {
      verbs: also(english(sent), String.raw`\bre-?(?:send|upload|attach|share)(?: ${object.en})?`),
      ...none,
    },
    es: {
      verbs: also(
        spanish(entregar),
        String.raw`(?<!\p{L})(?:hacer|haga)(?:me|nos)?(?:l[oa]s?)? llegar(?:me)?(?:l[oa]s?)?|(?:dar|d[eé])(?:me|nos)l[oa]s?|(?:volver|vuelva) a (?:enviar|mandar|subir|adjuntar)(?:l[oa]s?)?(?!\p{L})`,
      ),
      ...none,
    },
  },
};

/** It is finished, added, shown: also good advice, and an offer only with a last day or a credit. */
export const finish: Reader = {
  kind: 'hand-in',
  theirs: true,
  weak: true,
  unaccented: true,
  cues: {
    en: {
      verbs: also(
        english([...done, ...more]),
        String.raw`\b(?:drop|hand|turn|send) ${object.en} (?:off|over|back)\b|\bfinish(?= (?:tomorrow|on|by|at|in|during|over|up)\b)|\b(?:return|hand back|give back|bring back) (?:it|the (?:test|quiz|exam|paper))\b`,
      ),
      ...none,
    },
    es: {
      verbs: also(
        spanish(terminar),
        String.raw`(?<!\p{L})(?:l[eo]s? (?:dejo|dejare|permito) (?:terminar|acabar|completar)|(?:devolver|devuelva) (?:el|la) (?:examen|prueba|control))(?!\p{L})`,
      ),
      ...none,
    },
  },
};

/** It is taken: a teacher says so. */
export const take: Reader = {
  kind: 'hand-in',
  weak: true,
  cues: {
    en: { verbs: english(['accept', 'take', 'collect']), ...none },
    es: { verbs: /(?!)/g, ...none },
  },
};
