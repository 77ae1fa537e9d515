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
