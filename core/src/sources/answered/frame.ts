import type { Line } from './lines';

/* What mail programs write around the letter that is answered: none of it is anybody's words. */

/** How the line above a quoted letter ends, in the languages in which programs are used here. */
const wrote =
  /\b(?:wrote|escribió|escribio|schrieb(?: [^:]{0,120})?|a écrit|escreveu|ha scritto|schreef|skrev)\s?:$/i;
const begins = /^(?:on|el|am|le|em|il|op|den)\b|^\S+@\S+|^.{0,80}<[^>]+@[^>]+>/i;
/** A divider by words. */
const divider =
  /^[-_\s]*(?:original message|forwarded message|mensaje original|mensaje reenviado|reply message|ursprüngliche nachricht)[-_\s]*$/i;
const from = /^\*?(?:from|de|von|da)\s?:\*?\s+\S/i;
const others =
  /^\*?(?:sent|date|to|cc|subject|enviado(?: el)?|fecha|para|asunto|gesendet|an|betreff)\s?:\*?\s+\S/i;
/** A line that a phone or a program adds by itself. */
const advertised =
  /^(?:sent from (?:my|the|a) .{1,40}|sent (?:from|with|via) \S+(?: \S+){0,4}|get \S+ for \S+.*|enviado desde (?:mi|un) .{1,40}|enviado (?:desde|con) \S+(?: \S+){0,4}|obtener \S+ para \S+.*)$/i;
/** An address of a thread: it is its reader's own, and tells nobody anything. */
const ownAddress = /<?(?:mailto:)?\breply\+[\w.-]+@[\w.-]+>?/gi;

/** The lines, of at most four, that a program writes above a quoted letter: from `at` up to the returned place. */
function attributionEnd(lines: readonly Line[], at: number): number | null {
  const first = lines[at];
  if (!first || !begins.test(first.text.trim())) return null;
  let said = '';
  for (let last = at; last < Math.min(at + 4, lines.length); last += 1) {
    const line = lines[last];
    if (!line || line.depth !== first.depth || (line.text.trim() === '' && last > at)) return null;
    said = `${said} ${line.text.trim()}`.trim();
    if (wrote.test(said)) return last + 1;
  }
  return null;
}

/** Whether the headers of the answered letter begin here: 'From: … Sent: … To: … Subject: …'. */
function isHeaderBlock(lines: readonly Line[], at: number): boolean {
  const said = lines.slice(at, at + 8).map(({ text }) => text.trim());
  return from.test(said[0] ?? '') && said.slice(1).filter((line) => others.test(line)).length >= 2;
}

/** The place from which on all is the letter that is answered; the number of lines where nothing says so. */
function cutAt(lines: readonly Line[]): number {
  const at = lines.findIndex(
    (line, index) =>
      line.depth === 0 &&
      (divider.test(line.text.trim()) ||
        isHeaderBlock(lines, index) ||
        (/^_{10,}$/.test(line.text.trim()) && isHeaderBlock(lines, index + 1))),
  );
  return at < 0 ? lines.length : at;
}

/** Deeper by the headers that stand above the letter: programs that quote without a mark have these alone. */
function withCut(lines: readonly Line[]): Line[] {
  const cut = cutAt(lines);
  return lines.map((line, index) => (index < cut ? line : { ...line, depth: line.depth + 1 }));
}

/** A signature goes from its two dashes to the next quoted line. */
function withoutSignature(lines: readonly Line[]): Line[] {
  const kept: Line[] = [];
  let signed = false;
  for (const line of lines) {
    if (line.depth > 0) signed = false;
    else if (/^--\s?$/.test(line.text)) signed = true;
    if (!signed && !(line.depth === 0 && advertised.test(line.text.trim()))) kept.push(line);
  }
  return kept;
}

/** The lines without what programs added: attributions, headers, signatures, the thread's own address. */
export function unframed(given: readonly Line[]): Line[] {
  const lines = withCut(given);
  const kept: Line[] = [];
  for (let at = 0; at < lines.length; at += 1) {
    const end = attributionEnd(lines, at);
    if (end !== null) {
      at = end - 1;
      continue;
    }
    const line = lines[at];
    if (line) kept.push({ ...line, text: line.text.replace(ownAddress, '').trimEnd() });
  }
  return withoutSignature(kept);
}
