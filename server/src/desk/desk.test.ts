import {
  deskRoutes,
  doorRoutes,
  followUpRoutes,
  peopleRoutes,
  planRoutes,
  tryRoutes,
  workRoutes,
  type Desk,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

let world: World;
let guardian: Agent;
let looker: Agent;
let child: Agent;
let studentId: string;
let itemId: string;
let courseId: string;
beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'guardian', children: ['caspian', 'isolde'] },
    { name: 'looker', role: 'look-only', children: ['caspian'] },
    { name: 'child', role: 'student', children: ['caspian'] },
  ]);
  await world.household('apart', [{ name: 'apart', children: ['caspian'] }]);
  guardian = await world.signedIn('guardian');
  looker = await world.signedIn('looker');
  child = await world.signedIn('child');
  studentId = world.student('caspian');
  itemId = await world.itemId('boats-keel-model', 'millrace');
  courseId = await world.courseId('boats', 'millrace');
});
afterAll(() => world.stop());
beforeEach(async () => {
  for (const table of ['desk_words', 'desk_pieces', 'desk_shares', 'targets', 'tries', 'followups'])
    await world.db(table).delete();
});

const at = (path: string, ids: Record<string, string> = {}): string =>
  Object.entries({ studentId, itemId, courseId, ...ids }).reduce(
    (whole, [name, id]) => whole.replace(`:${name}`, id),
    path,
  );
const desk = async (agent: Agent): Promise<Desk> =>
  (await agent.get(at(deskRoutes.read.path)).expect(200)).body as Desk;
const say = async (word: object): Promise<Desk> =>
  (await child.post(at(deskRoutes.say.path)).send(word).expect(201)).body as Desk;

describe('what the child says to its family', () => {
  it('stands before its family with what it is about, until somebody tells it that it was seen', async () => {
    await say({ wish: 'talk', itemId, text: 'I cannot get the keel straight' });
    const [word] = (await desk(guardian)).words;
    expect(word).toMatchObject({
      ...{ wish: 'talk', text: 'I cannot get the keel straight', author: 'child', seen: null },
      ...{ courseId, itemId, itemTitle: 'Keel model', comment: null },
    });
    expect((await desk(looker)).words).toEqual([word]);
    await guardian.post(at(deskRoutes.seen.path, { wordId: word?.id ?? '' })).expect(200);
    expect((await desk(child)).words[0]?.seen).toMatchObject({ by: 'guardian' });
  });

  it('is said once of each thing: said again it is new, and nobody has seen it', async () => {
    const first = await say({ wish: 'show', courseId });
    await guardian.post(at(deskRoutes.seen.path, { wordId: first.words[0]?.id ?? '' })).expect(200);
    const again = await say({ wish: 'show', courseId, text: 'Look again' });
    expect(again.words).toMatchObject([{ text: 'Look again', seen: null, itemId: null }]);
    expect((await say({ wish: 'talk', courseId })).words).toHaveLength(2);
  });

  it('may be about what a teacher wrote, and is taken back by the child alone', async () => {
    const { teachers } = await desk(child);
    const [comment] = teachers;
    const { words } = await say({ wish: 'show', commentId: comment?.commentId });
    expect(words[0]?.comment).toEqual({
      ...{ id: comment?.commentId, text: comment?.text, author: comment?.author },
    });
    const path = at(deskRoutes.unsay.path, { wordId: words[0]?.id ?? '' });
    await guardian.delete(path).expect(403);
    expect((await child.delete(path).expect(200)).body.words).toEqual([]);
    await child.delete(path).expect(404);
  });

  it.each<[string, () => object, number]>([
    ['about nothing', () => ({ wish: 'talk', text: 'x' }), 400],
    ['about two things', () => ({ wish: 'talk', itemId, courseId }), 400],
    [
      'about an assignment that is not its own',
      () => ({ wish: 'talk', itemId: world.student('isolde') }),
      404,
    ],
    ['about a course of another school', () => ({ wish: 'talk', courseId: studentId }), 404],
    ['about a comment nobody wrote', () => ({ wish: 'show', commentId: itemId }), 404],
    ['with a word of nothing', () => ({ wish: 'show', itemId, text: '' }), 400],
  ])('is refused %s', async (_what, body, status) => {
    await child.post(at(deskRoutes.say.path)).send(body()).expect(status);
    expect((await desk(child)).words).toEqual([]);
  });
});

