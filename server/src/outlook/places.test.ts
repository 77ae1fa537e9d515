import {
  attendanceRoutes,
  followUpRoutes,
  gradebookRoutes,
  messageRoutes,
  outlookRoutes,
  workRoutes,
  sourceRoutes,
  type Brief,
  type CourseDetail,
  type CourseSummary,
  type ItemDetail,
  type Work,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

/* What each place of the app is told about the family, on the story's first evening. */
let world: World;
let maren: Agent;

beforeAll(async () => {
  // Read from day to day, so that what came or was settled in between is known as such.
  world = await World.read('daily');
  await world.household('here', [{ name: 'maren', children: ['isolde', 'caspian', 'pet'] }]);
  maren = await world.signedIn('maren');
});
afterAll(() => world.stop());

const course = async (id: string, school: string, child: string): Promise<CourseDetail> => {
  const path = gradebookRoutes.course.path
    .replace(':studentId', world.student(child))
    .replace(':courseId', await world.courseId(id, school));
  return (await maren.get(path).expect(200)).body as CourseDetail;
};
const item = async (id: string, school: string, child: string): Promise<ItemDetail> => {
  const path = gradebookRoutes.item.path
    .replace(':studentId', world.student(child))
    .replace(':itemId', await world.itemId(id, school));
  return (await maren.get(path).expect(200)).body as ItemDetail;
};

describe('the Brief', () => {
  let brief: Brief;
  beforeAll(async () => {
    brief = (await maren.get(outlookRoutes.brief.path).expect(200)).body as Brief;
  });

  it('puts the good-looking figure with unflagged work under it first', () => {
    expect(brief.matters[0]).toMatchObject({
      kind: 'underneath',
      studentId: world.student('caspian'),
      courseTitle: 'Boat-building',
      grade: { display: 3.1, by: 'school', count: null },
      looseEnds: [{ title: 'Keel model', kind: 'overdue', credit: 0.75 }],
      expiresAt: '2026-10-28T02:59:00Z',
    });
  });

  it('orders by what is at stake', () => {
    const needing = brief.matters.filter(({ kind }) => kind !== 'comment');
    expect(needing.map(({ kind, courseTitle }) => `${kind} ${courseTitle ?? ''}`.trim())).toEqual([
      'underneath Boat-building',
      'underneath Island stories',
      'asked Boat-building',
      'absence',
      'mendable Tide tables',
      'slipping Rowing geometry',
      'mendable Kelp chemistry',
    ]);
  });

  it('names the lessons that leaving early cost', () => {
    expect(brief.matters.find(({ kind }) => kind === 'absence')).toMatchObject({
      studentId: world.student('isolde'),
      leftEarlyOn: ['2026-10-19', '2026-10-20', '2026-10-21'],
      lessons: ['Rowing geometry'],
    });
  });

  it('leads with what went well, by the record', () => {
    expect(brief.goodNews).toMatchObject([
      { title: 'Seed log', was: 'missing', now: { status: 'scored', earned: 17, possible: 20 } },
    ]);
  });

  it('says what is coming, day by day in the school’s zone', () => {
    expect(brief.today).toBe('2026-10-21');
    expect(brief.coming[0]?.on).toBe('2026-10-21');
    // Due at 23:59 on the island, which is the next day in UTC.
    expect(brief.coming[0]?.items[0]?.dueAt).toBe('2026-10-22T02:59:00.000Z');
    const days = brief.coming.map(({ on }) => on);
    expect(days).toEqual([...days].sort());
  });

  it('has nothing to say of the child who is simply doing well', () => {
    const pet = brief.matters.filter(({ studentId }) => studentId === world.student('pet'));
    expect(pet.map(({ kind }) => kind)).toEqual(['comment']);
  });

  it('tells how old the records are', () => {
    expect(brief.freshness).toHaveLength(3);
    expect(brief.freshness.map(({ readAt }) => readAt)).toEqual(Array(3).fill('2026-10-21T19:40:00.000Z'));
  });

  it('lets a follow-up speak for its work', async () => {
    const body = {
      studentId: world.student('caspian'),
      itemId: await world.itemId('history-map-key', 'millrace'),
      title: 'Harbour map key',
      lookAgainOn: '2026-10-22',
    };
    const made = await maren.post(followUpRoutes.create.path).send(body).expect(201);
    const after = (await maren.get(outlookRoutes.brief.path).expect(200)).body as Brief;
    expect(after.matters.some(({ courseTitle }) => courseTitle === 'Island stories')).toBe(false);
    expect(after.inHand).toMatchObject([{ title: 'Harbour map key', lookAgainOn: '2026-10-22' }]);
    const work = (await maren.get(workRoutes.work.path).expect(200)).body as Work;
    expect(work.rows.find(({ title }) => title === 'Harbour map key')?.followUpId).toBe(made.body.id);
  });
});

describe('Courses', () => {
  let courses: CourseSummary[];
  beforeAll(async () => {
    courses = (await maren.get(gradebookRoutes.courses.path).expect(200)).body.courses as CourseSummary[];
  });
  const named = (title: string) => courses.find((each) => each.title === title);

  it('gives every course of every child, once', () => {
    expect(courses).toHaveLength(17);
    expect(new Set(courses.map(({ id, studentId }) => `${studentId}:${id}`)).size).toBe(17);
  });

  it.each([
    ['Boat-building', { display: 3.1, letter: null }, 'steady'],
    ['Rowing geometry', { letter: 'B' }, 'slipping'],
    ['Ship’s Spanish', { display: 96.1, letter: 'A' }, 'steady'],
    ['First Spanish', { posted: null, display: null, ifLeft: null }, 'too-early'],
  ])('%s', (title, figures, trend) => {
    expect(named(title)?.figures).toMatchObject({ ...figures, trend: { class: trend } });
  });

  it('keeps what is not assessed yet apart from what is not met', () => {
    const standards = named('Number and shore')?.figures?.standards ?? [];
    expect(standards.some(({ met }) => met === null)).toBe(true);
    expect(standards.every(({ level, met }) => (level === null) === (met === null))).toBe(true);
    expect(named('Number and shore')?.figures).toMatchObject({ ifLeft: null, ifMadeUp: null });
  });

  it('says why: categories with weight, fraction and points', async () => {
    const { categories, figures, teacher } = await course('boats', 'millrace', 'caspian');
    expect(categories.map(({ title, weight, counts }) => [title, weight, counts])).toEqual([
      ['Assessments', 70, true],
      ['Practice', 30, true],
    ]);
    for (const { fraction, earned, possible } of figures?.categories ?? [])
      expect(earned / possible).toBeCloseTo(fraction ?? -1, 9);
    expect(teacher).toMatchObject({ name: 'Wren Thornwick', contactable: true });
  });

  it('shows practice that is required and does not count as such', async () => {
    const { categories, figures } = await course('spanish', 'millrace', 'caspian');
    expect(categories.some(({ counts }) => !counts)).toBe(true);
    expect(figures?.posted).toBeNull();
  });

  it('lists what is given out by now, and nothing that is not', async () => {
    const { items } = await course('boats', 'millrace', 'caspian');
    expect(items.every(({ assignedAt }) => !assignedAt || assignedAt <= '2026-10-21T19:40:00.000Z')).toBe(
      true,
    );
    expect(items.find(({ title }) => title === 'Week 7 in the shed')).toMatchObject({
      dueAt: null,
      counts: false,
    });
    expect(items.find(({ title }) => title === 'Keel model')).toMatchObject({
      looseEnd: { kind: 'overdue' },
      commentCount: 1,
      state: { status: 'open', earned: null },
    });
  });

  it('takes a remark on the course for none on a work', async () => {
    const { comments } = await course('boats', 'millrace', 'caspian');
    const ofCourse = comments.filter(({ itemId }) => itemId === null);
    expect(ofCourse.map(({ subject }) => subject)).toEqual(['course']);
    expect(comments.length).toBeGreaterThan(ofCourse.length);
  });
});

describe('one assignment', () => {
  it('tells worth and earned apart, with the teacher’s words and its last day', async () => {
    expect(await item('boats-keel-model', 'millrace', 'caspian')).toMatchObject({
      title: 'Keel model',
      possible: 20,
      multiplier: 3,
      state: { status: 'open', earned: null },
      acceptedUntil: '2026-10-28T02:59:00.000Z',
      redo: 'ask',
      supplies: ['a strip of pine, 40 cm', 'wood glue', 'fine sandpaper'],
      comments: [
        { subject: 'work', author: 'Wren Thornwick', text: expect.stringContaining('three-quarters') },
      ],
      history: [],
      followUpId: null,
    });
  });

  it('keeps every change of its record', async () => {
    const { history, state } = await item('seeds-seed-log', 'millrace', 'caspian');
    expect(history.map(({ status, earned, late }) => ({ status, earned, late }))).toEqual([
      { status: 'missing', earned: null, late: false },
      { status: 'scored', earned: 17, late: true },
    ]);
    expect(state).toEqual(history.at(-1));
  });

  it.each([
    ['a zero without a flag', 'tides-log-4', 'gannet-head', 'zero'],
    ['a floor score that says it was handed in', 'history-source-letter', 'gannet-head', 'at-floor'],
    ['missing', 'kelp-reef-survey', 'gannet-head', 'missing'],
    ['handed in long ago', 'optics-lamp-essay', 'gannet-head', 'unmarked'],
  ])('%s', async (_name, id, school, kind) => {
    expect((await item(id, school, 'isolde')).looseEnd).toMatchObject({ kind });
  });
});

describe('Days', () => {
  it('tells a trip and a day without school from absences, child by child', async () => {
    const { children } = (await maren.get(attendanceRoutes.days.path).expect(200)).body;
    const of = (child: string) =>
      children.find(({ studentId }: { studentId: string }) => studentId === world.student(child));
    const trip = of('caspian').days.find(({ on }: { on: string }) => on === '2026-10-08');
    expect(new Set(trip.marks.map(({ kind }: { kind: string }) => kind))).toEqual(new Set(['activity']));
    const holiday = of('pet').days.find(({ on }: { on: string }) => on === '2026-09-25');
    expect(new Set(holiday.marks.map(({ kind }: { kind: string }) => kind))).toEqual(new Set(['closed']));
  });
});

describe('Talk and where the records come from', () => {
  it('lists a child’s teachers with their courses, and says who has no address', async () => {
    const path = messageRoutes.teachers.path.replace(':studentId', world.student('isolde'));
    const { teachers } = (await maren.get(path).expect(200)).body;
    expect(teachers).toContainEqual(
      expect.objectContaining({
        name: 'Aldous Quillfeather',
        contactable: true,
        courseTitles: ['Kelp chemistry'],
      }),
    );
    const without = teachers.find(({ contactable }: { contactable: boolean }) => !contactable);
    expect(without).toBeDefined();
    await maren
      .post(messageRoutes.send.path)
      .send({ studentId: world.student('isolde'), teacherId: without.id, subject: 'S', text: 'T' })
      .expect(422);
  });

  it('has three sources, none with problems', async () => {
    const { sources } = (await maren.get(sourceRoutes.sources.path).expect(200)).body;
    expect(sources.map(({ problems }: { problems: unknown[] }) => problems)).toEqual([[], [], []]);
  });
});

describe('news', () => {
  const briefAt = async (instant: string): Promise<Brief> => {
    await world.moveTo(instant);
    return (await maren.get(outlookRoutes.brief.path).expect(200)).body as Brief;
  };
  const told = ({ matters }: Brief) =>
    matters.flatMap((matter) => (matter.kind === 'comment' ? matter.comments.map(({ text }) => text) : []));
  const good = ({ goodNews }: Brief) => goodNews.map(({ title }) => title);

  it('of a comment is told for four days after it was written, good news for five after it was scored', async () => {
    const words = expect.stringMatching(/^Pet read the harbour plan/) as string;
    expect(told(await briefAt('2026-10-24T17:59:00Z'))).toContainEqual(words);
    expect(told(await briefAt('2026-10-24T18:01:00Z'))).not.toContainEqual(words);
    expect(good(await briefAt('2026-10-24T18:04:00Z'))).toEqual(['Seed log']);
    expect(good(await briefAt('2026-10-24T18:06:00Z'))).toEqual([]);
  });
});
