import {
  gradebookRoutes,
  workRoutes,
  type CourseAnswer,
  type CourseFigures,
  type PolicyCorrection,
} from '@cadro/contract';
import { courseFigures, factsAt, figuresOf } from '@cadro/core';
import fc from 'fast-check';
import type { Agent } from 'supertest';
import { historiesOf } from '../alerts/histories';
import { watchesOf } from '../alerts/watchStore';
import { reportOf } from '../gradebook/print/report';
import { requireChild } from '../household';
import { World } from '../testing/world';
import { wholeOf } from '../records';

/*
 * One course of one household, by every road that leads to its figures: stored, its page, the record that is handed to
 * the app, the preview of a policy in which nothing is changed, the printed page, Work, and what the alerts look at.
 */
let world: World;
let maren: Agent;
let guardianId = '';
let householdId = '';
let studentId = '';
interface Place {
  readonly courseId: string;
  readonly itemIds: readonly string[];
  readonly authorId: string;
}
let places: Place[] = [];

beforeAll(async () => {
  world = await World.read();
  await world.household('here', [{ name: 'maren', children: ['caspian', 'isolde'] }]);
  await world.household('next door', [{ name: 'wenna', children: ['isolde'] }]);
  maren = await world.signedIn('maren');
  const row = await world
    .db('guardians')
    .where({ email: 'maren@test.example' })
    .first<{ id: string; household_id: string }>('id', 'household_id');
  [guardianId, householdId] = [row.id, row.household_id];
  studentId = world.student('isolde');
  const items = await world
    .db('student_items as i')
    .join('courses as c', 'c.id', 'i.course_id')
    .where({ 'i.student_id': studentId, 'i.judged': true })
    .whereNotNull('c.teacher_id')
    .orderBy(['i.course_id', 'i.external_id'])
    .select<{ course_id: string; item_id: string; teacher_id: string }[]>(
      'i.course_id',
      'i.item_id',
      'c.teacher_id',
    );
  const byCourse = new Map<string, Place>();
  for (const { course_id: courseId, item_id, teacher_id: authorId } of items) {
    const known = byCourse.get(courseId)?.itemIds ?? [];
    byCourse.set(courseId, { courseId, authorId, itemIds: [...known, item_id] });
  }
  places = [...byCourse.values()];
});
afterAll(() => world.stop());

/** What a household has said of a course. */
interface Said {
  readonly course: number;
  readonly correction: PolicyCorrection | null;
  readonly offers: readonly {
    readonly item: number;
    readonly until: string | null;
    readonly credit: number | null;
  }[];
}

async function say(whose: string, { course, correction, offers }: Said): Promise<Place> {
  const place = places[course % places.length];
  if (!place) throw new Error('the story has no courses');
  const at = await world.clock.now();
  const by = { at, author: 'Maren' };
  await world.db('policy_corrections').insert({
    ...{ student_id: studentId, household_id: whose, course_id: place.courseId, ...by },
    correction: correction && JSON.stringify(correction),
  });
  const source = await world
    .db('courses')
    .where({ id: place.courseId })
    .first<{ source_id: string }>('source_id');
  for (const [index, { item, ...offer }] of offers.entries()) {
    const [comment] = await world
      .db('comments')
      .insert({
        ...{ student_id: studentId, course_id: place.courseId, author_id: place.authorId, ...source },
        item_id: place.itemIds[item % place.itemIds.length],
        external_id: `said-${whose}-${course}-${item}-${index}-${JSON.stringify(offer)}`,
        ...{
          subject: 'work',
          text: 'It can still be done.',
          written_at: at,
          offers_of: 'It can still be done.',
        },
        offers: JSON.stringify([{ kind: 'redo', quote: 'still', ...offer }]),
      })
      .onConflict(['source_id', 'external_id'])
      .merge(['text'])
      .returning<{ id: string }[]>('id');
    await world
      .db('offer_answers')
      .insert({
        ...{ student_id: studentId, household_id: whose, comment_id: comment?.id, place: 0, ...by },
        ...{ answer: 'confirmed', offer: JSON.stringify({ kind: 'redo', quote: 'still', ...offer }) },
      })
      .onConflict(['student_id', 'household_id', 'comment_id', 'place'])
      .ignore();
  }
  return place;
}

