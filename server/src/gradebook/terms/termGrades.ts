import {
  PolicyRecord,
  type CourseRecord,
  type PolicyCorrection,
  type Scale,
  type TermCourse,
  type TermGrade,
} from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import {
  composeTerms,
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
import type { CourseOfYears, ReportRemark, StoredGrade } from './termStore';

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
  readonly stored: readonly StoredGrade[];
  readonly remarks: readonly ReportRemark[];
  readonly today: string;
}

interface Reading {
  readonly display: number | null;
  readonly letter: string | null;
}

/** How a course's fractions are written: by its policy, or by what the school wrote where there is none. */
function readingOf(policy: Policy | null, fraction: number | null): Reading {
  if (fraction === null) return { display: null, letter: null };
  if (!policy) return { display: Math.round(fraction * 1000) / 10, letter: null };
  return { display: displayOf(policy, fraction), letter: letterOf(policy, fraction) };
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
  readonly computed: ReadonlyMap<string, number | null>;
  readonly storedOf: ReadonlyMap<string, StoredGrade>;
  readonly titles: ReadonlyMap<string, string | null>;
  readonly byName: ReadonlyMap<string, TermOfYear>;
  readonly composed: ReturnType<typeof composeTerms>;
}

/** The fraction of each term that has begun, as its record gives it. */
const computedOf = ({ records }: CourseYears): Known['computed'] =>
  new Map(
    [...records].map(([part, record]) => {
      const { posted } = courseFigures(record);
      return [part, posted === null ? null : posted / wholePolicy(record.policy).outOf] as const;
    }),
  );

function knownOf(course: CourseYears, policy: Policy | null): Known {
  const { row, terms, stored } = course;
  const depths = partsInOrder(row, terms);
  const computed = computedOf(course);
  const storedOf = new Map(stored.map((grade) => [grade.part, grade]));
  const parts = [...depths.keys()].map((part): [string, KnownPart] => [
    part,
    { computed: computed.get(part) ?? null, stored: storedOf.get(part)?.fraction ?? null },
  ]);
  const titles = new Map(
    row.composition.flatMap(({ parts: of }) => of.map(({ part, title }) => [part, title ?? null] as const)),
  );
  return {
    ...course,
    ...{ policy, depths, computed, storedOf, titles },
    byName: new Map(terms.map((term) => [term.external_id, term])),
    composed: composeTerms(row.composition, new Map(parts)),
  };
}

/** The term of which a part is one. */
const wholeOf = ({ row, byName }: Known, part: string): TermOfYear | undefined =>
  byName.get(row.composition.find(({ parts }) => parts.some((each) => each.part === part))?.sessionId ?? '');

/** What a grade is made of, each part as stored where the school has stored it. */
const partsOf = ({ composed, byName, titles, storedOf, policy }: Known, part: string): TermGrade['parts'] =>
  (composed.get(part)?.parts ?? []).map(({ part: name, weight, fraction: now, stored: final }) => ({
    part: name,
    title: byName.get(name)?.title ?? titles.get(name) ?? name,
    weight,
    fraction: final ?? now,
    display: storedOf.get(name)?.figure ?? readingOf(policy, final ?? now).display,
    stored: final !== null,
  }));

function gradeOf(known: Known, part: string): TermGrade {
  const { storedOf, computed, composed, policy, byName, titles, today } = known;
  const own = storedOf.get(part);
  const fraction = own?.fraction ?? computed.get(part) ?? composed.get(part)?.fraction ?? null;
  const reading = readingOf(policy, fraction);
  return {
    part,
    depth: known.depths.get(part) ?? 0,
    title: byName.has(part) ? null : (titles.get(part) ?? part),
    state: stateOf({ own: byName.get(part), whole: wholeOf(known, part) }, today, {
      stored: own !== undefined,
      figure: fraction !== null,
    }),
    fraction,
    display: own?.figure ?? reading.display,
    letter: own ? own.letter : reading.letter,
    at: own ? own.reported_at.toISOString() : null,
    parts: partsOf(known, part),
  };
}

/** Every part of a course's year with its grade, in the order in which the year is made. */
export function termCourse(course: CourseYears): TermCourse {
  const { row, stored } = course;
  const record = policyOf(course);
  const known = knownOf(course, record && wholePolicy(record));
  return {
    courseId: row.id,
    title: row.title,
    teacher: row.teacher_name,
    scale: record ? scaleOf(record) : reportScale,
    current: row.policy !== null,
    credits: row.credits,
    creditsEarned: stored.reduce((sum, grade) => sum + (grade.credits_earned ?? 0), 0),
    grades: [...known.depths.keys()].map((part) => gradeOf(known, part)),
    remarks: course.remarks.map(({ part, text, author, written_at }) => ({
      part,
      text,
      author,
      writtenAt: written_at.toISOString(),
    })),
  };
}
