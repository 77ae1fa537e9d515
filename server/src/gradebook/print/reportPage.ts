import { buffer } from 'node:stream/consumers';
import type { CourseFigures, CourseGrade, GradeState, Language, Scale } from '@cadro/contract';
import { light } from '@cadro/core';
import { drawSpan, type Page } from './drawSpan';
import { printFormat, type PrintFormat } from './format';
import PDFDocument from 'pdfkit';
import { inner, type Look, margin, newPaper, putLine, sheet } from '../../kit';
import { printWords, type PrintWords } from './words';

export interface ReportCourse {
  readonly title: string;
  readonly teacher: string | null;
  readonly scale: Scale;
  readonly figures: CourseFigures | null;
  readonly grade: CourseGrade | null;
  /** How sure it is: the school has stored it, or not. */
  readonly state: GradeState | null;
  readonly standards: readonly { readonly title: string; readonly level: number | null }[];
  readonly remark: string | null;
}

export interface Report {
  readonly language: Language;
  readonly timeZone: string;
  readonly childName: string;
  readonly schoolName: string;
  readonly year: string;
  readonly term: { readonly title: string; readonly startsOn: string; readonly endsOn: string };
  readonly asOf: Date;
  readonly source: { readonly name: string; readonly readAt: Date | null };
  readonly courses: readonly ReportCourse[];
  readonly attendance: {
    readonly days: number;
    readonly absent: number;
    readonly lessons: number;
    readonly unexcused: number;
    readonly late: number;
  };
}

const { soft } = light;
const footer = 62;
/** Rows are as tall as the page allows, between these. */
const tallest = 92;
const shortest = 62;

class Writer {
  constructor(
    private readonly page: Page,
    private readonly report: Report,
  ) {}

  get words(): PrintWords {
    return printWords[this.report.language];
  }

  private get format(): PrintFormat {
    return printFormat(this.report.language, this.report.timeZone);
  }

  line(text: string, left: number, top: number, look: Look): void {
    putLine(this.page, text, left, top, look);
  }

  head(): number {
    const { childName, schoolName, year, term, asOf } = this.report;
    this.line(childName, margin, margin, { size: 22, width: inner, bold: true });
    this.line(`${schoolName} · ${this.words.year(year)}`, margin, margin + 30, { size: 10, width: inner });
    const dates = this.words.term(term.title, this.format.day(term.startsOn), this.format.day(term.endsOn));
    this.line(dates, margin, margin + 45, { size: 10, width: inner });
    this.line(this.words.printed(this.format.instant(asOf)), margin, margin + 45, {
      size: 10,
      width: inner,
      align: 'right',
      colour: soft,
    });
    return margin + 68;
  }

  course(course: ReportCourse, top: number): void {
    const { title, teacher, scale, figures, grade, state } = course;
    this.page
      .lineWidth(0.5)
      .moveTo(margin, top - 5)
      .lineTo(margin + inner, top - 5)
      .stroke(light.line);
    this.line(title, margin, top, { size: 14, width: 210, bold: true });
    if (teacher) this.line(teacher, margin, top + 19, { size: 9, width: 175, colour: soft });
    const standards = scale.method === 'standards';
    if (!standards) {
      const said = this.format.grade(grade);
      const at = { left: margin + 215, width: 75, align: 'right' } as const;
      if (said !== null) this.line(said, at.left, top, { ...at, size: 14, bold: true });
      else this.line(this.words.noGrade, at.left, top + 3, { ...at, size: 10, colour: soft });
      const sure = state && state !== 'running' ? [this.words.state[state]] : [];
      const count = grade?.count
        ? [this.words.byOurCount(this.format.grade({ ...grade, ...grade.count }) ?? '')]
        : [];
      const small = { size: 8, width: 130, align: 'right', colour: soft, lines: 2 } as const;
      this.line([...sure, ...count].join('\n'), margin + 160, top + 19, small);
    }
    const right = { left: margin + 305, width: inner - 305 };
    if (standards) this.standards(course, right, top);
    else if (figures && figures.posted !== null) this.outlook(course, figures, right, top);
    if (course.remark)
      this.line(`“${course.remark}”`, margin, top + 33, { size: 9, width: 285, colour: soft, lines: 2 });
  }