const pathOf = (path: string, courseId: string): string =>
  path.replace(':studentId', studentId).replace(':courseId', courseId);

/** The figures of a course, by each road. */
async function roads(
  courseId: string,
  correction: PolicyCorrection | null,
): Promise<Record<string, CourseFigures>> {
  const now = await world.clock.now();
  const { course, courses, courseRecord, previewPolicy } = gradebookRoutes;
  const list = (await maren.get(courses.path).expect(200)).body.courses as {
    id: string;
    studentId: string;
    figures: CourseFigures;
  }[];
  const page = (await maren.get(pathOf(course.path, courseId)).expect(200)).body;
  const record = (await maren.get(pathOf(courseRecord.path, courseId)).expect(200)).body;
  const preview = await maren.post(pathOf(previewPolicy.path, courseId)).send({ correction }).expect(200);
  const child = await requireChild(world.db, guardianId, studentId, 'read-record');
  const report = await reportOf(world.db, { guardianId, child, now });
  const [watch] = (await watchesOf(world.db, { guardianIds: [guardianId] })).filter(
    (each) => each.studentId === studentId,
  );
  if (!watch) throw new Error('nobody watches');
  const history = (await historiesOf(world.db, wholeOf([studentId]), now))(watch);
  const sight = factsAt(history, now.getTime()).courses.find(({ id }) => id === courseId);
  const stored = list.find((each) => each.id === courseId && each.studentId === studentId)?.figures;
  const printed = report.courses.find(({ title }) => title === page.title)?.figures;
  if (!stored || !sight || !printed) throw new Error(`a road is missing for ${page.title}`);
  return {
    stored,
    page: page.figures,
    record: courseFigures(record),
    'preview, now': preview.body.now,
    'preview, then': preview.body.then,
    printed,
    alerts: figuresOf(sight.answer as CourseAnswer),
  };
}

const said = fc.record<Said>({
  course: fc.nat(20),
  correction: fc.option(
    fc
      .record(
        {
          missingCounts: fc.constantFrom('zero' as const, 'floor' as const, 'not' as const),
          incompleteCounts: fc.constantFrom('zero' as const, 'not' as const),
          floor: fc.double({ min: 0, max: 0.6, noNaN: true }),
        },
        { requiredKeys: [] },
      )
      // One that says nothing is refused at the door, and never stored.
      .filter((correction) => Object.keys(correction).length > 0),
  ),
  offers: fc.array(
    fc.record({
      item: fc.nat(60),
      until: fc.option(fc.constantFrom('2026-10-20', '2026-10-21', '2026-10-30', '2026-11-20')),
      credit: fc.option(fc.constantFrom(0.5, 0.75, 1)),
    }),
    { maxLength: 4 },
  ),
});

it('every road to a household’s figures ends in the same, to the last bit', async () => {
  const other = await world
    .db('guardians')
    .where({ email: 'wenna@test.example' })
    .first<{ household_id: string }>();
  await fc.assert(
    fc.asyncProperty(said, said, async (own, theirs) => {
      const { courseId } = await say(householdId, own);
      await say(other.household_id, { ...theirs, course: own.course });
      await world.compute(studentId);
      const { stored, ...others } = await roads(courseId, own.correction);
      for (const [road, figures] of Object.entries(others))
        expect({ road, figures }).toEqual({ road, figures: stored });
      const { rows } = (await maren.get(workRoutes.work.path).expect(200)).body as {
        rows: {
          courseId: string;
          itemId: string;
          kind: string | null;
          impact: number | null;
          studentId: string;
        }[];
      };
      const shown = rows.filter(
        (row) => row.courseId === courseId && row.studentId === studentId && row.kind !== null,
      );
      const open = [...(stored?.looseEnds ?? []), ...(stored?.chances ?? [])];
      for (const { itemId, impact } of shown)
        expect(impact).toBe(open.find((end) => end.itemId === itemId)?.impact);
    }),
    { numRuns: 12, seed: 20261021 },
  );
});
