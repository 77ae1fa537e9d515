import type { CoursePolicy, PolicyCorrection } from '@cadro/contract';
import { wholePolicy } from '@cadro/core';

/** What stands in the fields: texts as they are typed, checked when they are read. */
export interface PolicyForm {
  readonly outOf: string;
  readonly missingCounts: 'zero' | 'floor' | 'not';
  readonly incompleteCounts: 'zero' | 'not';
  /** A percentage. */
  readonly floor: string;
  /** 'A 90, B 80': a letter and the percentage it begins at. */
  readonly letters: string;
  readonly categories: readonly {
    readonly id: string;
    readonly weight: string;
    readonly dropLowest: string;
  }[];
}

const number = (value: number): string => String(Math.round(value * 1e6) / 1e6);
const lettersText = (letters: readonly { readonly letter: string; readonly from: number }[]): string =>
  letters.map(({ letter, from }) => `${letter} ${number(from * 100)}`).join(', ');

const formWith = (
  assumed: ReturnType<typeof wholePolicy>,
  categories: CoursePolicy['categories'],
): PolicyForm => ({
  outOf: number(assumed.outOf),
  missingCounts: assumed.missingCounts,
  incompleteCounts: assumed.incompleteCounts,
  floor: number(assumed.floor * 100),
  letters: lettersText(assumed.letters),
  categories: categories.map(({ id, assumed: own }) => ({
    id,
    weight: number(own.weight),
    dropLowest: number(own.dropLowest),
  })),
});

export const formOf = ({ assumed, categories }: Pick<CoursePolicy, 'assumed' | 'categories'>): PolicyForm =>
  formWith(wholePolicy(assumed), categories);

/** The form with a correction put on top of it: a reason that was found, tried out. */
export function withCorrection(form: PolicyForm, correction: PolicyCorrection): PolicyForm {
  const changes = new Map((correction.categories ?? []).map((change) => [change.id, change]));
  return {
    ...form,
    ...(correction.outOf === undefined ? {} : { outOf: number(correction.outOf) }),
    ...(correction.missingCounts ? { missingCounts: correction.missingCounts } : {}),
    ...(correction.incompleteCounts ? { incompleteCounts: correction.incompleteCounts } : {}),
    ...(correction.floor === undefined ? {} : { floor: number(correction.floor * 100) }),
    ...(correction.letters ? { letters: lettersText(correction.letters) } : {}),
    categories: form.categories.map((category) => {
      const { weight, dropLowest } = changes.get(category.id) ?? {};
      return {
        ...category,
        ...(weight === undefined ? {} : { weight: number(weight) }),
        ...(dropLowest === undefined ? {} : { dropLowest: number(dropLowest) }),
      };
    }),
  };
}

export type FormField = 'outOf' | 'floor' | 'letters' | `weight/${string}` | `drop/${string}`;

/** A decimal comma is as good as a point. Null for what is no number between the two. */
function numberIn(text: string, least: number, most: number): number | null {
  const value = Number(text.trim().replace(',', '.'));
  return text.trim() !== '' && Number.isFinite(value) && value >= least && value <= most ? value : null;
}

function lettersIn(text: string): { letter: string; from: number }[] | null {
  const steps = text.split(/[,;\n]/).filter((step) => step.trim() !== '');
  const read = steps.map((step) => /^\s*(\S{1,12})\s+(\d+(?:\.\d+)?)\s*%?\s*$/.exec(step));
  if (read.some((found) => found === null || Number(found[2]) > 200)) return null;
  return read
    .map((found) => ({ letter: found?.[1] ?? '', from: Number(found?.[2]) / 100 }))
    .sort((a, b) => b.from - a.from);
}

export interface ReadForm {
  /** Null: as the source says. */
  readonly correction: PolicyCorrection | null;
  readonly wrong: readonly FormField[];
}

/** What differs from the source's policy, and which fields cannot be read. */
export function readForm(form: PolicyForm, { published: told, categories }: CoursePolicy): ReadForm {
  const published = wholePolicy(told);
  const wrong: FormField[] = [];
  const correction: { -readonly [K in keyof PolicyCorrection]: PolicyCorrection[K] } = {};
  const take = (field: FormField, value: number | null, known: number, put: (value: number) => void) => {
    if (value === null) wrong.push(field);
    else if (Math.abs(value - known) > 1e-9) put(value);
  };
  take('outOf', numberIn(form.outOf, 0.01, 1000), published.outOf, (value) => {
    correction.outOf = value;
  });
  take('floor', numberIn(form.floor, 0, 100), published.floor * 100, (value) => {
    correction.floor = value / 100;
  });
  if (form.missingCounts !== published.missingCounts) correction.missingCounts = form.missingCounts;
  if (form.incompleteCounts !== published.incompleteCounts) {
    correction.incompleteCounts = form.incompleteCounts;
  }
  const letters = lettersIn(form.letters);
  if (!letters) wrong.push('letters');
  else if (form.letters.trim() !== lettersText(published.letters)) correction.letters = letters;
  const changes = form.categories.flatMap(({ id, weight, dropLowest }) => {
    const known = categories.find((category) => category.id === id)?.published;
    const change: { id: string; weight?: number; dropLowest?: number } = { id };
    take(`weight/${id}`, numberIn(weight, 0, 1000), known?.weight ?? 0, (value) => {
      change.weight = value;
    });
    const drop = numberIn(dropLowest, 0, 100);
    const whole = drop !== null && Number.isInteger(drop) ? drop : null;
    take(`drop/${id}`, whole, known?.dropLowest ?? 0, (value) => {
      change.dropLowest = value;
    });
    return Object.keys(change).length > 1 ? [change] : [];
  });
  if (changes.length > 0) correction.categories = changes;
  return { correction: Object.keys(correction).length > 0 ? correction : null, wrong };
}
