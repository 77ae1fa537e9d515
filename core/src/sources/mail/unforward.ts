/** What somebody forwarded, without the words of the program that forwarded it. */
export interface Unforwarded {
  /** Who wrote it first, as the forwarding program has it; null where nothing says so. */
  readonly from: string | null;
  readonly subject: string | null;
  readonly text: string;
}

/** Lines with which programs begin what is forwarded; English and Spanish. */
const begins =
  /^[\s>*_-]*(?:begin forwarded message|forwarded message|original message|mensaje reenviado|mensaje original|inicio del mensaje reenviado)[\s:*_-]*$/i;
const headers = {
  from: /^[\s>*]*(?:from|de)\s*:\**\s*(.+)$/i,
  subject: /^[\s>*]*(?:subject|asunto)\s*:\**\s*(.+)$/i,
  other: /^[\s>*]*(?:to|cc|date|sent|reply-to|para|fecha|enviado(?: el)?|cc|responder a)\s*:/i,
} as const;
/** So many lines of headers a program writes at most. */
const mostHeaders = 12;

/** The subject without the marks of answers and forwards. */
export const plainSubject = (subject: string): string =>
  subject.replace(/^(?:\s*(?:re|fwd?|rv|reenv)\s*:)+\s*/i, '').trim();

/**
 * The mail inside a forward, by the block of headers that stands above it; a mail without one is taken as it is.
 * @param text of the whole mail.
 */
export function unforward(text: string): Unforwarded {
  const lines = text.split(/\r?\n/);
  const marked = lines.findIndex((line) => begins.test(line));
  const first = lines.findIndex((line, at) => at >= Math.max(0, marked) && headers.from.test(line));
  const isBlock =
    first >= 0 && lines.slice(first, first + mostHeaders).some((line) => headers.subject.test(line));
  if (!isBlock) return { from: null, subject: null, text: text.trim() };
  let from: string | null = null;
  let subject: string | null = null;
  let at = first;
  for (; at < lines.length && at < first + mostHeaders; at += 1) {
    const line = lines[at] ?? '';
    const [, who] = headers.from.exec(line) ?? [];
    const [, about] = headers.subject.exec(line) ?? [];
    if (who !== undefined) from ??= who.trim();
    else if (about !== undefined) subject ??= about.trim();
    else if (line.trim() === '' && subject !== null) break;
    else if (!headers.other.test(line) && line.trim() !== '') break;
  }
  const body = lines.slice(at).map((line) => line.replace(/^(?:>\s?)+/, ''));
  return { from, subject, text: body.join('\n').trim() };
}
