/** How programs call what they answer by themselves. */
const subject =
  /^\s*(?:(?:re|aw|rv)\s*:\s*)*(?:automatic reply|auto(?:matic)?[ -]?(?:reply|response|answer)|autoreply|out of (?:the )?office|away from (?:the )?(?:office|school)|respuesta automática|fuera de la oficina|ausencia)\b/i;
const thanks = String.raw`(?:(?:hello|hi|dear \w+|hola|buenos días|buenas tardes)[,.!:]?\s+)?(?:(?:thank you|thanks|gracias) (?:for|por) [^.!\n]{3,60}[.!]\s+)?`;
const away = String.raw`(?:I(?: am|['’]m| will be)(?: currently)? (?:out of (?:the )?(?:office|building|classroom)|away(?: from| until| on|,)|on (?:parental |maternity |sick |family )?leave|on vacation|at a conference)|(?:actualmente |por el momento )?(?:estoy|estaré|me encuentro) (?:fuera (?:de la (?:oficina|escuela)|hasta)|de (?:licencia|vacaciones|permiso)|ausente))`;
const words = new RegExp(`^\\s*${thanks}${away}`, 'i');

/**
 * Whether a mail reads as one that a program sent by itself, where its headers do not say so: by its subject, or because
 * it begins with being away.
 * @param said its words, without what it quotes.
 */
export const readsAutomatic = (mail: { readonly subject: string; readonly said: string }): boolean =>
  subject.test(mail.subject) || words.test(mail.said);
