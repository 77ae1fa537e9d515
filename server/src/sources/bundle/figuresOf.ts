import type { CourseRecord, ItemRecord, PolicyRecord, ResultRecord, ResultStatus } from '@cadro/contract';
import { assumedPolicy, byCodePoint, courseAnswer, dateIn } from '@cadro/core';
import type { NeutralCollection, NeutralRecord } from '../../records';
import { instantOf } from '../oneRoster/moments';
import type { Held, HeldRecords } from './heldRecords';

/** A record that names one that was never there. */
export interface Dangling {
  readonly held: Held;
  readonly reason: string;
}

export interface ClassFigures {
  readonly sourcedId: string;
  readonly posted: number | null;
  readonly ifLeft: number | null;
  readonly looseEnds: readonly { readonly itemId: string; readonly kind: string }[];
}
export interface StudentFigures {
  readonly sourcedId: string;
  readonly classes: readonly ClassFigures[];
}

interface Asked {
  readonly asOf: string;
  readonly zone: string;
}

const text = (record: NeutralRecord, column: string): string => String(record[column] ?? '');
const textOrNull = (record: NeutralRecord, column: string): string | null => {
  const value = record[column];
  return typeof value === 'string' ? value : null;
};

const called: Partial<Record<NeutralCollection, string>> = {
  students: 'a student',
  courses: 'a class',
  terms: 'an academic session',
  categories: 'a category',
  items: 'a line item',
};

/** What a record must find to be reckoned with, by the column that names it. */
const needs: readonly (readonly [NeutralCollection, readonly (readonly [string, NeutralCollection])[]])[] = [
  ['courses', [['term_id', 'terms']]],
  [
    'enrolments',
    [
      ['student_id', 'students'],
      ['course_id', 'courses'],
    ],
  ],
  [
    'items',
    [
      ['course_id', 'courses'],
      ['category_id', 'categories'],
    ],
  ],
  [
    'results',
    [
      ['item_id', 'items'],
      ['student_id', 'students'],
    ],
  ],
];

/** The records that have all they name; those that name what was never there are told, those whose has gone are not. */
function sound(records: HeldRecords): {
  readonly whole: ReadonlyMap<NeutralCollection, ReadonlyMap<string, Held>>;
  readonly dangling: readonly Dangling[];
} {
  const whole = new Map<NeutralCollection, ReadonlyMap<string, Held>>(
    (
      [
        ...(['students', 'terms', 'categories'] as const),
        ...(['courseDetails', 'courseCategories', 'itemDetails'] as const),
      ] as const
    ).map((name) => [name, records.of(name)]),
  );
  const dangling: Dangling[] = [];
  for (const [collection, references] of needs) {
    const kept = new Map<string, Held>();
    for (const [id, held] of records.of(collection)) {
      const missing = references.find(([column, of]) => !whole.get(of)?.has(text(held.record, column)));
      if (!missing) kept.set(id, held);
      else {
        const [column, of] = missing;
        const named = text(held.record, column);
        if (!records.knew(of, named))
          dangling.push({ held, reason: `names ${called[of] ?? of} that is not there: ${named}` });
      }
    }
    whole.set(collection, kept);
  }
  return { whole, dangling };
}

const lists = (held: Iterable<Held>, column: string): Map<string, Held[]> => {
  const by = new Map<string, Held[]>();
  for (const each of held) {
    const key = text(each.record, column);
    const list = by.get(key);
    if (list) list.push(each);
    else by.set(key, [each]);
  }
  return by;
};

const itemRecord = ({ record }: Held, details: NeutralRecord | undefined): ItemRecord => ({
  id: record.id,
  categoryId: text(record, 'category_id'),
  possible: Number(record['possible']),
  assignedAt: record['assigned_told'] === true ? text(record, 'assigned_at') : null,
  dueAt: textOrNull(record, 'due_at'),
  ...(details
    ? {
        ...{ counts: details['counts'] === true, extraCredit: details['extra_credit'] === true },
        ...{ inClass: details['in_class'] === true, multiplier: Number(details['multiplier']) },
        acceptedUntil: textOrNull(details, 'accepted_until'),
      }
    : {}),
});

