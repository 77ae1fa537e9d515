import { buffer } from 'node:stream/consumers';
import type { ChildTerms, Language, TermCourse, TermNode } from '@cadro/contract';
import { light } from '@cadro/core';
import { printFormat, type PrintFormat } from './format';
import PDFDocument from 'pdfkit';
import { inner, margin, newPaper, putLine, sheet } from '../../kit';
import { printWords } from './words';

/** A school year of a child as it is printed: a grid of grades, attendance under it, then what was written. */
export interface CardsReport {
  readonly language: Language;
  readonly timeZone: string;
  readonly childName: string;
  readonly schoolName: string;
  readonly title: string;
  readonly asOf: Date;
  /** In the order of their columns. */
  readonly terms: readonly TermNode[];
  readonly courses: readonly TermCourse[];
  readonly attendance: ChildTerms['attendance'];
}

const { ink, soft, line } = light;
const nameWidth = 150;
const rowHeight = 30;
const bottom = sheet.height - margin;

class Writer {
  private top = margin;

  constructor(
    private readonly page: PDFKit.PDFDocument,
    private readonly report: CardsReport,
  ) {}

  private get words() {
    return printWords[this.report.language];
  }

  private get column(): number {
    return (inner - nameWidth) / Math.max(1, this.report.terms.length);
  }

  private get format(): PrintFormat {
    return printFormat(this.report.language, this.report.timeZone);
  }

  /** Room for so much, on the next page where this one is full. */
  private room(height: number): void {
    if (this.top + height <= bottom) return;
    this.page.addPage();
    this.top = margin;
  }

  private put(text: string, left: number, look: Omit<Parameters<typeof putLine>[4], 'width'>, width: number) {
    putLine(this.page, text, left, this.top, { ...look, width });
  }

  private rule(): void {
    const { page, top } = this;
    page
      .lineWidth(0.5)
      .moveTo(margin, top)
      .lineTo(margin + inner, top)
      .stroke(line);
    this.top += 5;
  }

  head(): void {
    const { childName, schoolName, title, asOf } = this.report;
    this.put(childName, margin, { size: 22, bold: true }, inner);
    this.top += 30;
    this.put(`${schoolName} · ${title}`, margin, { size: 10 }, inner * 0.65);
    this.put(
      this.words.printed(this.format.date(asOf)),
      margin,
      { size: 10, align: 'right', colour: soft },
      inner,
    );
    this.top += 26;
  }

  /** A row of the grid: a name, and a short text for each term. */
  private row(name: string, under: string, cells: readonly { text: string; sure: boolean }[]): void {
    this.room(rowHeight + 6);
    this.rule();
    this.put(name, margin, { size: 11, bold: true }, nameWidth - 6);
    if (under)
      putLine(this.page, under, margin, this.top + 14, { size: 8, width: nameWidth - 6, colour: soft });
    cells.forEach(({ text, sure }, place) => {
      const left = margin + nameWidth + place * this.column;
      this.put(text, left, { size: 10, bold: sure, colour: sure ? ink : soft }, this.column - 4);
    });
    this.top += rowHeight - 5;
  }

  grid(): void {
    const { terms, courses, attendance } = this.report;
    terms.forEach((term, place) => {
      const left = margin + nameWidth + place * this.column;
      this.put(
        term.depth === 0 ? this.words.wholeYear : term.title,
        left,
        { size: 8, colour: soft, lines: 2 },
        this.column - 4,
      );
    });
    this.top += 26;
    for (const course of courses) {
      const { credits, creditsEarned } = course;
      const cells = terms.map(({ part }) => {
        const found = course.grades.find((grade) => grade.part === part);
        return {
          text: found ? (this.format.grade(found.grade) ?? '–') : '',
          sure: found?.state === 'stored',
        };
      });
      this.row(course.title, credits > 0 ? this.words.credits(creditsEarned, credits) : '', cells);
    }
    const attended = [
      [this.words.daysMissed, 'daysMissed'],
      [this.words.lateArrivals, 'late'],
    ] as const;
    const recorded = terms.some(({ part }) => attendance.some((each) => each.part === part));
    for (const [name, of] of recorded ? attended : []) {
      const cells = terms.map(({ part }) => {
        const found = attendance.find((each) => each.part === part);
        return { text: found ? String(found[of]) : '', sure: true };
      });
      this.row(name, '', cells);
    }
    this.rule();
    this.put(this.words.cardsLegend, margin, { size: 8, colour: soft }, inner);
    this.top += 24;
  }

  comments(): void {
    const { terms, courses } = this.report;
    for (const term of terms) {
      const said = courses.flatMap(({ title, remarks }) =>
        remarks.filter(({ part }) => part === term.part).map((remark) => ({ title, ...remark })),
      );
      if (said.length === 0) continue;
      this.room(50);
      this.put(term.title, margin, { size: 13, bold: true }, inner);
      this.top += 20;
      for (const { title, text, author } of said) {
        const words = `${title}, ${author}: “${text}”`;
        const height = this.page.fontSize(9).heightOfString(words, { width: inner });
        this.room(height + 4);
        this.put(words, margin, { size: 9, lines: Math.ceil(height / 9) + 1 }, inner);
        this.top += height + 5;
      }
      this.top += 8;
    }
  }
}

/** The report cards of a school year, as PDF bytes. */
export async function cardsPage(report: CardsReport): Promise<Buffer> {
  const title = `${report.childName}, ${report.title}`;
  const page = newPaper((options) => new PDFDocument(options), {
    title,
    language: report.language,
    at: report.asOf,
    margin: 0,
  });
  const bytes = buffer(page);
  const writer = new Writer(page, report);
  writer.head();
  writer.grid();
  writer.comments();
  page.end();
  return bytes;
}
