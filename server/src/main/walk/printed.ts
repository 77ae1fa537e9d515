import type { ChildTerms, CourseDetail, CourseGrade, TermCourse, TermNode } from '@cadro/contract';
import { roundHalfAway, yearColumns } from '@cadro/core';
import type { Printed } from '../../testing/paper';
import type { Papers, Seen } from './evening';
import type { Said } from './said';

/* What a family reads on paper, letter by letter, and what the app says of the same. */

/** Where columns begin, in points: the sheet's margin, and the first of the report cards' terms. */
const margin = 42;
const nothing = 'no grade yet';
const sizes = { name: 14, row: 11, cell: 10, comment: 9, small: 8 } as const;

type Of = { readonly studentId: string; readonly courseId: string; readonly part: string };
const about = (what: string, { studentId, courseId, part }: Of) =>
  `${what} of ${studentId}:${courseId} in ${part}`;

const isOf = (size: number) => (printed: Printed) => Math.abs(printed.size - size) < 0.1;
/** Texts that did not fit, but for a teacher's words, which may be long. */
const cutShort = (place: string, pages: readonly Printed[][]): Said[] =>
  pages
    .flat()
    .filter(({ text }) => text.endsWith('…') && !text.includes('“'))
    .map(({ text }) => [
      { place, about: text, text },
      { place: 'the app', about: text, text: 'whole' },
    ])
    .flat();
const beside = (a: Printed, b: Printed) => Math.abs(a.y - b.y) < 2;
const atMargin = ({ x }: Printed) => Math.abs(x - margin) < 1;
const joined = (printed: readonly Printed[], by = ' '): string =>
  printed.map(({ text }) => text.trim()).join(by);
const even = (text: string): string => text.replace(/\s+/g, ' ').trim();

const figure = (value: number, decimals: number): string => roundHalfAway(value, decimals).toFixed(decimals);
/** As it stands on paper: 80.4 B. */
const written = ({
  display,
  decimals,
  letter,
}: Pick<CourseGrade, 'display' | 'decimals' | 'letter'>): string =>
  even([display === null ? '' : figure(display, decimals), letter ?? ''].join(' '));

/** What the app says of a term's grades, in the paper's words. */
function inTheApp({ studentId, courses }: ChildTerms, shown: ReadonlySet<string>): Said[] {
  return courses.flatMap(({ courseId, scale, grades, remarks }) =>
    grades.flatMap(({ part, grade }): Said[] => {
      const of = { studentId, courseId, part };
      if (!shown.has(`${courseId} ${part}`) || scale.method === 'standards') return [];
      const remark = remarks.find((each) => each.part === part)?.text;
      return [
        { place: 'terms', about: about('printed grade', of), text: written(grade) },
        ...(grade.count
          ? [
              {
                place: 'terms',
                about: about('printed count', of),
                text: written({ ...grade, ...grade.count }),
              },
            ]
          : []),
        ...(remark ? [{ place: 'terms', about: about('printed remark', of), text: even(remark) }] : []),
      ];
    }),
  );
}

/** The page of a term: each course's name with what stands between it and the next. */
function onTermPage(
  pages: readonly Printed[][],
  terms: ChildTerms,
  details: readonly CourseDetail[],
): Said[] {
  const place = 'paper of the term';
  const { studentId } = terms;
  const page = pages.flat();
  const names = page.filter((each) => isOf(sizes.name)(each) && atMargin(each));
  const term = terms.terms
    .filter(({ title, depth }) => depth > 0 && page.some(({ text }) => text.startsWith(`${title}, `)))
    .at(0);
  if (!term) return [{ place, about: `a term of ${studentId}`, text: joined(page).slice(0, 200) }];
  return names.flatMap((name, index): Said[] => {
    const course = terms.courses.find(({ title }) => title === name.text.trim());
    if (!course) return [{ place, about: `a course of ${studentId}`, text: name.text }];
    if (course.scale.method === 'standards') return [];
    const of = { studentId, courseId: course.courseId, part: term.part };
    const under = page.filter(({ y }) => y <= name.y + 2 && y > (names[index + 1]?.y ?? 0) + 2);
    const grade = under.filter((each) => each !== name && (isOf(sizes.name)(each) || each.text === nothing));
    const small = joined(under.filter(isOf(sizes.small)));
    const count = /by our count ([\d.]+(?: [A-Z][+-]?)?)/.exec(small)?.[1];
    const figures = joined(under.filter(isOf(sizes.comment)));
    const detail = details.find(
      (each) => each.id === course.courseId && each.studentId === studentId && each.term.id === term.id,
    );
    const said = even(joined(grade));
    return [
      { place, about: about('printed grade', of), text: said === nothing ? '' : said },
      ...(count ? [{ place, about: about('printed count', of), text: count }] : []),
      ...(detail ? figuresSaid(place, of, figures, detail) : []),
    ];
  });
}