const resultRecord = ({ record }: Held): ResultRecord => ({
  itemId: text(record, 'item_id'),
  at: text(record, 'at'),
  status: record['status'] as ResultStatus, // the translation's own
  earned: record['earned'] as number | null,
  late: record['late'] === true,
  levels: record['levels'] as Record<string, number>,
});

/** The records of some bundles by what they are asked by, so that each course is put together once. */
class Shelves {
  private readonly items: Map<string, Held[]>;
  private readonly results: Map<string, Held[]>;
  constructor(
    private readonly whole: ReadonlyMap<NeutralCollection, ReadonlyMap<string, Held>>,
    private readonly asked: Asked,
  ) {
    this.items = lists(this.of('items').values(), 'course_id');
    this.results = lists(this.of('results').values(), 'student_id');
  }

  private of(collection: NeutralCollection): ReadonlyMap<string, Held> {
    return this.whole.get(collection) ?? new Map<string, Held>();
  }

  /** The last day of a class's sessions. */
  lastDay(course: NeutralRecord): string {
    const ids = (course['term_ids'] as string[]).concat(text(course, 'term_id')); // the translation's own
    const ends = ids.flatMap((id) => {
      const term = this.of('terms').get(id);
      return term ? [text(term.record, 'ends_on')] : [];
    });
    return ends.sort().at(-1) ?? '';
  }

  /** A child is in a class that its school has not ended for it before the class's own end. */
  enrolments(): Held[] {
    const today = dateIn(this.asked.zone, new Date(this.asked.asOf));
    return [...this.of('enrolments').values()].filter(({ record }) => {
      const endsOn = textOrNull(record, 'ends_on');
      const course = this.of('courses').get(text(record, 'course_id'));
      const left = endsOn !== null && course && endsOn < today && endsOn < this.lastDay(course.record);
      return record['told_active'] === true && !left;
    });
  }

  record(studentId: string, courseId: string): CourseRecord {
    const items = (this.items.get(courseId) ?? []).map((held) =>
      itemRecord(held, this.of('itemDetails').get(held.record.id)?.record),
    );
    const used = new Set(items.map(({ categoryId }) => categoryId));
    const categories = [...used].map((id) => ({
      id,
      weight: Number(this.of('categories').get(id)?.record['weight']),
      dropLowest: Number(this.of('courseCategories').get(id)?.record['drop_lowest'] ?? 0),
    }));
    const own = new Set(items.map(({ id }) => id));
    const course = this.of('courses').get(courseId)?.record;
    const details = this.of('courseDetails').get(courseId)?.record;
    const termEnd = instantOf(course ? this.lastDay(course) : '', this.asked.zone, 'end');
    return {
      id: courseId,
      asOf: this.asked.asOf,
      policy: details
        ? (details['policy'] as PolicyRecord) // the translation has read it
        : assumedPolicy({ weights: categories.map(({ weight }) => weight), termEnd }),
      ...(details ? { standards: details['standards'] as { id: string }[] } : {}),
      categories,
      items,
      results: (this.results.get(studentId) ?? [])
        .filter(({ record }) => own.has(text(record, 'item_id')))
        .map(resultRecord)
        .sort((a, b) => byCodePoint(a.at, b.at)),
    };
  }
}

/** The figures of every enrolled child in every class, as the bundles tell them, and what names nothing that is there. */
export function figuresOf(
  records: HeldRecords,
  asked: Asked,
): { readonly students: readonly StudentFigures[]; readonly dangling: readonly Dangling[] } {
  const { whole, dangling } = sound(records);
  const shelves = new Shelves(whole, asked);
  const byStudent = lists(shelves.enrolments(), 'student_id');
  const students = [...byStudent].map(([sourcedId, enrolments]): StudentFigures => {
    const courses = new Set(enrolments.map(({ record }) => text(record, 'course_id')));
    const classes = [...courses].sort(byCodePoint).map((courseId): ClassFigures => {
      const answer = courseAnswer(shelves.record(sourcedId, courseId), { targets: [], since: null });
      return {
        sourcedId: courseId,
        posted: answer.posted,
        ifLeft: answer.ifLeft,
        looseEnds: answer.looseEnds.map(({ itemId, kind }) => ({ itemId, kind })),
      };
    });
    return { sourcedId, classes };
  });
  return { students: students.sort((a, b) => byCodePoint(a.sourcedId, b.sourcedId)), dangling };
}
