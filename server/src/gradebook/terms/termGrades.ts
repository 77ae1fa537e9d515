import {
  PolicyRecord,
  type CourseGrade,
  type CourseRecord,
  type PolicyCorrection,
  type Scale,
  type TermCourse,
  type TermGrade,
} from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import {
  composeTerms,
  countedGrade,
  courseGrade,
  householdPolicy,
  courseFigures,
  displayOf,
  letterOf,
  termStateOf,
  wholePolicy,
  type KnownPart,
  type Policy,
  scaleOf,
} from '@cadro/core';
import type { TermOfYear } from '../../records';
import type { CourseOfYears, ReportRemark, TermStatement } from './termStore';

/** Where only reports are kept there is no policy: figures are percents as stored. */
const reportScale: Scale = { method: 'points', outOf: 100, decimals: 1, letters: [] };

export interface CourseYears {
  readonly row: CourseOfYears;
  /** Terms of its own year, by date. */
  readonly terms: readonly TermOfYear[];
  /** The record of each of its terms that has begun, by the term's own name. */
  readonly records: ReadonlyMap<string, CourseRecord>;
  /** What the household assumes of its policy. */
  readonly correction: PolicyCorrection | null;
  /** What the school has stated of any of its terms. */
  readonly stated: readonly TermStatement[];
  readonly remarks: readonly ReportRemark[];
  readonly today: string;
}

const policyOf = ({ row, correction }: CourseYears): PolicyRecord | null =>
  row.policy === null ? null : householdPolicy(parse('stored policy', PolicyRecord, row.policy), correction);

/** A term by its own dates; an exam, which has none, by the end of the term it is a part of. */
function stateOf(
  { own, whole }: { readonly own: TermOfYear | undefined; readonly whole: TermOfYear | undefined },
  today: string,
  has: { readonly stored: boolean; readonly figure: boolean },
): TermGrade['state'] {
  if (has.stored) return 'stored';
  const term = own ?? whole;
  const state = term ? termStateOf({ startsOn: term.starts_on, endsOn: term.ends_on }, today) : 'ahead';
  if (state === 'closed') return has.figure ? 'final' : 'not-reported';
  return own ? state : 'ahead';
}

/**
 * The parts of a course's year with their depths, each formula's parts after the term they make: a quarter, a
 * quarter, their exam. Terms that no formula names stand where the tree has them.
 */
function partsInOrder(row: CourseOfYears, terms: readonly TermOfYear[]): ReadonlyMap<string, number> {
  const depths = new Map<string, number>();
  const visit = (part: string, depth: number): void => {
    if (depths.has(part)) return;
    depths.set(part, depth);
    const formula = row.composition.find(({ sessionId }) => sessionId === part);
    const made = formula?.parts.map(({ part: own }) => own) ?? [];
    const below = terms.filter((term) => term.parent_external_id === part).map((term) => term.external_id);
    for (const own of made.length > 0 ? made : below) visit(own, depth + 1);
  };
  const [top] = terms;
  if (top) visit(top.external_id, 0);
  for (const term of terms) visit(term.external_id, 1);
  return depths;
}

/** What is known of a course's year before it is put into parts. */
interface Known extends CourseYears {
  readonly policy: Policy | null;
  readonly depths: ReadonlyMap<string, number>;
  readonly titles: ReadonlyMap<string, string | null>;
  readonly byName: ReadonlyMap<string, TermOfYear>;
  /** The grade of each part, as the school states it or we count it. */
  readonly grades: ReadonlyMap<string, CourseGrade>;
  readonly composed: Composed;
}

/** How a fraction reads on a course's scale; where only reports are kept there is no policy, and figures are percents. */
function countOf(policy: Policy | null, fraction: number | null) {
  if (fraction === null) return { posted: null, display: null, letter: null };
  if (!policy) return { posted: fraction * 100, display: Math.round(fraction * 1000) / 10, letter: null };
  return {
    posted: fraction * policy.outOf,
    display: displayOf(policy, fraction),
    letter: letterOf(policy, fraction),
  };
}

/** What the school wrote where there is no policy to read it by. */
const asWritten = ({ figure, fraction, letter, reported_at }: TermStatement): CourseGrade => ({
  ...countedGrade(reportScale, countOf(null, fraction)),
  ...(figure === null ? {} : { figure, display: figure }),
  ...{ letter, by: 'final', at: reported_at.toISOString() },
});

/** The grade of a part: the school's own where it states one, beside what we count for it. */
function gradeIn(
  { stated }: CourseYears,
  policy: Policy | null,
  part: string,
  fraction: number | null,
): CourseGrade {
  const said = stated.filter((each) => each.part === part);
  const final = said.findLast((each) => each.final);
  if (!policy) return final ? asWritten(final) : countedGrade(reportScale, countOf(null, fraction));
  return courseGrade(
    policy,
    countOf(policy, fraction),
    said.map(({ reported_at, ...each }) => ({ ...each, at: reported_at.toISOString() })),
  );
}

