import { PolicyCorrection, type CorrectionEntry, type Offer } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { asPublished, type ConfirmedOffer, type HouseholdView, type Known } from '@cadro/core';
import { endOfDay, groupBy, together, type Db } from '../../kit';

/** A stored correction; null where the course stands as the source says. */
export const correctionOf = (stored: unknown): PolicyCorrection | null =>
  stored === null ? null : parse('stored correction', PolicyCorrection, stored);

/** A household's view of a course, with when it confirmed what it has. */
export interface KnownView {
  readonly correction: PolicyCorrection | null;
  readonly offers: readonly Known<ConfirmedOffer>[];
}

/** How households read the courses of some children. */
export interface HouseholdViews {
  /** As a household reads a course. */
  readonly of: (householdId: string, studentId: string, courseId: string) => HouseholdView;
  readonly known: (householdId: string, studentId: string, courseId: string) => KnownView;
  /** The households that read something of a child in their own way. */
  readonly households: (studentId: string) => readonly string[];
}

interface CorrectionRow {
  readonly household_id: string;
  readonly student_id: string;
  readonly course_id: string;
  readonly correction: unknown;
}
interface OfferRow {
  readonly household_id: string;
  readonly student_id: string;
  readonly course_id: string;
  readonly item_id: string;
  readonly offer: Offer;
  readonly time_zone: string;
  readonly written_at: Date;
  readonly at: Date;
}

const standingCorrections = (db: Db, studentIds: readonly string[]): Promise<CorrectionRow[]> =>
  db('policy_corrections')
    .whereIn('student_id', [...studentIds])
    .distinctOn('student_id', 'course_id', 'household_id')
    .orderBy(['student_id', 'course_id', 'household_id', { column: 'id', order: 'desc' }])
    .select<CorrectionRow[]>('household_id', 'student_id', 'course_id', 'correction');

const confirmedOffers = (db: Db, studentIds: readonly string[]): Promise<OfferRow[]> =>
  db('offer_answers as a')
    .join('student_comments as m', 'm.comment_id', 'a.comment_id')
    .whereIn('a.student_id', [...studentIds])
    .where({ 'a.answer': 'confirmed' })
    .whereNotNull('m.item_id')
    .orderBy(['a.student_id', 'a.comment_id', 'a.place'])
    .select<OfferRow[]>(
      'a.household_id',
      'a.student_id',
      'm.course_id',
      'm.item_id',
      'a.offer',
      'm.time_zone',
      'm.written_at',
      'a.at',
    );

/** An offer runs to the end of its last day where the school is. */
const known = ({ item_id, offer, time_zone, written_at, at }: OfferRow): Known<ConfirmedOffer> => ({
  knownAtMs: at.getTime(),
  value: {
    itemId: item_id,
    until: offer.until && endOfDay(offer.until, time_zone).toISOString(),
    credit: offer.credit,
    since: written_at.toISOString(),
  },
});

const unsaid: KnownView = { correction: null, offers: [] };

/** What households have said of children's courses: two queries, however many children and households. */
export async function householdViews(db: Db, studentIds: readonly string[]): Promise<HouseholdViews> {
  const [corrections, offers] = await together(db, [
    () => standingCorrections(db, studentIds),
    () => confirmedOffers(db, studentIds),
  ]);
  const place = (row: Pick<OfferRow, 'household_id' | 'student_id' | 'course_id'>) =>
    `${row.household_id}:${row.student_id}:${row.course_id}`;
  const correctionAt = new Map(corrections.map((row) => [place(row), correctionOf(row.correction)]));
  const offersAt = groupBy(offers, place);
  const households = groupBy([...corrections, ...offers], ({ student_id }) => student_id);
  const viewAt = (household_id: string, student_id: string, course_id: string): KnownView => {
    const at = place({ household_id, student_id, course_id });
    const [correction, own] = [correctionAt.get(at) ?? null, offersAt.get(at)];
    return correction || own ? { correction, offers: (own ?? []).map(known) } : unsaid;
  };
  return {
    known: viewAt,
    of: (...at) => {
      const view = viewAt(...at);
      return view === unsaid ? asPublished : { ...view, offers: view.offers.map(({ value }) => value) };
    },
    households: (studentId) => [
      ...new Set((households.get(studentId) ?? []).map(({ household_id }) => household_id)),
    ],
  };
}

interface Place {
  readonly householdId: string;
  readonly studentId: string;
  readonly courseId: string;
}

/** Every change a household has made to a course's policy, newest first. */
export async function correctionHistory(
  db: Db,
  { householdId, studentId, courseId }: Place,
): Promise<CorrectionEntry[]> {
  const rows = await db('policy_corrections')
    .where({ student_id: studentId, course_id: courseId, household_id: householdId })
    .orderBy('id', 'desc')
    .select<{ at: Date; author: string; correction: unknown }[]>('at', 'author', 'correction');
  return rows.map(({ at, author, correction }) => ({
    at: at.toISOString(),
    author,
    correction: correctionOf(correction),
  }));
}

/** Keeps a correction; null takes it back. What was said before stays in the history. */
export async function addCorrection(
  db: Db,
  { householdId, studentId, courseId }: Place,
  entry: { at: Date; author: string; correction: PolicyCorrection | null },
): Promise<void> {
  await db('policy_corrections').insert({
    student_id: studentId,
    course_id: courseId,
    household_id: householdId,
    at: entry.at,
    author: entry.author,
    correction: entry.correction && JSON.stringify(entry.correction),
  });
}

/** Whose target: the family's, or the child's own. */
interface Aimed extends Place {
  readonly byChild: boolean;
}
const targetKey = ({ householdId, studentId, courseId, byChild }: Aimed) => ({
  student_id: studentId,
  household_id: householdId,
  course_id: courseId,
  by_child: byChild,
});

/** What a child has set out to reach, course by course. */
export const childsTargets = (
  db: Db,
  { householdId, studentId }: { readonly householdId: string; readonly studentId: string },
): Promise<{ courseId: string; courseTitle: string; target: number }[]> =>
  db('targets as t')
    .join('school_courses as c', 'c.course_id', 't.course_id')
    .where({ 't.student_id': studentId, 't.household_id': householdId, 't.by_child': true })
    .orderBy('c.title')
    .select('t.course_id as courseId', 'c.title as courseTitle', 't.target');

/** A target for a course, on its scale; null where there is none. */
export const targetOf = async (db: Db, place: Aimed): Promise<number | null> => {
  const goal = await db('targets').where(targetKey(place)).first<{ target: number } | undefined>('target');
  return goal?.target ?? null;
};

export async function setTarget(db: Db, place: Aimed, target: number | null): Promise<void> {
  const key = targetKey(place);
  if (target === null) await db('targets').where(key).delete();
  else {
    await db('targets')
      .insert({ ...key, target })
      .onConflict(['student_id', 'household_id', 'course_id', 'by_child'])
      .merge();
  }
}
