import { dark, light } from '@cadro/core';
import escaped from 'escape-html';

/**
 * A mail is paper by day, and dark where its reader's screen is: a mail program that does not know how shows paper. What
 * is read in the dark has a class, beside the style that every program knows.
 */
const { line, paper } = light;
const face = "font-family:'Segoe UI',Helvetica,Arial,sans-serif";

/** A part of a mail, in both its forms. */
export interface MailPart {
  readonly text: string;
  readonly html: string;
}

type Shade = 'ink' | 'soft' | 'plum';
const inTheDark = [
  `body,table{background:${dark.paper}!important}`,
  ...(['ink', 'soft', 'plum'] as const).map((shade) => `.${shade}{color:${dark[shade]}!important}`),
  `.ink,.soft{border-color:${dark.line}!important}`,
].join('');

const cell = (style: string, content: string, shade: 'ink' | 'soft' = 'ink'): string =>
  `<tr><td class="${shade}" style="${face};color:${light[shade]};${style}">${content}</td></tr>`;
const anchor = (words: string, href: string, shade: Shade, more = ''): string =>
  `<a class="${shade}" href="${escaped(href)}" style="color:${light[shade]}${more}">${escaped(words)}</a>`;

/** A heading that looks as its cell does. */
const headed = (level: 1 | 2 | 3, words: string): string =>
  `<h${level} style="margin:0;font:inherit">${escaped(words)}</h${level}>`;

export const heading = (words: string): MailPart => ({
  text: `\n${words.toUpperCase()}\n`,
  html: cell('font-size:15px;line-height:22px;font-weight:bold;padding:20px 0 4px 0', headed(3, words)),
});

export const title = (words: string): MailPart => ({
  text: `${words}\n`,
  html: cell('font-size:22px;line-height:28px;font-weight:bold;padding:0 0 4px 0', headed(1, words)),
});

/** Where another child begins. */
export const chapter = (words: string): MailPart => ({
  text: `\n\n${words}\n`,
  html: cell('font-size:19px;line-height:26px;font-weight:bold;padding:32px 0 0 0', headed(2, words)),
});

export const paragraph = (words: string): MailPart => ({
  text: `${words}\n`,
  html: cell('font-size:16px;line-height:24px;padding:4px 0', escaped(words)),
});

export const small = (words: string): MailPart => ({
  text: `${words}\n`,
  html: cell('font-size:14px;line-height:20px;padding:2px 0', escaped(words), 'soft'),
});

/** One line of a list, with where it leads. */
export const row = (words: string, href: string | null): MailPart => ({
  text: href ? `- ${words}\n  ${href}\n` : `- ${words}\n`,
  html: cell(
    `font-size:16px;line-height:24px;padding:6px 0;border-top:1px solid ${line}`,
    href ? anchor(words, href, 'ink') : escaped(words),
  ),
});

/** The one thing to do. */
export const link = (words: string, href: string): MailPart => ({
  text: `${words}:\n${href}\n`,
  html: cell(
    'font-size:16px;line-height:24px;padding:14px 0',
    anchor(words, href, 'plum', ';font-weight:bold'),
  ),
});

/** Something that may be done beside. */
export const smallLink = (words: string, href: string): MailPart => ({
  text: `${words}: ${href}\n`,
  html: cell('font-size:14px;line-height:20px;padding:2px 0', anchor(words, href, 'soft'), 'soft'),
});

/** A whole mail: a table in a table, which every mail program can lay out, and the same as plain text. */
export function mailOf(parts: readonly MailPart[], language: string): { text: string; html: string } {
  const rows = parts.map(({ html }) => html).join('');
  return {
    text: `${parts
      .map(({ text }) => text)
      .join('')
      .trim()}\n`,
    html: `<!doctype html><html lang="${language}"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><meta name="color-scheme" content="light dark"><meta name="supported-color-schemes" content="light dark"><style>:root{color-scheme:light dark}@media (prefers-color-scheme:dark){${inTheDark}}</style><title>Cadro</title></head><body style="margin:0;background:${paper}"><table role="presentation" width="100%" cellpadding="0" cellspacing="0" border="0" bgcolor="${paper}"><tr><td align="center" style="padding:24px 12px"><table role="presentation" width="560" cellpadding="0" cellspacing="0" border="0" style="width:100%;max-width:560px;text-align:left">${rows}</table></td></tr></table></body></html>`,
  };
}
