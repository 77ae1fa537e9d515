import { join } from 'node:path';
import { buffer } from 'node:stream/consumers';
import type { DigestChild, DigestContent, DigestRhythm, Language } from '@cadro/contract';
import { digestSpan, digestWords, formatsFor, isEmptyDigest, movedLine, tellAlert } from '@cadro/core';
import PDFDocument from 'pdfkit';

const fonts = join(__dirname, '..', '..', 'assets', 'fonts');
const regular = join(fonts, 'atkinson-hyperlegible-next-400.ttf');
const strong = join(fonts, 'atkinson-hyperlegible-next-600.ttf');
const ink = '#152238';
const soft = '#556074';
const margin = 48;

type Page = PDFKit.PDFDocument;

function lines(page: Page, heading: string, rows: readonly string[]): void {
  if (rows.length === 0) return;
  page.moveDown(0.4).font(strong).fontSize(11).fillColor(soft).text(heading);
  page.font(regular).fontSize(11).fillColor(ink);
  for (const row of rows) page.text(row, { indent: 0, paragraphGap: 2 });
}

function child(page: Page, said: DigestChild, language: Language): void {
  const words = digestWords(language);
  const formats = formatsFor(language, said.timeZone);
  const headlines = (entries: DigestChild['needs']) =>
    entries.map((entry) => tellAlert(language, entry, { timeZone: said.timeZone }).headline);
  const { sections } = words;
  page.moveDown(0.8).font(strong).fontSize(15).fillColor(ink).text(said.givenName);
  lines(page, sections.good, headlines(said.good));
  lines(page, sections.needs, said.needs.length > 0 ? headlines(said.needs) : [words.needsNone]);
  lines(page, sections.before, headlines(said.before));
  lines(page, sections.comments, headlines(said.comments));
  lines(
    page,
    sections.coming,
    said.coming.map(
      ({ title, courseTitle, dueAt, possible, test }) =>
        `${formats.day(dueAt)}: ${words.work(title, courseTitle, test, possible)}`,
    ),
  );
  lines(page, sections.attendance, [words.attended(said.attendance)]);
  lines(
    page,
    sections.changed,
    said.changed.map((moved) => movedLine(language, formats, moved)),
  );
  if (said.more > 0) page.fontSize(9).fillColor(soft).text(words.more(said.more));
}

/** The digest on paper: all children on one page where they fit. */
export async function digestPaper(
  content: DigestContent,
  rhythm: DigestRhythm,
  language: Language,
): Promise<Buffer> {
  const words = digestWords(language);
  const page = new PDFDocument({ size: 'A4', margin, info: { Title: words.title(rhythm === 'daily') } });
  const whole = buffer(page);
  page
    .font(strong)
    .fontSize(20)
    .fillColor(ink)
    .text(words.title(rhythm === 'daily'));
  page.font(regular).fontSize(11).fillColor(soft).text(digestSpan(language, content));
  if (isEmptyDigest(content.children)) page.moveDown().fontSize(12).fillColor(ink).text(words.nothing);
  else for (const said of content.children) child(page, said, language);
  page.end();
  return whole;
}