  private outlook(
    { grade, scale }: ReportCourse,
    figures: CourseFigures,
    at: { left: number; width: number },
    top: number,
  ): void {
    if (grade) drawSpan(this.page, { figures, grade }, scale, { ...at, y: top + 7 });
    const { words } = this;
    const { ifLeft, ifMadeUp } = figures;
    const { decimals } = scale;
    const said = [
      [words.posted, grade?.display ?? null, grade?.decimals ?? decimals] as const,
      [words.ifLeft, ifLeft, decimals] as const,
      [words.ifMadeUp, ifMadeUp, decimals] as const,
    ].flatMap(([name, value, shown]) =>
      value === null ? [] : [`${name} ${this.format.number(value, shown)}`],
    );
    const rest = [words.open(figures.looseEnds.length), words.trend[figures.trend.class]].filter(Boolean);
    this.line(said.join(' · '), at.left, top + 24, { size: 9, width: at.width });
    this.line(rest.join(' · '), at.left, top + 36, { size: 9, width: at.width, colour: soft });
  }

  private standards(course: ReportCourse, at: { left: number; width: number }, top: number): void {
    const found = course.figures?.standards ?? [];
    const assessed = found.filter(({ level }) => level !== null);
    const met = assessed.filter((standard) => standard.met).length;
    const count = this.words.assessed(met, assessed.length, found.length - assessed.length);
    this.line(count, at.left, top, { size: 9, width: at.width, bold: true });
    course.standards.slice(0, 4).forEach(({ title, level }, index) => {
      const words =
        level === null
          ? this.words.notAssessed
          : this.words.level(this.format.number(level, level % 1 ? 1 : 0));
      const look = { size: 8, colour: soft };
      const line = top + 14 + index * 12;
      this.line(title, at.left, line, { ...look, width: at.width - 38 });
      this.line(words, at.left + at.width - 36, line, { ...look, width: 36, align: 'right' });
    });
  }

  foot(): void {
    const { attendance, source } = this.report;
    const top = sheet.height - margin - footer + 10;
    if (attendance.days > 0)
      this.line(this.words.attendance(attendance), margin, top, { size: 10, width: inner });
    const drawn = this.report.courses.some(({ scale }) => scale.method !== 'standards');
    if (drawn)
      this.line(this.words.legend, margin, top + 16, { size: 8, width: inner, colour: soft, lines: 2 });
    const read = source.readAt ? this.format.instant(source.readAt) : '–';
    this.line(this.words.source(source.name, read), margin, top + (drawn ? 38 : 18), {
      size: 8,
      width: inner,
      colour: soft,
    });
  }
}

/** One printed page for a child and a term, as PDF bytes. However many courses there are, it stays one page. */
export async function reportPage(report: Report): Promise<Buffer> {
  const title = `${report.childName}, ${report.term.title}`;
  const page = newPaper((options) => new PDFDocument(options), {
    title,
    language: report.language,
    at: report.asOf,
    margin: 0,
  });
  const bytes = buffer(page);
  const writer = new Writer(page, report);
  const top = writer.head();
  const room = sheet.height - margin - footer - top;
  const fits = Math.floor(room / shortest);
  const all = report.courses.length <= fits;
  const shown = all ? report.courses : report.courses.slice(0, fits - 1);
  const step = Math.max(shortest, Math.min(tallest, room / Math.max(1, shown.length)));
  shown.forEach((course, index) => writer.course(course, top + index * step));
  if (!all) {
    const more = writer.words.more(report.courses.length - shown.length);
    writer.line(more, margin, top + shown.length * step, { size: 9, width: inner });
  }
  writer.foot();
  page.end();
  return bytes;
}