/** Posted, if left, if made up, and how much is open: as printed, and as the course's page has them. */
function figuresSaid(place: string, of: Of, text: string, { figures, grade, scale }: CourseDetail): Said[] {
  const printed = (pattern: RegExp) => pattern.exec(text)?.[1];
  const shown = (value: number | null | undefined, decimals: number): string =>
    value === null || value === undefined ? '–' : figure(value, decimals);
  const pairs = [
    ['posted', printed(/posted ([\d.]+)/), shown(grade.display, grade.decimals)],
    ['if left', printed(/if left ([\d.]+)/), shown(figures?.ifLeft, scale.decimals)],
    ['if made up', printed(/if made up ([\d.]+)/), shown(figures?.ifMadeUp, scale.decimals)],
    ['loose ends', printed(/(\d+) loose ends?/), String(figures?.looseEnds.length)],
  ] as const;
  return pairs.flatMap(([what, found, own]): Said[] =>
    found === undefined
      ? []
      : [
          { place, about: about(what, of), text: found },
          { place: 'course', about: about(what, of), text: own },
        ],
  );
}

/** The report cards: a row for each course, a cell for each term, then what teachers wrote. */
function onCards(pages: readonly Printed[][], terms: ChildTerms): Said[] {
  const place = 'paper of report cards';
  const { studentId } = terms;
  const top = terms.terms.find(({ depth }) => depth === 0);
  if (!top) return [];
  const columns = columnsOf(pages, yearColumns(terms.terms, top));
  const comments = even(joined(pages.flat().filter(isOf(sizes.comment))));
  return pages.flatMap((page) => {
    const names = page.filter((each) => isOf(sizes.row)(each) && atMargin(each));
    return names.flatMap((name): Said[] => {
      const cells = page.filter((each) => isOf(sizes.cell)(each) && beside(each, name));
      const cellOf = (left: number) => joined(cells.filter(({ x }) => Math.abs(x - left) < 1)) || '';
      const course = terms.courses.find(({ title }) => title === name.text.trim());
      if (course) return columns.flatMap(({ term, left }) => cellSaid(course, term, cellOf(left)));
      const counted = ({ 'Days missed': 'daysMissed', 'Late arrivals': 'late' } as const)[name.text.trim()];
      if (!counted) return [{ place, about: `a row of ${studentId}`, text: name.text }];
      return columns.flatMap(({ term, left }): Said[] => {
        const own = terms.attendance.find(({ part }) => part === term.part);
        const what = `${name.text} of ${studentId} in ${term.part}`;
        return [
          { place, about: what, text: cellOf(left) },
          { place: 'terms', about: what, text: own ? String(own[counted]) : '' },
        ];
      });
    });
  });

  function cellSaid(course: TermCourse, { part }: TermNode, text: string): Said[] {
    const of = { studentId, courseId: course.courseId, part };
    if (course.scale.method === 'standards' || text === '') return [];
    const remark = course.remarks.find((each) => each.part === part)?.text;
    return [
      { place, about: about('printed grade', of), text: text === '–' ? '' : even(text) },
      ...(remark
        ? [
            {
              ...{ place, about: about('printed remark', of) },
              text: comments.includes(even(remark)) ? even(remark) : `not among: ${comments}`,
            },
          ]
        : []),
    ];
  }
}

/** Which term stands over which column, by the heads of the grid; a long title goes over two lines. */
function columnsOf([page = []]: readonly Printed[][], terms: readonly TermNode[]) {
  const heads = page.filter((each) => isOf(sizes.small)(each) && !atMargin(each));
  const lefts = [...new Set(heads.map(({ x }) => Math.round(x)))].sort((a, b) => a - b);
  return lefts.flatMap((left) => {
    const title = even(joined(heads.filter(({ x }) => Math.round(x) === left)));
    const term = terms.find((each) => title === (each.depth === 0 ? 'Year' : each.title));
    return term ? [{ term, left }] : [];
  });
}

/** Everything that is printed this evening, beside what the app says of the same. */
export function onPaper({ papers, terms, details }: Seen): Said[] {
  return papers.flatMap(({ studentId, term, cards }: Papers) => {
    const own = terms.find((each) => each.studentId === studentId);
    if (!own) return [];
    const printed = [
      ...cutShort('paper', [...term, ...cards]),
      ...onTermPage(term, own, details),
      ...onCards(cards, own),
    ];
    const shown = new Set(
      own.courses.flatMap(({ courseId, grades }) =>
        grades
          .filter(({ part }) =>
            printed.some((each) => each.about === about('printed grade', { studentId, courseId, part })),
          )
          .map(({ part }) => `${courseId} ${part}`),
      ),
    );
    return [...printed, ...inTheApp(own, shown)];
  });
}
