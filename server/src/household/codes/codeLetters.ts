import { languages, type Language } from '@cadro/contract';
import { codeLetter, light } from '@cadro/core';
import { buffer } from 'node:stream/consumers';
import QRCode from 'qrcode';
import PDFDocument from 'pdfkit';
import { inner, margin, newPaper, putLine, sheet } from '../../kit';
import { addressOfCode, addressOfDoor } from '../door/giveCode';
import type { GivenCode } from './classCodes';

type Page = PDFKit.PDFDocument;

const halfHeight = (sheet.height - 2 * margin) / 2;
const squareSize = 118;
const textWidth = inner - squareSize - 20;

/** A square that a phone reads, drawn as what it is: dark cells on paper. */
function putSquare(page: Page, text: string, left: number, top: number): void {
  const { size, data } = QRCode.create(text, { errorCorrectionLevel: 'M' }).modules;
  const cell = squareSize / size;
  for (let row = 0; row < size; row++)
    for (let column = 0; column < size; column++)
      if (data[row * size + column]) page.rect(left + column * cell, top + row * cell, cell, cell);
  page.fill(light.ink);
}

/** One language's half of a letter. */
function putHalf(page: Page, given: GivenCode, language: Language, publicUrl: string, top: number): void {
  const { title, greeting, lead, steps, foot } = codeLetter(language, {
    ...{ givenName: given.givenName, schoolName: given.schoolName, until: given.until },
    address: addressOfDoor(publicUrl),
  });
  const line = (
    text: string,
    at: number,
    look: { size: number; width?: number; bold?: boolean; lines?: number },
  ) => putLine(page, text, margin, at, { width: inner, ...look });
  line(title, top, { size: 19, bold: true, lines: 2 });
  line(greeting, top + 34, { size: 11 });
  line(lead, top + 56, { size: 11, width: textWidth, lines: 5 });
  putSquare(page, addressOfCode(publicUrl, given.code), margin + inner - squareSize, top + 56);
  const [scan = '', type = '', check = ''] = steps;
  line(`1.  ${scan}`, top + 132, { size: 11, width: textWidth, lines: 2 });
  line(`2.  ${type}`, top + 168, { size: 11, width: textWidth });
  line(given.code, top + 190, { size: 22, bold: true });
  line(`3.  ${check}`, top + 228, { size: 11, lines: 2 });
  line(foot, top + 262, { size: 9.5, lines: 4 });
}

export interface LettersAsk {
  readonly codes: readonly GivenCode[];
  readonly publicUrl: string;
}

/**
 * A letter for each child, one a page: English above, Spanish below, each with the code and the square that brings it.
 * @returns a PDF.
 */
export async function codeLetters({ codes, publicUrl }: LettersAsk): Promise<Buffer> {
  const page = newPaper((options) => new PDFDocument(options), {
    title: 'Cadro',
    language: 'en',
    margin,
    autoFirstPage: false,
  });
  for (const given of codes) {
    page.addPage();
    languages.forEach((language, index) => {
      const top = margin + index * (halfHeight + 10);
      putHalf(page, given, language, publicUrl, top);
    });
    page
      .moveTo(margin, margin + halfHeight - 6)
      .lineTo(sheet.width - margin, margin + halfHeight - 6)
      .lineWidth(0.7)
      .strokeColor(light.line)
      .stroke();
    const whose = [`${given.familyName}, ${given.givenName}`, given.year, given.schoolName].filter(Boolean);
    putLine(page, whose.join(' · '), margin, sheet.height - margin - 8, {
      ...{ size: 8, width: inner, colour: light.soft },
    });
  }
  page.end();
  return buffer(page);
}
