import type {
  CourseAnswer,
  CourseDetail,
  CourseFigures,
  CourseRecord,
  FigureStep,
  ItemSummary,
  Reconciliation,
  Scale,
  StandardDetail,
  TermRef,
} from '@cadro/contract';
import {
  byCodePoint,
  courseAnswer,
  courseGrade,
  dateIn,
  evidenceOf,
  figuresOf,
  leftWithout,
  householdRecord,
  reconcile,
  spanSteps,
  termStateOf,
  scaleOf,
  wholePolicy,
} from '@cadro/core';
import { attendanceOf } from '../../attendance';
import type { Db } from '../../kit';
import { commentsOf } from '../commentStore';
import { categoriesOfCourse, isOfTerm, lessonsDone, type CourseTerm, isPolicyTold } from '../../records';
import { itemSummaries, resultsByItem } from './itemSummary';
import type { OpenCourse } from './openCourse';
import * as store from '../store';
import { commentView, courseSummary, recordState } from './views';

/** The next steps of the scale above the figure: letters, whole numbers or tens. */
const nextSteps = (posted: number | null, scale: Scale): number[] =>
  posted === null
    ? []
    : spanSteps(scale, { from: posted, to: scale.outOf })
        .map(({ at }) => at)
        .sort((a, b) => a - b)
        .slice(0, 2);

/** Before every record. */
const beginning = '0001-01-01T00:00:00Z';

const termRef = ({ id, title, startsOn, endsOn }: CourseTerm, today: string): TermRef => ({
  id,
  title,
  startsOn,
  endsOn,
  state: termStateOf({ startsOn, endsOn }, today),
});

export const reconciliationOf = ({
  record,
  stated,
  alone,
  view,
}: Pick<OpenCourse, 'record' | 'stated' | 'alone' | 'view'>) =>
  record.policy.method === 'standards'
    ? null
    : reconcile(record, stated, alone && householdRecord(alone, view));

/** The grade of the term that is shown, the school's own where it states one. */
export const gradeOf = ({ record, stated }: Pick<OpenCourse, 'record' | 'stated'>, figures: CourseFigures) =>
  courseGrade(wholePolicy(record.policy), figures, stated);

function stepsOf(record: CourseRecord, { moved }: CourseAnswer): FigureStep[] {
  const items = new Map((record.items ?? []).map((item) => [item.id, item]));
  const histories = resultsByItem(record);
  const seen = new Map<string, number>();
  // The core tells every result there is, by time: the n-th step of a work is its n-th result.
  return moved.map(({ itemId, at, delta, posted }) => {
    const nth = seen.get(itemId) ?? 0;
    seen.set(itemId, nth + 1);
    const history = histories.get(itemId) ?? [];
    const [before, after] = [history[nth - 1], history[nth]];
    const item = items.get(itemId);
    if (!after || !item) throw new Error(`the step of ${itemId} at ${at} is not in the record`);
    return {
      itemId,
      title: item.title ?? '',
      possible: item.possible,
      at,
      delta,
      posted,
      before: before ? recordState(before) : null,
      after: recordState(after),
    };
  });
}

function standardsOf(row: store.CourseCard, record: CourseRecord): StandardDetail[] {
  if (record.policy.method !== 'standards') return [];
  const titles = new Map((record.items ?? []).map(({ id, title }) => [id, title ?? '']));
  const evidence = evidenceOf(record);
  return row.standards.map(({ id, title, levels }) => ({
    id,
    title,
    levels: levels ?? [],
    evidence: (evidence.get(id) ?? []).map((each) => ({ ...each, title: titles.get(each.itemId) ?? '' })),
  }));
}

async function attendanceIn(
  db: Db,
  { child, guardianId, row, term }: OpenCourse,
  now: Date,
): Promise<CourseDetail['attendance']> {
  const between = { from: term.startsOn, to: term.endsOn };
  const [own] = await attendanceOf(db, { guardianId }, [child], now, between);
  const found = own?.summary.byCourse.find(({ courseId }) => courseId === row.id);
  if (!own || !found) return null;
  const { absent, excused, unexcused, tardies } = found;
  const missed = own.marks.flatMap(({ mark, meaning }) =>
    mark.courseId === row.id && meaning && (meaning.kind === 'absent' || meaning.kind === 'tardy')
      ? [{ mark, kind: meaning.kind, excused: meaning.excused }]
      : [],
  );
  const done = await lessonsDone(
    db,
    row.id,
    missed.map(({ mark }) => mark.on),
  );
  const lessons = missed
    .map(({ mark: { on, period, markedBy }, kind, excused: explained }) => ({
      ...{ on, period, mark: kind, excused: explained, markedBy, done: done.get(on) ?? null },
    }))
    .sort((a, b) => byCodePoint(b.on, a.on));
  return { absent, excused, unexcused, tardies, lessons };
}

/** What of a course's fall is in doubt, because the classroom knows more of a work than the gradebook. */
function doubtfulOf(record: CourseRecord, items: readonly ItemSummary[]): CourseDetail['doubtful'] {
  const itemIds = items.flatMap(({ id, classroom }) => (classroom?.doubt === 'doubtful' ? [id] : []));
  return itemIds.length === 0 ? null : { ifLeft: leftWithout(record, itemIds), itemIds };
}

export async function courseDetail(db: Db, open: OpenCourse, now: Date): Promise<CourseDetail> {
  const { child, row, term, terms, record, view } = open;
  const [categories, items, comments, attendance, policyTold] = await Promise.all([
    categoriesOfCourse(db, row.id),
    store.itemsOfCourse(db, child.id, row.id, now),
    commentsOf(db, [child.id], { guardianId: open.guardianId, courseId: row.id }),
    attendanceIn(db, open, now),
    isPolicyTold(db, row.id),
  ]);
  const scale = scaleOf(record.policy);
  const answer = courseAnswer(record, { since: beginning, targets: (posted) => nextSteps(posted, scale) });
  const figures = figuresOf(answer);
  const summaryOf = itemSummaries(record, figures);
  const assumed = new Map((record.categories ?? []).map((category) => [category.id, category]));
  const today = dateIn(row.time_zone, now);
  const summaries = items.filter((item) => isOfTerm(item, term, terms, row.time_zone)).map(summaryOf);
  const reconciliation: Reconciliation | null = reconciliationOf(open);
  return {
    ...courseSummary(row, now),
    scale,
    figures,
    grade: gradeOf(open, figures),
    asOf: record.asOf,
    term: termRef(term, today),
    terms: terms.map((each) => termRef(each, today)),
    room: row.room,
    period: row.period,
    policy: record.policy,
    corrected: view.correction !== null,
    policyTold,
    categories: categories.map(({ id, title, weight, counts, drop_lowest }) => ({
      id,
      title,
      weight: assumed.get(id)?.weight ?? weight,
      dropLowest: assumed.get(id)?.dropLowest ?? drop_lowest,
      counts,
    })),
    standards: standardsOf(row, record),
    items: summaries,
    moved: stepsOf(record, answer),
    earlier: open.earlier.map((each) => ({
      term: termRef(each.term, today),
      moved: stepsOf(each.record, courseAnswer(each.record, { since: beginning })),
    })),
    needed: answer.needed,
    toCome: answer.toCome,
    reconciliation,
    doubtful: doubtfulOf(record, summaries),
    attendance,
    comments: comments.map((comment) => commentView(comment, now, row.source_url)),
  };
}
