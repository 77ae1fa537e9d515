import { Parser } from 'htmlparser2';
import type { Line } from './lines';

/** What is no text of the mail. */
const silent = new Set(['head', 'style', 'script', 'title', 'template', 'svg', 'object']);
const blocks = new Set([
  ...['p', 'div', 'blockquote', 'ul', 'ol', 'li', 'table', 'tr', 'pre', 'section', 'article', 'header'],
  ...['footer', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'hr', 'dl', 'dt', 'dd', 'center', 'address'],
]);
/** Elements that programs put around the letter they quote, by their class or id. */
const quoting =
  /(?:^|[\s_-])(?:gmail_quote|yahoo_quoted|protonmail_quote|tutanota_quote|zmail_extra|mail_?quote|quoted?-?(?:text|mail|message|content|reply)|cite)(?:$|[\s_-])/i;
/** Elements that stand above the quoted letter and belong to no one. */
const introducing =
  /(?:^|[\s_-])(?:gmail_attr|moz-cite-prefix|reply-intro|quote-?header|attribution)(?:$|[\s_-])/i;
/** From these on all is the letter that is answered, but for words in a colour of their own. */
const fromHere = /(?:divRplyFwdMsg|appendonsend|reference-message|replysplit|OriginalMessage)/i;
/** No colour of its own. */
const inked = /color\s*:\s*(?:windowtext|black|inherit|initial|auto|#000(?:000)?\b|rgb\(0, ?0, ?0\))/i;
const coloured = /(?:^|[;\s"'])color\s*:\s*[^;"']+/i;

interface Open {
  readonly name: string;
  readonly quotes: boolean;
  readonly silent: boolean;
  readonly own: boolean;
}

/** So much of a mail's markup is read. */
const longest = 400_000;

class Reading {
  readonly lines: Line[] = [];
  private line = '';
  private depthOfLine: number | null = null;
  private readonly open: Open[] = [];
  private rest = false;

  private depth(): number {
    const quoted = this.open.filter(({ quotes }) => quotes).length;
    const own = this.open.some((each) => each.own);
    return quoted + (this.rest && !own ? 1 : 0);
  }

  /** Ends the line. @param always also one without words. */
  end(always = false): void {
    const text = this.line.replace(/[ \t\u00a0]+/g, ' ').trim();
    if (text !== '' || always) this.lines.push({ depth: this.depthOfLine ?? this.depth(), text });
    this.line = '';
    this.depthOfLine = null;
  }

  opened(name: string, attributes: Readonly<Record<string, string>>): void {
    if (name === 'br') return this.end(true);
    if (blocks.has(name)) this.end();
    const named = `${attributes['class'] ?? ''} ${attributes['id'] ?? ''} ${attributes['name'] ?? ''}`;
    const style = attributes['style'] ?? '';
    const colour = `${style}${attributes['color'] ? `; color: ${attributes['color']}` : ''}`;
    // A quotation inside an element that quotes already is one and the same.
    const around = this.open.at(-1)?.quotes ?? false;
    if (fromHere.test(named)) this.rest = true;
    this.open.push({
      name,
      quotes: (name === 'blockquote' && !around) || (name !== 'blockquote' && quoting.test(named)),
      silent: silent.has(name) || introducing.test(named) || /display\s*:\s*none/i.test(style),
      own: coloured.test(colour) && !inked.test(colour),
    });
    if (name === 'li') this.line = '• ';
  }

  text(words: string): void {
    if (this.open.some((each) => each.silent)) return;
    const inPre = this.open.some(({ name }) => name === 'pre');
    const parts = inPre ? words.split('\n') : [words.replace(/\s+/g, ' ')];
    parts.forEach((part, index) => {
      if (index > 0) this.end(true);
      const depth = this.depth();
      // One line may hold both: what is quoted, and the answer in a colour of its own.
      if (part.trim() !== '' && this.depthOfLine !== null && depth !== this.depthOfLine) this.end();
      if (part.trim() !== '') this.depthOfLine ??= depth;
      this.line += part;
    });
  }

  closed(name: string): void {
    const at = this.open.findLastIndex((each) => each.name === name);
    if (blocks.has(name)) this.end();
    if (at >= 0) this.open.splice(at);
    if (name === 'p' || name === 'blockquote' || name === 'table') this.end(true);
    if (name === 'td' || name === 'th') this.line += ' ';
  }
}

/** The lines of a mail that is written as markup, each as deep as it is quoted. */
export function linesOfHtml(html: string): Line[] {
  const reading = new Reading();
  const parser = new Parser(
    {
      onopentag: (name, attributes) => reading.opened(name, attributes),
      ontext: (words) => reading.text(words),
      onclosetag: (name) => reading.closed(name),
    },
    { decodeEntities: true, lowerCaseTags: true },
  );
  parser.write(html.slice(0, longest));
  parser.end();
  reading.end();
  return reading.lines;
}
