import type { Reader } from './reader';

/** A way in that is open: the link, the box, the door. */
export const channel: Reader = {
  kind: 'hand-in',
  sure: true,
  weak: true,
  cues: {
    en: {
      verbs:
        /\b(?:re-?open(?:ed|ing)? (?:it|this|the (?:\w+ ){0,2}?(?:assignment|submission|link|box|folder|page|portal|work))|keep(?:ing)? (?:it |this |the (?:[\w-]+ ){1,5}?)(?:open|out)|leave (?:it |this |the (?:[\w-]+ ){1,5}?)open|(?:link|box|dropbox|folder|page|portal|assignment|submission|submissions|door|window|inbox|tray)(?: for [\w' ]{1,25}?)? (?:is|are|stays?|remains?|has been|have been|will be|will stay) (?:still |now |left |kept )?(?:re-?)?open(?:ed)?(?: again)?)\b/gi,
      nouns: /(?!)/g,
    },
    es: {
      verbs:
        /(?<!\p{L})(?:(?:he|hemos|han) (?:vuelto a abrir|reabierto) (?:la|el|esta|este) \p{L}+|(?:l[oa]s? dej(?:o|amos|aré) abiert[oa]s?|dej(?:o|amos|aré) (?:la|el) (?:\p{L}+ ){1,5}?abiert[oa])|(?:enlace|buzón|carpeta|página|portal|entrega|ventana|puerta|bandeja|plazo)(?: de \p{L}+){0,3} (?:vuelve a estar|sigue|está|queda|estará|permanece|permanecerá) (?:otra vez |de nuevo |todavía |aún )?abiert[oa])(?!\p{L})/giu,
      nouns: /(?!)/g,
    },
  },
};
