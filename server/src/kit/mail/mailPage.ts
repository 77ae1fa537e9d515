import { light } from '@cadro/core';
import escaped from 'escape-html';

/** A mail is paper, whatever its reader's screen is: what mail programs make of dark is theirs. */
const { ink, line, paper, plum, soft } = light;
const face = "font-family:'Segoe UI',Helvetica,Arial,sans-serif";

/** A part of a mail, in both its forms. */
export interface MailPart {
  readonly text: string;
  readonly html: string;
}

const cell = (style: string, content: string): string =>
  `<tr><td style="${face};color:${ink};${style}">${content}</td></tr>`;

export const heading = (words: string): MailPart => ({
  text: `\n${words.toUpperCase()}\n`,
  html: cell('font-size:15px;line-height:22px;font-weight:bold;padding:20px 0 4px 0', escaped(words)),
});

export const title = (words: string): MailPart => ({
  text: `${words}\n`,
  html: cell('font-size:22px;line-height:28px;font-weight:bold;padding:0 0 4px 0', escaped(words)),
});

/** Where another child begins. */
export const chapter = (words: string): MailPart => ({
  text: `\n\n${words}\n`,
  html: cell('font-size:19px;line-height:26px;font-weight:bold;padding:32px 0 0 0', escaped(words)),
});

export const paragraph = (words: string): MailPart => ({
  text: `${words}\n`,
  html: cell('font-size:16px;line-height:24px;padding:4px 0', escaped(words)),
});

export const small = (words: string): MailPart => ({
  text: `${words}\n`,
  html: cell(`font-size:14px;line-height:20px;padding:2px 0;color:${soft}`, escaped(words)),
});

/** One line of a list, with where it leads. */
export const row = (words: string, href: string | null): MailPart => ({
  text: href ? `- ${words}\n  ${href}\n` : `- ${words}\n`,
  html: cell(
    `font-size:16px;line-height:24px;padding:6px 0;border-top:1px solid ${line}`,
    href ? `<a href="${escaped(href)}" style="color:${ink}">${escaped(words)}</a>` : escaped(words),
  ),
});

/** The one thing to do. */
export const link = (words: string, href: string): MailPart => ({
  text: `${words}:\n${href}\n`,
  html: cell(
    'font-size:16px;line-height:24px;padding:14px 0',
    `<a href="${escaped(href)}" style="color:${plum};font-weight:bold">${escaped(words)}</a>`,
  ),
});

/** Something that may be done beside. */
export const smallLink = (words: string, href: string): MailPart => ({
  text: `${words}: ${href}\n`,
  html: cell(
    `font-size:14px;line-height:20px;padding:2px 0;color:${soft}`,
    `<a href="${escaped(href)}" style="color:${soft}">${escaped(words)}</a>`,
  ),
});

/** A whole mail: a table in a table, which every mail program can lay out, and the same as plain text. */
export function mailOf(parts: readonly MailPart[], language: string): { text: string; html: string } {
  const rows = parts.map(({ html }) => html).join('');
  return {
    text: `${parts
      .map(({ text }) => text)
      .join('')
      .trim()}\n`,
    html: `<!doctype html><html lang="${language}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Cadro</title></head><body style="margin:0;background:${paper}"><table role="presentation" width="100%" cellpadding="0" cellspacing="0" border="0" bgcolor="${paper}"><tr><td align="center" style="padding:24px 12px"><table role="presentation" width="560" cellpadding="0" cellspacing="0" border="0" style="width:100%;max-width:560px;text-align:left">${rows}</table></td></tr></table></body></html>`,
  };
}