describe('what the child is proud of', () => {
  it('is its own until it is shown', async () => {
    const kept = { why: 'It floats', shown: false };
    await child
      .post(at(deskRoutes.keep.path))
      .send({ ...kept, itemId })
      .expect(201);
    const raft = { ...kept, title: 'A raft of corks' };
    const { body } = await child.post(at(deskRoutes.keep.path)).send(raft).expect(201);
    expect((body as Desk).pieces.map(({ title, courseId: of }) => [title, of])).toEqual([
      ['A raft of corks', null],
      ['Keel model', courseId],
    ]);
    expect((await desk(guardian)).pieces).toEqual([]);
    const pieceId = (body as Desk).pieces[0]?.id ?? '';
    await child.patch(at(deskRoutes.change.path, { pieceId })).send({ shown: true }).expect(200);
    expect((await desk(guardian)).pieces.map(({ title }) => title)).toEqual(['A raft of corks']);
    await child.delete(at(deskRoutes.drop.path, { pieceId })).expect(200);
    expect((await desk(guardian)).pieces).toEqual([]);
  });

  it('is an assignment once, with the last word why', async () => {
    for (const why of ['It floats', 'It sails'])
      await child.post(at(deskRoutes.keep.path)).send({ itemId, why, shown: true }).expect(201);
    expect((await desk(guardian)).pieces.map(({ why }) => why)).toEqual(['It sails']);
    await child.post(at(deskRoutes.keep.path)).send({ why: 'No name', shown: true }).expect(400);
  });
});

describe('where the child says its work is', () => {
  it('stands in what its guardians follow up, with its day, and in their list of work', async () => {
    const { body: taken } = await guardian
      .post(followUpRoutes.create.path)
      .send({ studentId, itemId, title: 'Keel model' })
      .expect(201);
    await child.post(at(workRoutes.asked.path)).send({ answer: 'at-home' }).expect(204);
    const path = followUpRoutes.read.path.replace(':followUpId', taken.id as string);
    const { body } = await guardian.get(path).expect(200);
    expect(body.entries).toMatchObject([
      { kind: 'noticed', answer: null },
      { kind: 'asked', author: 'child', answer: 'at-home', text: null },
    ]);
    await child.get(path).expect(404);
    const { body: work } = await guardian.get(workRoutes.work.path).expect(200);
    const row = (work.rows as { itemId: string; asked: unknown }[]).find((each) => each.itemId === itemId);
    expect(row?.asked).toEqual({ answer: 'at-home', on: '2026-10-21' });
  });
});

