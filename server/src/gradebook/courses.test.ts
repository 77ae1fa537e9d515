import {
  followUpRoutes,
  gradebookRoutes,
  workRoutes,
  termRoutes,
  type ChildTerms,
  type CourseDetail,
  type CourseSummary,
  type CoursePolicy,
  type ItemDetail,
  type Work,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { answerCase } from '../main/cli/answerCase';
import { PaperReader } from '../testing/paper';
import { World } from '../testing/world';

/* One course and its figures, from the school's records to what a page is told. */
let world: World;
let maren: Agent;
let apart: Agent;

beforeAll(async () => {
  world = await World.start();
  // Read twice, so that what changed between has a before and an after.
  for (const day of [14, 21]) {
    await world.moveTo(`2026-10-${day}T19:40:00Z`);
    await world.syncAll();
  }
  await world.household('here', [{ name: 'maren', children: ['isolde', 'caspian', 'pet'] }]);
  await world.household('apart', [{ name: 'apart', children: ['isolde'] }]);
  maren = await world.signedIn('maren');
  apart = await world.signedIn('apart');
});
afterAll(() => world.stop());

const place = async (path: string, id: string, school: string, child: string) =>
  path.replace(':studentId', world.student(child)).replace(':courseId', await world.courseId(id, school));
const course = async (id: string, school = 'gannet-head', child = 'isolde', who = maren) =>
  (await who.get(await place(gradebookRoutes.course.path, id, school, child)).expect(200))
    .body as CourseDetail;
const item = async (id: string, school: string, child: string): Promise<ItemDetail> => {
  const path = gradebookRoutes.item.path
    .replace(':studentId', world.student(child))
    .replace(':itemId', await world.itemId(id, school));
  return (await maren.get(path).expect(200)).body as ItemDetail;
};

describe('a course explains itself', () => {
  it('loses over its categories what is lacking to the top', async () => {
    for (const id of ['kelp', 'tides', 'optics', 'spanish', 'history', 'letters', 'rowing']) {
      const { figures, scale } = await course(id);
      const lost = (figures?.categories ?? []).reduce((sum, { cost }) => sum + (cost ?? 0), 0);
      expect(lost).toBeCloseTo(scale.outOf - (figures?.posted ?? 0), 6);
    }
  });

  it('shows a category that has a weight and no work', async () => {
    const { categories, figures } = await course('letters');
    const aloud = categories.find(({ title }) => title === 'Reading aloud');
    expect(aloud).toMatchObject({ weight: 20, counts: true });
    expect(figures?.categories.find(({ id }) => id === aloud?.id)).toMatchObject({
      fraction: null,
      possible: 0,
      cost: null,
    });
  });

  it('tells what moved it, step by step, to the very figure', async () => {
    const { moved, figures } = await course('seeds', 'millrace', 'caspian');
    const sum = moved.reduce((total, { delta }) => total + (delta ?? 0), 0);
    const first = moved.find(({ posted }) => posted !== null);
    expect((first?.posted ?? 0) + sum).toBeCloseTo(figures?.posted ?? 0, 6);
    const log = moved.filter(({ title }) => title === 'Seed log');
    expect(log.map(({ before, after }) => [before?.status, after.status])).toEqual([
      [undefined, 'missing'],
      ['missing', 'scored'],
    ]);
    expect(log[0]?.delta).toBeLessThan(0);
    expect(log[1]?.delta).toBeGreaterThan(0);
  });

  it('remembers that a work was missing', async () => {
    const { items } = await course('seeds', 'millrace', 'caspian');
    expect(items.find(({ title }) => title === 'Seed log')).toMatchObject({
      was: 'missing',
      state: { status: 'scored', earned: 17 },
    });
  });

  it('has its term, its lessons missed, and the unit of each work', async () => {
    const found = await course('rowing');
    expect(found.term).toMatchObject({ title: 'First quarter', endsOn: '2026-11-06', state: 'running' });
    expect(found.terms.map(({ state }) => state)).toEqual(['running', 'ahead', 'ahead', 'ahead']);
    expect(found.attendance).toMatchObject({ absent: 4, excused: 1, unexcused: 3, tardies: 0 });
    expect(found.items.find(({ title }) => title === 'Vectors: quiz')?.unit).toBe('Vectors');
  });

  it('gives every standard its evidence and what the next level shows', async () => {
    const { standards, figures } = await course('number', 'little-fathom', 'pet');
    const assessed = (figures?.standards ?? []).filter(({ level }) => level !== null);
    expect(assessed.length).toBeGreaterThan(0);
    for (const { id, level } of figures?.standards ?? []) {
      const standard = standards.find((each) => each.id === id);
      expect(standard?.levels.map(({ level: of }) => of)).toEqual([1, 2, 3, 4]);
      if (level === null) expect(standard?.evidence).toEqual([]);
      else expect(standard?.evidence.at(-1)?.level).toBe(level);
    }
  });

  it('says the figures that the story was written for', async () => {
    const shown = async (...of: Parameters<typeof course>) => {
      const { figures } = await course(...of);
      return [figures?.display, figures?.letter, figures?.looseEnds.map(({ kind }) => kind)];
    };
    expect([
      await shown('kelp', 'gannet-head', 'isolde'),
      await shown('boats', 'millrace', 'caspian'),
      await shown('making', 'little-fathom', 'pet'),
    ]).toEqual([
      [76.6, 'C', ['missing']],
      [3.1, null, ['overdue']],
      [3.3, null, []],
    ]);
  });

  it('comes as a record that the figures command answers with the same figures', async () => {
    for (const [id, school, child] of [
      ['kelp', 'gannet-head', 'isolde'],
      ['boats', 'millrace', 'caspian'],
      ['making', 'little-fathom', 'pet'],
    ] as const) {
      const path = await place(gradebookRoutes.courseRecord.path, id, school, child);
      const record: unknown = (await maren.get(path).expect(200)).body;
      const answer = await answerCase(JSON.parse(JSON.stringify({ kind: 'course', record })));
      const { figures } = await course(id, school, child);
      expect(answer).toMatchObject(JSON.parse(JSON.stringify(figures)) as object);
    }
  });
});

describe('one assignment', () => {
  it('says what it decides and what it has done', async () => {
    const keel = await item('boats-keel-model', 'millrace', 'caspian');
    expect(keel.worth.now).toBe(0);
    expect(keel.worth.decides).toBeCloseTo(0.933, 3);
    expect(keel.looseEnd?.impact).toBeGreaterThan(0);
    const quiz = await item('kelp-titration', 'gannet-head', 'isolde');
    expect(quiz.worth.now).toBeLessThan(0);
  });

  it('has its rubric with what was reached, its sheets at the school’s own address', async () => {
    const letter = await item('history-source-letter', 'gannet-head', 'isolde');
    expect(letter.rubric.map(({ title, reached }) => [title, reached])).toEqual([
      ['The source', 1],
      ['Own words', 1],
    ]);
    const { files } = await item('boats-keel-model', 'millrace', 'caspian');
    expect(files).toHaveLength(1);
    const sheet = await fetch(files[0]?.href ?? '');
    expect(await sheet.text()).toContain('42.0 cm');
  });

  it('passes on no address but the web’s', async () => {
    const id = await world.itemId('boats-keel-model', 'millrace');
    const before = await world.db('items').where({ id }).first<{ files: unknown }>('files');
    const files = ['javascript:alert(1)', 'file:///etc/passwd', 'data:text/html,x', 'http://[', 'ok.txt'];
    const told = JSON.stringify(files.map((href) => ({ title: href, href })));
    await world.db('items').where({ id }).update({ files: told });
    const found = await item('boats-keel-model', 'millrace', 'caspian');
    expect(found.files.map(({ title }) => title)).toEqual(['ok.txt']);
    await world
      .db('items')
      .where({ id })
      .update({ files: JSON.stringify(before?.files) });
  });
});

describe('the school’s own figure beside ours', () => {
  it.each([
    ['optics', 'same', []],
    ['history', 'rounded', []],
    ['tides', 'differs', ['not-published']],
    ['kelp', 'differs', ['policy']],
  ] as const)('%s: %s', async (id, verdict, reasons) => {
    const { reconciliation } = await course(id);
    expect(reconciliation?.verdict).toBe(verdict);
    expect(reconciliation?.reasons.map(({ kind }) => kind)).toEqual(reasons);
  });

  it('takes a mark that came later for the reason', async () => {
    const itemId = await world.itemId('optics-quiz-4', 'gannet-head');
    const studentId = world.student('isolde');
    const at = new Date('2026-10-21T19:35:00Z');
    const row = { student_id: studentId, item_id: itemId, at, status: 'scored', earned: 2, late: false };
    await world.db('results').insert({ ...row, levels: '{}' });
    const { reconciliation } = await course('optics');
    expect(reconciliation).toMatchObject({
      verdict: 'differs',
      reasons: [{ kind: 'later-mark', itemIds: [itemId] }],
    });
    await world.db('results').where({ item_id: itemId, student_id: studentId, at }).delete();
  });

  it('states nothing for a course of standards', async () => {
    expect((await course('making', 'little-fathom', 'pet')).reconciliation).toBeNull();
  });
});

describe('correcting the policy that is assumed', () => {
  const policyPath = () => place(gradebookRoutes.policy.path, 'kelp', 'gannet-head', 'isolde');
  const previewPath = () => place(gradebookRoutes.previewPolicy.path, 'kelp', 'gannet-head', 'isolde');

  it('shows what it would make of the figure, keeps it for the household, and goes back', async () => {
    const before = await course('kelp');
    const [reason] = before.reconciliation?.reasons ?? [];
    if (reason?.kind !== 'policy') throw new Error('the story has a policy that is not published');
    const { correction } = reason;
    expect(correction).toEqual({ missingCounts: 'not' });

    const preview = (
      await maren
        .post(await previewPath())
        .send({ correction })
        .expect(200)
    ).body;
    expect(preview.now.posted).toBeCloseTo(before.figures?.posted ?? 0, 9);
    expect(preview.then.posted).toBeCloseTo(before.reconciliation?.stated ?? 0, 0);
    expect(preview.reconciliation.verdict).toBe('same');
    expect((await course('kelp')).figures).toEqual(before.figures);

    const kept = (
      await maren
        .post(await policyPath())
        .send({ correction })
        .expect(200)
    ).body as CoursePolicy;
    expect(kept.assumed.missingCounts).toBe('not');
    expect(kept.published.missingCounts).toBe('zero');
    const after = await course('kelp');
    expect(after).toMatchObject({ corrected: true, reconciliation: { verdict: 'same' } });
    const listed = (await maren.get(gradebookRoutes.courses.path)).body.courses as CourseDetail[];
    expect(listed.find(({ id }) => id === after.id)?.figures?.posted).toBeCloseTo(
      after.figures?.posted ?? 0,
      9,
    );
    const reef = ((await maren.get(workRoutes.work.path)).body as Work).rows.find(
      ({ title }) => title === 'Reef survey',
    );
    expect(reef).toBeDefined();

    // The other household sees the record as the source says.
    expect((await course('kelp', 'gannet-head', 'isolde', apart)).figures).toEqual(before.figures);
    const theirs = (await apart.get(await policyPath()).expect(200)).body as CoursePolicy;
    expect(theirs).toMatchObject({ correction: null, history: [] });

    // A scale of one's own is the scale in every list.
    const halved = { correction: { ...correction, outOf: 50 } };
    await maren
      .post(await policyPath())
      .send(halved)
      .expect(200);
    const scaled = ((await maren.get(gradebookRoutes.courses.path)).body.courses as CourseDetail[]).find(
      ({ id }) => id === after.id,
    );
    expect(scaled?.scale.outOf).toBe(50);
    expect(scaled?.figures?.posted).toBeCloseTo((after.figures?.posted ?? 0) / 2, 9);

    const back = (
      await maren
        .post(await policyPath())
        .send({ correction: null })
        .expect(200)
    ).body as CoursePolicy;
    expect(back.correction).toBeNull();
    expect(back.history.map(({ correction: was, author }) => [was, author])).toEqual([
      [null, 'maren'],
      [{ missingCounts: 'not', outOf: 50 }, 'maren'],
      [{ missingCounts: 'not' }, 'maren'],
    ]);
    expect((await course('kelp')).figures).toEqual(before.figures);
  });

  it.each([
    ['a floor above 1', { floor: 1.5 }, '/correction/floor'],
    ['a negative weight', { categories: [{ id: 'x', weight: -1 }] }, '/correction/categories/0/weight'],
    ['half a drop', { categories: [{ id: 'x', dropLowest: 0.5 }] }, '/correction/categories/0/dropLowest'],
    ['a scale of nothing', { outOf: 0 }, '/correction/outOf'],
    ['a category of another course', { categories: [{ id: 'x', weight: 1 }] }, '/correction/categories/0/id'],
    ['no change at all', {}, '/correction'],
    ['a word we do not know', { missingCounts: 'half' }, '/correction/missingCounts'],
    ['a member we do not know', { method: 'points' }, '/correction'],
  ])('refuses %s, and says where', async (_name, correction, path) => {
    for (const url of [await policyPath(), await previewPath()]) {
      const { body } = await maren.post(url).send({ correction }).expect(400);
      expect(body.errors[0].path).toBe(path);
    }
    expect(await world.db('policy_corrections').where({ correction: JSON.stringify(correction) })).toEqual(
      [],
    );
  });
});

describe('terms, credits, grade points', () => {
  const terms = async (child: string): Promise<ChildTerms> =>
    (await maren.get(termRoutes.terms.path.replace(':studentId', world.student(child))).expect(200))
      .body as ChildTerms;
  const gradeOf = (years: ChildTerms, title: string, part: string) =>
    years.courses.find((each) => each.title === title)?.grades.find((grade) => grade.part === part);

  it('gives the tree of the years, a parent before its parts', async () => {
    const { terms: tree } = await terms('isolde');
    expect(tree.map(({ title, depth, state }) => [title, depth, state]).slice(0, 5)).toEqual([
      ['School year 2026–27', 0, 'running'],
      ['First semester', 1, 'running'],
      ['First quarter', 2, 'running'],
      ['Second quarter', 2, 'ahead'],
      ['Second semester', 1, 'ahead'],
    ]);
    expect(tree).toHaveLength(14);
  });

  it('tells a running figure from a stored one, and draws the formula with its parts', async () => {
    const years = await terms('isolde');
    expect(gradeOf(years, 'Lighthouse optics', 'quarter-1-2026')).toMatchObject({ state: 'running' });
    expect(gradeOf(years, 'Lighthouse optics', 'exam-1-2026')).toMatchObject({
      state: 'ahead',
      title: 'Semester exam',
      fraction: null,
    });
    const semester = gradeOf(years, 'Shore life', 'semester-1-2025');
    expect(semester).toMatchObject({ state: 'stored', grade: { letter: 'B', by: 'final' } });
    expect(semester?.parts.map(({ weight, stored }) => [weight, stored])).toEqual([
      [40, true],
      [40, true],
      [20, true],
    ]);
    const made = semester?.parts.reduce((sum, { weight, fraction }) => sum + weight * (fraction ?? 0), 0);
    expect((made ?? 0) / 100).toBeCloseTo(semester?.fraction ?? 0, 9);
  });

  it('lets the school’s own running grade lead on the page of terms, ours beside it', async () => {
    const kelp = gradeOf(await terms('isolde'), 'Kelp chemistry', 'quarter-1-2026');
    expect(kelp).toMatchObject({
      state: 'running',
      grade: { display: 80.4, letter: 'B', by: 'school', count: { display: 76.6, letter: 'C' } },
    });
    // What the year is made of reads the same figure.
    const year = gradeOf(await terms('isolde'), 'Kelp chemistry', 'semester-1-2026');
    expect(year?.parts.find(({ part }) => part === 'quarter-1-2026')?.display).toBe(80.4);
  });

  it('counts credits earned, in progress and still needed, and the average over its table', async () => {
    const years = await terms('isolde');
    expect(years.credits.find(({ area }) => area === 'Sciences')).toEqual({
      area: 'Sciences',
      earned: 1,
      inProgress: 2,
      required: 4,
      stillNeeded: 1,
    });
    // B, A (with a bump of a half), B, B and an A of half a credit.
    expect(years.average?.stored).toBeCloseTo((3 + 4.5 + 3 + 3 + 0.5 * 4) / 4.5, 9);
    expect(years.average?.rows.filter(({ stored }) => !stored)).toHaveLength(7);
    expect((await terms('pet')).average).toBeNull();
  });

  it('tells where exactly a teacher left words, each time of handing in, and plays what was spoken', async () => {
    const item = async (id: string): Promise<ItemDetail> => {
      const path = gradebookRoutes.item.path
        .replace(':studentId', world.student('isolde'))
        .replace(':itemId', await world.itemId(id, 'gannet-head'));
      return (await maren.get(path).expect(200)).body as ItemDetail;
    };
    const about = async (id: string) => (await item(id)).comments.map((comment) => comment.about);
    expect(await about('kelp-quiz-3')).toEqual([{ kind: 'answer', title: 'Question 4' }]);
    expect(await about('kelp-notes-4')).toEqual([{ kind: 'file', title: 'Notebook.pdf', place: 'page 12' }]);
    const [elsewhere] = (await item('history-source-letter')).comments;
    expect(elsewhere?.elsewhere).toBe(`${world.school.url}/gannet-head/files/source-letter.txt`);
    const sheet = await item('kelp-sheet-5');
    expect(sheet.tries).toEqual([{ at: expect.any(String) as string, files: ['Indicators: worksheet.pdf'] }]);

    const [spoken] = (await item('rowing-quiz-5')).comments;
    expect(spoken?.recording).toMatchObject({
      seconds: 4,
      text: expect.stringMatching(/second arrow/) as string,
    });
    const recording = (commentId: string, child = 'isolde') =>
      gradebookRoutes.recording.path
        .replace(':studentId', world.student(child))
        .replace(':commentId', commentId);
    const answer = await maren
      .get(recording(spoken?.id ?? ''))
      .expect(200)
      .buffer();
    expect(answer.headers['content-type']).toBe('audio/wav');
    expect((answer.body as Buffer).subarray(0, 4).toString()).toBe('RIFF');
    await maren.get(recording(elsewhere?.id ?? '')).expect(404);
    await maren.get(recording(spoken?.id ?? '', 'caspian')).expect(404);
    // What is not the school's own is asked of nobody.
    const put = (href: string) =>
      world
        .db('comments')
        .where({ id: spoken?.id })
        .update({ recording: JSON.stringify({ href, seconds: 4, text: null }) });
    await put('https://elsewhere.example/a.wav');
    await maren.get(recording(spoken?.id ?? '')).expect(404);
    await put('files/keel-plan.txt');
    await maren.get(recording(spoken?.id ?? '')).expect(503);
  });

  it('opens a course’s missed lessons as its dates, with what was done in them', async () => {
    const { attendance } = await course('rowing');
    expect(attendance?.lessons.slice(0, 3)).toMatchObject([
      {
        on: '2026-10-21',
        period: '7',
        mark: 'absent',
        excused: false,
        markedBy: 'Jory Sandhaven',
        done: expect.stringMatching(/^We /) as string,
      },
      { on: '2026-10-20' },
      { on: '2026-10-19' },
    ]);
    expect(attendance?.lessons.filter(({ mark }) => mark === 'absent')).toHaveLength(attendance?.absent ?? 0);
  });

  it('keeps the report’s words with their term', async () => {
    const { courses } = await terms('isolde');
    const shore = courses.find(({ title }) => title === 'Shore life');
    expect(shore?.remarks.map(({ part }) => part)).toEqual(['quarter-2-2025', 'quarter-4-2025']);
    expect(shore?.current).toBe(false);
  });

  it('prints one page for a child and a term', async () => {
    for (const child of ['isolde', 'caspian', 'pet']) {
      const path = termRoutes.report.path.replace(':studentId', world.student(child));
      const answer = await maren.get(path).expect(200).expect('content-type', 'application/pdf').buffer();
      const bytes = answer.body as Buffer;
      expect(bytes.subarray(0, 5).toString()).toBe('%PDF-');
      expect(bytes.toString('latin1').match(/\/Type \/Page\b/g)).toHaveLength(1);
    }
    await maren
      .get(termRoutes.report.path.replace(':studentId', world.student('pet')))
      .query({ termId: world.student('pet') })
      .expect(404);
  });

  it('prints the report cards of a year as a grid, and of no year that is none of the child’s', async () => {
    const years = await terms('isolde');
    const tops = years.terms.filter(({ depth }) => depth === 0);
    expect(tops.map(({ title }) => title)).toEqual(['School year 2026–27', 'School year 2025–26']);
    const path = termRoutes.cards.path.replace(':studentId', world.student('isolde'));
    for (const { id } of tops) {
      const answer = await maren.get(path).query({ yearId: id }).expect(200).buffer();
      expect((answer.body as Buffer).subarray(0, 5).toString()).toBe('%PDF-');
    }
    await maren
      .get(path)
      .query({ yearId: world.student('isolde') })
      .expect(404);
  });

  it('tells the attendance of each term that has begun, as the page of attendance does', async () => {
    const { attendance } = await terms('isolde');
    expect(attendance.map(({ part }) => part)).toEqual(['year-2026', 'semester-1-2026', 'quarter-1-2026']);
    for (const { schoolDays, daysMissed, lessonsMissed, late } of attendance)
      expect([schoolDays, daysMissed, lessonsMissed, late]).toEqual([32, 1, 10, 1]);
  });

  it('moves on with the year: the quarter is final, then stored, and one course has not reported', async () => {
    const reef = await world.itemId('kelp-reef-survey', 'gannet-head');
    const taken = { studentId: world.student('isolde'), itemId: reef, title: 'Reef survey' };
    const followUp = await maren.post(followUpRoutes.create.path).send(taken).expect(201);
    await world.moveTo('2026-11-09T14:00:00Z');
    await world.syncAll();
    expect(gradeOf(await terms('isolde'), 'Lighthouse optics', 'quarter-1-2026')?.state).toBe('final');
    const fresh = await course('optics');
    expect(fresh.term.title).toBe('Second quarter');
    expect(fresh.figures?.posted).toBeNull();
    expect(fresh.items).toEqual([]);

    const first = fresh.terms[0];
    const path = await place(gradebookRoutes.course.path, 'optics', 'gannet-head', 'isolde');
    const earlier = (await maren.get(path).query({ termId: first?.id }).expect(200)).body as CourseDetail;
    expect(earlier.term).toMatchObject({ title: 'First quarter', state: 'closed' });
    expect(earlier.figures?.posted).toBeGreaterThan(80);
    expect(earlier.items.length).toBeGreaterThan(30);
    expect(fresh.earlier.map(({ term, moved }) => [term.title, moved.length])).toEqual([
      ['First quarter', earlier.moved.length],
    ]);
    // Too late to mend anything, and said so.
    expect(earlier.figures?.looseEnds.every(({ recoverable }) => !recoverable)).toBe(true);

    // Work of a term that is over can still be marked, and then its follow-up settles.
    const mark = { student_id: taken.studentId, item_id: reef, status: 'scored', earned: 16, late: true };
    await world.db('results').insert({ ...mark, at: new Date('2026-11-10T18:00:00Z'), levels: '{}' });
    await world.moveTo('2026-11-11T14:00:00Z');
    await world.syncAll();
    const settled = followUpRoutes.read.path.replace(':followUpId', followUp.body.id as string);
    expect((await maren.get(settled).expect(200)).body.step).toBe('settled');
    const reported = await terms('isolde');
    expect(gradeOf(reported, 'Lighthouse optics', 'quarter-1-2026')?.state).toBe('stored');
    expect(gradeOf(reported, 'Harbour letters', 'quarter-1-2026')?.state).toBe('final');
    // What was incomplete on the last day has been decided, and is told until the new quarter has a figure.
    const { courses } = (await maren.get(gradebookRoutes.courses.path).expect(200)).body as {
      courses: CourseSummary[];
    };
    expect(courses.find(({ title }) => title === 'Island stories')?.ended).toMatchObject({
      ...{ title: 'First quarter', grade: { by: 'final' } },
      decided: [{ title: 'Harbour map key', was: 'incomplete', status: 'scored', earned: 11, possible: 20 }],
    });
    // The report cards have what teachers wrote.
    expect(
      reported.courses.filter(({ remarks }) => remarks.some(({ part }) => part === 'quarter-1-2026')),
    ).toHaveLength(6);
    await maren
      .get(path)
      .query({ termId: world.student('isolde') })
      .expect(404);
  });

  it('prints the last term that is over, in the holidays', async () => {
    await world.moveTo('2027-07-10T14:00:00Z');
    const again = await world.signedIn('maren');
    const path = termRoutes.report.path.replace(':studentId', world.student('isolde'));
    const { body } = await again.get(path).expect(200).buffer();
    const reader = new PaperReader();
    const said = (await reader.read(body as Buffer)).flat().map(({ text }) => text);
    await reader.close();
    expect(said.find((text) => text.includes('quarter, '))).toMatch(/^Fourth quarter, /);
  });
});
