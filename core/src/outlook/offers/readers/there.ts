import { object, subject } from '../lexicon';
import type { Reader } from './reader';

/** That a work is there by some day, or is wanted by then: 'if the rest arrives by Friday', 'I need everything by the 3rd'. */
export const there: Reader = {
  kind: 'hand-in',
  weak: true,
  unaccented: true,
  cues: {
    en: {
      verbs: new RegExp(
        String.raw`\b${subject.en} (?:still |also |all )?(?:(?:is|are|has|have|can|may|could|must|should|needs?|isn't|aren't|is not|are not|will)(?: still| to| not)?(?: be| reach| come)? ?(?:here|there|in(?! (?:the|her|his|your|their|a|class|school|order|my (?!box|tray|hands|folder)))|with me|mine|handed in|handed over|turned in|submitted|uploaded|added|completed|finished|filled in|filled out|made up|written up|supplied|brought|shown|on my desk|sent|emailed)|arrives?|comes? in|reach(?:es)? me|gets? (?:here|to me))\b|\b(?:i|we)(?:'d| would| will|'ll)? (?:still |also )?(?:need|want|expect|like|must have|have to have|ask for) (?:to have |to see )?${object.en}|\b(?:has|have) been given(?= (?:until|till|to)\b)|\bhave ${object.en}(?= (?:here|in my|on my|ready|done|finished)\b)|\b(?:give|giving|gave|given) (?:her|him|them|you|everyone|everybody|all)(?= [\w ]{0,20}(?:days?|weeks?)\b)|\b(?:given|give|gave|giving) (?:her|him|them|you|everyone|everybody|all|[a-z]\w+)(?= (?:until|till)\b)|\b(?:(?:page|part|question|section|exercise|number|problem)s? \d+(?: (?:to|and) \d+)?|the (?:rest|remainder|other \w+)) (?:is|are) (?:still )?(?:due|expected)|\b(?:i|we) have(?:n't| not) (?:yet )?(?:received|seen|got) ${object.en}|\b(?:has|have|take|takes)(?= until\b)|\b(?:there is|there's) (?:still |plenty of )?time(?= until\b)|\btake ${object.en} home|\bthe (?:link|drop ?box|box|folder|page|portal|assignment|submission|window|inbox|tray) (?:locks|closes|shuts|expires)|\b(?:anything|everything|whatever|work|papers?)(?: that is| that was)? (?:received|handed in|turned in|submitted|sent)|\b(?:i|we) (?:get|receive|have|see) ${object.en}`,
        'gi',
      ),
      nouns: /(?!)/g,
    },
    es: {
      verbs: new RegExp(
        String.raw`(?<!\p{L})(?:${object.es} (?:no )?(?:(?:esta|este|estan|esten)(?= (?:aqui|en|sobre|list[oa]|terminad|hech|complet|subid|entregad|antes|para|hasta|manana|el )|[.,;])|llega|llegue|llegan|lleguen|aparece|aparezca|vienen?|vengan?)(?!\p{L})(?! (?:bien|mal|incomplet|muy|en blanco))|(?<=(?<!\p{L})si )no (?:esta|llega|aparece|l[oa]s? (?:tengo|recibo))|(?:recibir|tener) ${object.es}|l[oa]s? (?:tenga|reciba|vea)(?!\p{L})|(?<=(?<!\p{L})si )(?:no )?(?:esta|este) (?:aqui|en mi|todo)|(?:tienen? que|deben?) (?:estar|llegar)|l[oa]s? (?:necesito|quiero)(?: todo| entero| completo)?|necesit(?:o|amos) ${object.es}|no (?:he|hemos) recibido ${object.es}|(?:(?:la|las) (?:pagina|parte|pregunta|seccion)s?(?: \d+)?|el resto|lo demas) (?:es|son) para|(?:doy|damos|dimos) a (?:todos|todas|toda la clase)(?= [\p{L} ]{0,20}(?:dias?|semanas?))|(?:le|les|te) (?:di|dimos|he dado|hemos dado|doy|damos|dare|dejo|dejare)(?= (?:tiempo )?hasta)|tienen?(?= (?:tiempo |plazo )?hasta)|tome(?:se|nse)?(?= (?:tiempo |su tiempo )?hasta)|hay (?:todavia )?(?:tiempo|plazo)(?= hasta)|(?:reciba|tenga|vea|(?<=si )(?:tengo|recibo|veo)) ${object.es})`,
        'giu',
      ),
      nouns: /(?!)/g,
    },
  },
};