describe('what each sees of the other', () => {
  it('shows the child the evenings and lets it tick them off, until its guardians decide otherwise', async () => {
    await guardian
      .post(at(planRoutes.choose.path))
      .send({ tasks: [{ itemId, minutes: 30 }] })
      .expect(200);
    const task = at(planRoutes.change.path);
    const { body } = await child.patch(task).send({ done: true }).expect(200);
    expect(body.tasks).toMatchObject([{ itemId, doneAt: expect.any(String) }]);
    await child.patch(task).send({ minutes: 5 }).expect(403);
    await child.post(at(deskRoutes.share.path)).send({ what: 'evenings', shown: false }).expect(403);
    await guardian.post(at(deskRoutes.share.path)).send({ what: 'evenings', shown: false }).expect(200);
    await child.get(at(planRoutes.read.path)).expect(403);
    await child.patch(task).send({ done: false }).expect(403);
    expect((await desk(child)).shares).toEqual({ evenings: false, aims: false });
  });

  it('keeps the child’s aims the child’s, until it shows them; and the family’s from the child', async () => {
    const target = at(tryRoutes.target.path);
    const tries = at(tryRoutes.tries.path);
    const own = { name: 'If I do it', scores: [{ itemId, earned: 18 }] };
    await guardian.post(target).send({ target: 3.5 }).expect(200);
    await child.post(target).send({ target: 3 }).expect(200);
    await child.post(tries).send(own).expect(200);
    expect((await child.get(tries)).body).toMatchObject({
      target: 3,
      tries: [{ name: 'If I do it' }],
      childs: null,
    });
    expect((await guardian.get(tries)).body).toEqual({ target: 3.5, tries: [], childs: null });
    expect((await desk(guardian)).aims).toEqual([]);

    await child.post(at(deskRoutes.share.path)).send({ what: 'aims', shown: true }).expect(200);
    expect((await guardian.get(tries)).body).toMatchObject({
      target: 3.5,
      childs: { target: 3, tries: [{ name: 'If I do it' }] },
    });
    expect((await desk(guardian)).aims).toEqual([{ courseId, courseTitle: expect.any(String), target: 3 }]);
    // What stands beside the course is one's own, on both sides.
    const targetOf = async (agent: Agent) =>
      ((await agent.get('/api/courses')).body.courses as { id: string; target: number }[]).find(
        ({ id }) => id === courseId,
      )?.target;
    expect([await targetOf(guardian), await targetOf(child)]).toEqual([3.5, 3]);
  });

  it('names to the child who of its family reads it, and to them whether the child is there', async () => {
    expect(await desk(child)).toMatchObject({ family: ['guardian', 'looker'], joined: true });
    const isolde = deskRoutes.read.path.replace(':studentId', world.student('isolde'));
    expect((await guardian.get(isolde)).body).toMatchObject({ family: ['guardian'], joined: false });
  });

  it('is nothing to another household of the same child', async () => {
    await say({ wish: 'talk', itemId });
    const apart = await desk(await world.signedIn('apart'));
    expect(apart).toMatchObject({ words: [], pieces: [], aims: [], family: ['apart'], joined: false });
  });
});

it('reaches the guardian whom a child lets in that has come by itself; another’s household stays its own', async () => {
  await world.household('alone', [{ name: 'pet', role: 'student', children: ['pet'] }]);
  const code = async (agent: Agent, student: string): Promise<string> => {
    const wish = { studentIds: [world.student(student)], role: 'guardian', email: null, together: false };
    return (await agent.post(peopleRoutes.invite.path).send(wish).expect(201)).body.code as string;
  };
  const comes = async (by: string, name: string): Promise<Agent> => {
    const agent = world.nobody;
    const who = { name, email: `${name}@test.example`, password: 'lantern wicks for thirty herons' };
    await agent
      .post(doorRoutes.come.path)
      .send({ code: by, ...who, language: 'en', keep: false })
      .expect(201);
    return agent;
  };
  const pet = await world.signedIn('pet');
  const first = await comes(await code(pet, 'pet'), 'first');
  const wish = { title: 'My boat', why: 'It is red', shown: true };
  await pet
    .post(deskRoutes.keep.path.replace(':studentId', world.student('pet')))
    .send(wish)
    .expect(201);
  const piecesOfPet = async (agent: Agent): Promise<number> =>
    (await agent.get(deskRoutes.read.path.replace(':studentId', world.student('pet'))).expect(200)).body
      .pieces.length as number;
  expect(await piecesOfPet(first)).toBe(1);
  // Where somebody looks after the child already, who comes by its code has a household of their own.
  expect(await piecesOfPet(await comes(await code(pet, 'pet'), 'second'))).toBe(0);
});
