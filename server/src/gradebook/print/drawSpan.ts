import type { Scale } from '@cadro/contract';
import { light, spanDomain, spanSteps, type Spanned } from '@cadro/core';

export type Page = PDFKit.PDFDocument;

const { ink, line, paper, plum, plumBand, soft, teal, tealBand } = light;

/** The span as the app draws it: fall above the rail, rise below, a filled frame at the grade, an open one at our count where it differs; `y` is the rail. */
export function drawSpan(
  page: Page,
  { figures, grade }: Spanned,
  scale: Scale,
  place: { readonly left: number; readonly width: number; readonly y: number },
): void {
  const { left, width, y } = place;
  const domain = spanDomain({ figures, grade }, scale);
  const x = (value: number) =>
    left +
    ((Math.min(domain.to, Math.max(domain.from, value)) - domain.from) / (domain.to - domain.from)) * width;
  const stroke = (x1: number, y1: number, x2: number, y2: number, colour: string, thick: number) =>
    page.lineWidth(thick).moveTo(x1, y1).lineTo(x2, y2).stroke(colour);
  stroke(left, y, left + width, y, line, 1);
  for (const step of spanSteps(scale, domain)) {
    stroke(x(step.at), y - 5, x(step.at), y + 5, line, 1);
    page
      .fontSize(7)
      .fillColor(soft)
      .text(step.label, x(step.at) - 10, y + 6, { width: 20, align: 'center', lineBreak: false });
  }
  const { posted, ifLeft, ifMadeUp } = figures;
  if (posted !== null && ifLeft !== null && ifMadeUp !== null) {
    page.rect(x(ifLeft), y - 4, Math.max(0, x(posted) - x(ifLeft)), 4).fill(plumBand);
    page.rect(x(ifLeft), y, Math.max(0, x(ifMadeUp) - x(ifLeft)), 4).fill(tealBand);
    if (posted - ifLeft > 1e-9) stroke(x(ifLeft), y - 5, x(ifLeft), y + 5, plum, 2);
    if (ifMadeUp - ifLeft > 1e-9) stroke(x(ifMadeUp), y - 5, x(ifMadeUp), y + 5, teal, 2);
  }
  const square = (value: number) => page.rect(x(value) - 3.5, y - 3.5, 7, 7);
  if (grade.count) square(grade.count.figure).lineWidth(1.2).fillAndStroke(paper, ink);
  if (grade.figure !== null) square(grade.figure).fill(ink);
}
