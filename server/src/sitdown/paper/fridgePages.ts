import { buffer } from 'node:stream/consumers';
import type { Language, PaperPages } from '@cadro/contract';
import { light } from '@cadro/core';
import PDFDocument from 'pdfkit';
import { newPaper, putText, sheet } from '../../kit';

export interface Fridge extends PaperPages {
  readonly language: Language;
  readonly at: Date;
}

const margin = 54;
const inner = sheet.width - 2 * margin;
/** A square to tick by hand. */
const box = 11;
const size = 12.5;

/** A page for each child, large enough to be read from where one stands; what is more goes on the next sheet. */
export async function fridgePages({ title, pages, language, at }: Fridge): Promise<Buffer> {
  const page = newPaper((options) => new PDFDocument(options), {
    title,
    language,
    at,
    margin,
    autoFirstPage: false,
  });
  const bytes = buffer(page);
  const bottom = sheet.height - margin;
  const lineTo = (text: string, ticks: boolean) => {
    const left = margin + (ticks ? box + 10 : 0);
    if (page.y + size * 1.6 > bottom) page.addPage();
    if (ticks)
      page
        .rect(margin, page.y + 2, box, box)
        .lineWidth(1)
        .stroke(light.ink);
    page.x = left;
    putText(page, text, { size, width: inner - (left - margin) });
    page.x = margin;
    page.moveDown(0.35);
  };
  for (const { name, sections } of pages) {
    page.addPage();
    putText(page, name, { size: 28, width: inner, bold: true });
    putText(page, title, { size: 11, width: inner, colour: light.soft });
    page.moveDown(1);
    for (const { title: heading, ticks, lines } of sections) {
      if (lines.length === 0) continue;
      // A heading stays with its first line.
      if (page.y + 60 > bottom) page.addPage();
      putText(page, heading, { size: 15, width: inner, bold: true });
      page.moveDown(0.3);
      for (const line of lines) lineTo(line, ticks);
      page.moveDown(0.7);
    }
  }
  page.end();
  return bytes;
}
