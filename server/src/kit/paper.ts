import type { Language } from '@cadro/contract';
import { light } from '@cadro/core';
import type { ApartLimits } from './apart';
import { assetFile } from './paths';

type Page = PDFKit.PDFDocument;

/** What one file that goes out may cost: made apart, one after the other for each person. */
export const paperLimits: ApartLimits = {
  ...{ memoryMb: 256, patienceMs: 30_000, mostOfOne: 3, mostWaiting: 50, threads: 2 },
};

const fonts = {
  regular: assetFile('fonts', 'atkinson-hyperlegible-next-400.ttf'),
  strong: assetFile('fonts', 'atkinson-hyperlegible-next-600.ttf'),
} as const;
export const margin = 42;
/** A4 in points. */
export const sheet = { width: 595, height: 842 };
export const inner = sheet.width - 2 * margin;

interface PaperAsk extends Pick<PDFKit.PDFDocumentOptions, 'margin' | 'size' | 'autoFirstPage'> {
  readonly title: string;
  readonly language: Language;
  readonly at?: Date;
  readonly author?: string;
}

/** Papers on which something is being drawn that is said beside it. */
const drawnOn = new WeakSet<Page>();

/** What a text of a size is in the tree that a screen reader goes by. */
const partOf = (size: number): 'H1' | 'H2' | 'P' => (size >= 18 ? 'H1' : size >= 13 ? 'H2' : 'P');

/**
 * A PDF that can be read by ear: every text stands in its tree, in the order in which it is written, as a heading or a
 * paragraph.
 * @param make makes an empty one: only what prints loads what that takes.
 */
export function newPaper(
  make: (options: PDFKit.PDFDocumentOptions) => Page,
  { title, language, at, author, ...rest }: PaperAsk,
): Page {
  const page = make({
    ...{ size: 'A4', lang: language, displayTitle: true, tagged: true, pdfVersion: '1.5', ...rest },
    info: { Title: title, ...(at ? { CreationDate: at } : {}), ...(author ? { Author: author } : {}) },
  });
  const tree = page.struct('Document');
  page.addStructure(tree);
  const write = page.text.bind(page) as (text: string, x?: number | object, y?: number, how?: object) => Page;
  const sizeOf = () => (page as unknown as { readonly _fontSize: number })._fontSize;
  const text = (words: string, x?: number | object, y?: number, how?: object): Page => {
    const tagged = drawnOn.has(page) ? {} : { structParent: tree, structType: partOf(sizeOf()) };
    // Without a place the options stand in its stead.
    return typeof x === 'number'
      ? write(words, x, y, { ...how, ...tagged })
      : write(words, { ...x, ...how, ...tagged });
  };
  return Object.assign(page, { text });
}

/** Draws what is said in words beside it: whoever listens does not hear of it. */
export function asOrnament(page: Page, draw: () => void): void {
  page.markContent('Artifact', { type: 'Layout' });
  drawnOn.add(page);
  draw();
  drawnOn.delete(page);
  page.endMarkedContent();
}

export interface Look {
  readonly size: number;
  readonly width: number;
  readonly bold?: boolean;
  readonly colour?: string;
  readonly align?: 'right';
  readonly lines?: number;
}

/** One line, or a few, cut with dots where the text is longer. */
export function putLine(page: Page, text: string, left: number, top: number, look: Look): void {
  page
    .font(look.bold ? fonts.strong : fonts.regular)
    .fontSize(look.size)
    .fillColor(look.colour ?? light.ink)
    .text(text, left, top, {
      width: look.width,
      height: look.size * 1.4 * (look.lines ?? 1),
      ellipsis: true,
      lineBreak: true,
      ...(look.align ? { align: look.align } : {}),
    });
}

/** Words as many as they are, below what stands there already; what is more than the page holds goes on the next. */
export function putText(page: Page, text: string, look: Omit<Look, 'lines'>): void {
  page
    .font(look.bold ? fonts.strong : fonts.regular)
    .fontSize(look.size)
    .fillColor(look.colour ?? light.ink)
    .text(text, {
      width: look.width,
      lineGap: look.size * 0.25,
      ...(look.align ? { align: look.align } : {}),
    });
}
