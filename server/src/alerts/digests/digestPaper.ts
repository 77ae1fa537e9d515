import { buffer } from 'node:stream/consumers';
import type { DigestChild, DigestContent, DigestRhythm, Language } from '@cadro/contract';
import { digestNothing, digestSections, digestSpan, digestTitle, isEmptyDigest, light } from '@cadro/core';
import PDFDocument from 'pdfkit';
import { assetFile, newPaper } from '../../kit';

const regular = assetFile('fonts', 'atkinson-hyperlegible-next-400.ttf');
const strong = assetFile('fonts', 'atkinson-hyperlegible-next-600.ttf');
const { ink, soft } = light;
const margin = 48;

type Page = PDFKit.PDFDocument;

function lines(page: Page, heading: string, rows: readonly string[]): void {
  if (rows.length === 0) return;
  page.moveDown(0.4).font(strong).fontSize(11).fillColor(soft).text(heading);
  page.font(regular).fontSize(11).fillColor(ink);
  for (const row of rows) page.text(row, { indent: 0, paragraphGap: 2 });
}

function child(page: Page, said: DigestChild, language: Language): void {
  const { sections, more } = digestSections(language, said);
  page.moveDown(0.8).font(strong).fontSize(15).fillColor(ink).text(said.givenName);
  for (const section of sections) {
    lines(
      page,
      section.title,
      section.lines.map(({ text }) => text),
    );
  }
  if (more) page.fontSize(9).fillColor(soft).text(more);
}

export interface DigestAsk {
  readonly content: DigestContent;
  readonly rhythm: DigestRhythm;
  readonly language: Language;
}

/** The digest on paper: all children on one page where they fit. */
export async function digestPaper({ content, rhythm, language }: DigestAsk): Promise<Buffer> {
  const title = digestTitle(language, rhythm === 'daily');
  const page = newPaper((options) => new PDFDocument(options), { title, language, margin });
  const whole = buffer(page);
  page.font(strong).fontSize(20).fillColor(ink).text(title);
  page.font(regular).fontSize(11).fillColor(soft).text(digestSpan(language, content));
  if (isEmptyDigest(content.children))
    page.moveDown().fontSize(12).fillColor(ink).text(digestNothing(language));
  else for (const said of content.children) child(page, said, language);
  page.end();
  return whole;
}
