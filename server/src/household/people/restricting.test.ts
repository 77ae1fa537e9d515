import {
  alertRoutes,
  doorRoutes,
  elsewhereRoutes,
  gradebookRoutes,
  peopleRoutes,
  type People,
  type Withheld,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { dropWaitingDigests } from '../../alerts';
import { addressIn } from '../../testing/access/callers';
import { accessWorld } from '../../testing/access/households';
import { accessTable } from '../../testing/access/table';
import type { Ids } from '../../testing/access/callers';
import type { World } from '../../testing/world';
import { endOverdueLinks } from './ending';
import { lift, restrict } from './restricting';

/* What a helper sees, and what a school holds back: in every answer there is, from the next request on. */
let world: World;
let ids: Ids;
let guardian: Agent;
beforeAll(async () => {
  ({ world, ids } = await accessWorld());
  guardian = await world.signedIn('guardian');
});
afterAll(() => world.stop());

const idOf = (name: string): Promise<string> => world.personId(name);
const hold = async (what: Withheld, more: { courseId?: string; personId?: string | null } = {}) => {
  const row = { studentId: ids.studentId, what, courseId: null, personId: await idOf('guardian'), ...more };
  const before: string[] = await world.db('restrictions').pluck('id');
  expect(await restrict(world, row, { onRestricted: dropWaitingDigests })).toBe(true);
  // What is held back already is not held back twice.
  expect(await restrict(world, row, { onRestricted: dropWaitingDigests })).toBe(false);
  const [made = ''] = (await world.db('restrictions').whereNotIn('id', before).pluck('id')) as string[];
  return () => lift(world, made);
};

/** Everything that is read, without what has no end, and papers and packed files, whose words nobody sees from outside. */
const reads = Object.keys(accessTable).filter(
  (key) => /^get /.test(key) && !/live|second|\.(pdf|xlsx|zip)$/.test(key),
);
async function everythingRead(agent: Agent): Promise<string> {
  let text = '';
  for (const key of reads) {
    const answer = await agent.get(addressIn(key, ids));
    expect({ key, broken: answer.status >= 500 }).toEqual({ key, broken: false });
    text += answer.text ?? '';
  }
  return text;
}
const worksOf = (courseId: string): Promise<string[]> =>
  world.db('items').where({ course_id: courseId, removed: false }).pluck('title');

describe('what a school holds back', () => {
  it.each([
    ['from one person', null],
    ['from everybody but the child', 'all'],
  ])('a course %s is nowhere any more, and back again when it is lifted', async (_name, all) => {
    const titles = await worksOf(ids.courseId);
    const seen = async (agent: Agent) => {
      const text = await everythingRead(agent);
      return [...titles, 'Boat-building'].filter((title) => text.includes(title));
    };
    expect((await seen(guardian)).length).toBeGreaterThan(3);
    const back = await hold('course', {
      courseId: ids.courseId,
      ...(all ? { personId: null } : {}),
    });
    // Letters that one wrote oneself are one's own: their words stay.
    expect((await seen(guardian)).filter((title) => title !== 'Keel model')).toEqual([]);
    const course = gradebookRoutes.course.path
      .replace(':studentId', ids.studentId)
      .replace(':courseId', ids.courseId);
    await guardian.get(course).expect(404);
    await (await world.signedIn('student')).get(course).expect(200);
    await (await world.signedIn('second')).get(course).expect(all ? 404 : 200);
    expect(await back()).toBe(true);
    await guardian.get(course).expect(200);
  });

  it('comments and attendance, each by itself', async () => {
    const texts: string[] = await world.db('comments').where({ student_id: ids.studentId }).pluck('text');
    const inText = (text: string) => texts.filter((each) => text.includes(JSON.stringify(each).slice(1, 40)));
    expect(inText(await everythingRead(guardian)).length).toBeGreaterThan(0);
    const back = await hold('comments');
    expect(inText(await everythingRead(guardian))).toEqual([]);
    await back();
    const marks = async () =>
      (await guardian.get(`/api/students/${ids.studentId}/attendance.csv`).expect(200)).text.split('\r\n')
        .length;
    const all = await marks();
    expect(all).toBeGreaterThan(10);
    const again = await hold('attendance');
    expect(await marks()).toBeLessThan(3);
    await again();
    expect(await marks()).toBe(all);
  });

  it('ends what is under way: alerts of it, digests that wait, streams', async () => {
    const own = await idOf('guardian');
    const at = '2026-10-20T18:00:00Z';
    await world.db('alerts').insert({
      ...{ guardian_id: own, key: 'x', episode: 1, kind: 'work', student_id: ids.studentId },
      ...{ course_id: ids.courseId, course_title: 'Boat-building', raised_at: at, told_at: at, news_at: at },
      ...{ reasons: '[]', known: '[]', told: '[]' },
    });
    const digest = { guardian_id: own, due_on: '2026-10-21', rhythm: 'daily', content: '{}' };
    const [made] = await world.db('digests').insert(digest).returning<{ id: string }[]>('id');
    await world.db('deliveries').insert({
      ...{
        guardian_id: own,
        channel: 'mail',
        about: 'digest',
        digest_id: made?.id,
        key: 'digest:2026-10-21',
      },
      ...{ state: 'waiting', made_at: at, at },
    });
    const listed = async () =>
      (await guardian.get(alertRoutes.list.path).expect(200)).body.alerts.some(
        (alert: { courseTitle: string | null }) => alert.courseTitle === 'Boat-building',
      ) as boolean;
    expect(await listed()).toBe(true);
    const back = await hold('course', { courseId: ids.courseId });
    expect(await listed()).toBe(false);
    expect(await world.db('digests').where({ id: made?.id }).first('id')).toBeUndefined();
    await back();
    expect(await listed()).toBe(true);
  });

  it('stands in the trail for every guardian of the child', async () => {
    const { body } = await guardian.get(`/api/students/${ids.studentId}/trail`).expect(200);
    const kinds = (body.entries as { kind: string }[]).map(({ kind }) => kind);
    expect(kinds).toEqual(expect.arrayContaining(['restricted', 'lifted']));
  });
});

describe('a helper', () => {
  const inviteHelper = (more: object = {}) =>
    guardian.post(peopleRoutes.invite.path).send({
      ...{ studentIds: [ids.studentId], role: 'helper', email: null, together: true },
      helps: { courseIds: [ids.courseId], until: '2026-11-20' },
      ...more,
    });
  const come = async (code: string): Promise<Agent> => {
    const agent = world.nobody;
    const body = {
      ...{ code, name: 'Tutor', email: 'tutor@test.example', language: 'en', keep: false },
      password: 'lantern wicks for thirty herons',
    };
    await agent.post(doorRoutes.come.path).send(body).expect(201);
    return agent;
  };

  it.each([
    ['no course', { helps: { courseIds: [], until: '2026-11-20' } }, 400],
    ['no word of what they help with', { helps: undefined }, 400],
    ['a day that is over', { helps: { courseIds: ['c'], until: '2026-10-20' } }, 400],
    ['a day in two years', { helps: { courseIds: ['c'], until: '2028-10-20' } }, 400],
    ['a course of somebody else', { helps: { courseIds: ['other'], until: '2026-11-20' } }, 404],
    ['courses for who is no helper', { role: 'look-only' }, 400],
  ])('is not invited with %s', async (_name, more, status) => {
    const { helps, ...rest } = more as { helps?: { courseIds: string[]; until: string } };
    const other = await world.courseId('kelp', 'gannet-head');
    const courseIds = helps?.courseIds.map((id) => (id === 'other' ? other : ids.courseId));
    const body = { ...rest, ...('helps' in more ? { helps: helps && { ...helps, courseIds } } : {}) };
    await inviteHelper(body).expect(status);
  });

  it('sees the chosen courses and nothing else until the last day, and writes nothing', async () => {
    const { body } = await inviteHelper().expect(201);
    const tutor = await come(body.code as string);
    const { courses } = (await tutor.get(gradebookRoutes.courses.path).expect(200)).body;
    expect(courses.map(({ id }: { id: string }) => id)).toEqual([ids.courseId]);
    const hidden: string[] = await world
      .db('student_items')
      .where({ student_id: ids.studentId })
      .whereNot({ course_id: ids.courseId })
      .whereNotIn('title', await worksOf(ids.courseId))
      .pluck('title');
    const text = await everythingRead(tutor);
    expect(hidden.length).toBeGreaterThan(3);
    expect(hidden.filter((title) => text.includes(title))).toEqual([]);
    for (const words of ['Library books for us', 'Why the keel']) expect(text).not.toContain(words);
    const feed = { name: 'Kitchen', layers: ['due'], studentIds: [ids.studentId] };
    await tutor.post(elsewhereRoutes.create.path).send(feed).expect(201);
    await tutor.post('/api/followups').send({ studentId: ids.studentId, title: 'x' }).expect(403);
    const people = (await guardian.get(peopleRoutes.people.path).expect(200)).body as People;
    const shown = people.children[0]?.people.find(({ name }) => name === 'Tutor');
    expect(shown).toMatchObject({ role: 'helper', until: '2026-11-20', mayEnd: true, mayChange: false });
    expect(shown?.courses).toEqual(['Boat-building']);

    await world.moveTo('2026-11-20T23:00:00.000Z');
    // The guardian of the table has a helper, too, whose day comes later.
    expect(await endOverdueLinks(world)).toBe(0);
    await world.moveTo('2026-11-21T12:00:00.000Z');
    expect(await endOverdueLinks(world)).toBe(1);
    expect((await tutor.get(gradebookRoutes.courses.path).expect(200)).body.courses).toEqual([]);
  });
});