/** What a part brings into the grade it is a part of: a stored fraction for good, else its grade as it stands. */
function partOf({ stated }: CourseYears, policy: Policy | null, part: string, grade: CourseGrade): KnownPart {
  const outOf = policy?.outOf ?? 100;
  const final = stated.findLast((each) => each.part === part && each.final);
  return {
    computed: grade.figure === null ? null : grade.figure / outOf,
    stored: final ? (final.fraction ?? (grade.figure === null ? null : grade.figure / outOf)) : null,
  };
}

type Composed = ReturnType<typeof composeTerms>;

/** The grade that a composed one is made of while no other part of it is known: it reads as that one does. */
function soleGrade(
  composed: Composed,
  grades: ReadonlyMap<string, CourseGrade>,
  part: string,
  depth = 0,
): CourseGrade | undefined {
  if (depth > 6) return undefined; // a formula that leads back to itself
  const known = (composed.get(part)?.parts ?? []).filter(
    ({ fraction, stored }) => (stored ?? fraction) !== null,
  );
  const [only] = known;
  if (!only || known.length > 1) return undefined;
  const own = grades.get(only.part);
  return own?.display === null ? soleGrade(composed, grades, only.part, depth + 1) : own;
}

function knownOf(course: CourseYears, policy: Policy | null): Known {
  const { row, terms, records } = course;
  const depths = partsInOrder(row, terms);
  const own = [...depths.keys()].map((part) => {
    const record = records.get(part);
    const posted = record ? courseFigures(record).posted : null;
    const fraction = record && posted !== null ? posted / wholePolicy(record.policy).outOf : null;
    return [part, gradeIn(course, policy, part, fraction)] as const;
  });
  const composed = composeTerms(
    row.composition,
    new Map(own.map(([part, grade]) => [part, partOf(course, policy, part, grade)])),
  );
  const grades = own.map(([part, grade]) => {
    const made = records.has(part) ? null : (composed.get(part)?.fraction ?? null);
    if (made === null) return [part, grade] as const;
    const whole = gradeIn(course, policy, part, made);
    const sole = whole.by === 'count' ? soleGrade(composed, new Map(own), part) : undefined;
    if (!sole) return [part, whole] as const;
    const { figure, display, decimals, letter } = sole;
    return [part, { ...whole, figure, display, decimals, letter }] as const;
  });
  const titles = new Map(
    row.composition.flatMap(({ parts: of }) => of.map(({ part, title }) => [part, title ?? null] as const)),
  );
  return {
    ...course,
    ...{ policy, depths, titles, composed },
    grades: new Map(grades),
    byName: new Map(terms.map((term) => [term.external_id, term])),
  };
}

/** The term of which a part is one. */
const wholeOf = ({ row, byName }: Known, part: string): TermOfYear | undefined =>
  byName.get(row.composition.find(({ parts }) => parts.some((each) => each.part === part))?.sessionId ?? '');

/** What a grade is made of, each part as stored where the school has stored it. */
const partsOf = ({ composed, byName, titles, grades, policy }: Known, part: string): TermGrade['parts'] =>
  (composed.get(part)?.parts ?? []).map(({ part: name, weight, fraction: now, stored: final }) => ({
    part: name,
    title: byName.get(name)?.title ?? titles.get(name) ?? name,
    weight,
    fraction: final ?? now,
    display: grades.get(name)?.display ?? countOf(policy, final ?? now).display,
    stored: final !== null,
  }));

function gradeOf(known: Known, part: string): TermGrade {
  const { composed, policy, byName, titles, today } = known;
  const grade = known.grades.get(part) ?? countedGrade(policy ?? reportScale, countOf(policy, null));
  const final = known.stated.findLast((each) => each.part === part && each.final);
  const fraction = final?.fraction ?? (grade.figure === null ? null : grade.figure / (policy?.outOf ?? 100));
  return {
    part,
    depth: known.depths.get(part) ?? 0,
    title: byName.has(part) ? null : (titles.get(part) ?? part),
    state: stateOf({ own: byName.get(part), whole: wholeOf(known, part) }, today, {
      stored: final !== undefined,
      figure: grade.figure !== null || (composed.get(part)?.fraction ?? null) !== null,
    }),
    fraction,
    grade,
    parts: partsOf(known, part),
  };
}

/** Every part of a course's year with its grade, in the order in which the year is made. */
export function termCourse(course: CourseYears): TermCourse {
  const { row, stated } = course;
  const record = policyOf(course);
  const known = knownOf(course, record && wholePolicy(record));
  return {
    courseId: row.id,
    title: row.title,
    teacher: row.teacher_name,
    scale: record ? scaleOf(record) : reportScale,
    current: row.policy !== null,
    credits: row.credits,
    creditsEarned: stated.reduce((sum, { credits_earned }) => sum + (credits_earned ?? 0), 0),
    grades: [...known.depths.keys()].map((part) => gradeOf(known, part)),
    remarks: course.remarks.map(({ part, text, author, written_at }) => ({
      part,
      text,
      author,
      writtenAt: written_at.toISOString(),
    })),
  };
}
