import { buffer } from 'node:stream/consumers';
import type { Language } from '@cadro/contract';
import { light, localeOf } from '@cadro/core';
import PDFDocument from 'pdfkit';
import { newPaper, putText, sheet } from '../../kit';

/** A letter as it is printed. */
export interface PaperLetter {
  readonly language: Language;
  readonly timeZone: string;
  readonly author: string;
  readonly receiver: string;
  readonly schoolName: string;
  readonly subject: string;
  readonly text: string;
  readonly at: Date;
}

/** As wide as a letter is: two fingers of margin. */
const margin = 72;
const width = sheet.width - 2 * margin;

/** A letter on paper, on as many pages as it takes, as PDF bytes. */
export async function letterPage(letter: PaperLetter): Promise<Buffer> {
  const { language, timeZone, author, receiver, schoolName, subject, text, at } = letter;
  const page = newPaper((options) => new PDFDocument(options), {
    title: subject,
    author,
    language,
    at,
    margin,
  });
  const bytes = buffer(page);
  const date = new Intl.DateTimeFormat(localeOf(language), {
    dateStyle: 'long',
    timeZone,
  });
  const put = (words: string, look: { size: number; bold?: boolean; colour?: string }, below = 0) => {
    putText(page, words, { ...look, width });
    page.moveDown(below);
  };
  put(author, { size: 11 });
  put(date.format(at), { size: 11, colour: light.soft }, 1.5);
  put(receiver, { size: 11 });
  put(schoolName, { size: 11 }, 2);
  put(subject, { size: 13, bold: true }, 1);
  put(text, { size: 11 });
  page.end();
  return bytes;
}
