import type { Scale } from '@cadro/contract';
import { asOrnament } from '../../kit';
import { light, spanDomain, spanSteps, type Spanned } from '@cadro/core';

export type Page = PDFKit.PDFDocument;

const { ink, paper, plum, rail, soft, teal } = light;

interface Place {
  readonly left: number;
  readonly width: number;
  /** Of the rail. */
  readonly y: number;
}

function strokes(page: Page, { figures, grade }: Spanned, scale: Scale, { left, width, y }: Place): void {
  const domain = spanDomain({ figures, grade }, scale);
  const x = (value: number) =>
    left +
    ((Math.min(domain.to, Math.max(domain.from, value)) - domain.from) / (domain.to - domain.from)) * width;
  const stroke = (x1: number, y1: number, x2: number, y2: number, colour: string, thick: number) =>
    page.lineWidth(thick).moveTo(x1, y1).lineTo(x2, y2).stroke(colour);
  stroke(left, y, left + width, y, rail, 1);
  for (const step of spanSteps(scale, domain)) {
    stroke(x(step.at), y - 5, x(step.at), y + 5, rail, 1);
    page
      .fontSize(7)
      .fillColor(soft)
      .text(step.label, x(step.at) - 10, y + 6, { width: 20, align: 'center', lineBreak: false });
  }
  const { posted, ifLeft, ifMadeUp } = figures;
  if (posted !== null && ifLeft !== null && ifMadeUp !== null) {
    // Filled above, hatched below: told from each other without colour.
    page.rect(x(ifLeft), y - 4, Math.max(0, x(posted) - x(ifLeft)), 3).fill(plum);
    const rise = Math.max(0, x(ifMadeUp) - x(ifLeft));
    page
      .lineWidth(0.6)
      .rect(x(ifLeft), y + 1, rise, 4)
      .stroke(teal);
    for (let at = 0; at + 4 <= rise; at += 3)
      stroke(x(ifLeft) + at, y + 5, x(ifLeft) + at + 4, y + 1, teal, 0.6);
    if (posted - ifLeft > 1e-9) stroke(x(ifLeft), y - 5, x(ifLeft), y + 5, plum, 2);
    if (ifMadeUp - ifLeft > 1e-9) stroke(x(ifMadeUp), y - 5, x(ifMadeUp), y + 5, teal, 2);
  }
  const square = (value: number) => page.rect(x(value) - 3.5, y - 3.5, 7, 7);
  if (grade.count) square(grade.count.figure).lineWidth(1.2).fillAndStroke(paper, ink);
  if (grade.figure !== null) square(grade.figure).fill(ink);
}

/** The span as the app draws it: fall above the rail, rise below, a filled frame at the grade, an open one at our count where it differs. Its figures stand beside it in words. */
export const drawSpan = (page: Page, spanned: Spanned, scale: Scale, place: Place): void =>
  asOrnament(page, () => strokes(page, spanned, scale, place));
