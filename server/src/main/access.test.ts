import {
  allRoutes,
  followUpRoutes,
  gradebookRoutes,
  householdRoutes,
  messageRoutes,
  outlookRoutes,
} from '@cadro/contract';
import type { Agent } from 'supertest';
import { addressIn, callers, keyOf, statusFor, withoutQuery, type Ids } from '../testing/access/callers';
import { accessTable as table } from '../testing/access/table';
import { accessWorld, wordsHeldBack } from '../testing/access/households';
import { Untouched } from '../testing/untouched';
import type { World } from '../testing/world';

let world: World;
let ids: Ids;
beforeAll(async () => {
  ({ world, ids } = await accessWorld());
});
afterAll(() => world.stop());

it('names every route of the contract', () => {
  expect(Object.keys(table).map(withoutQuery).sort()).toEqual(allRoutes.map(keyOf).sort());
});

/** Words of what is held back from who is restricted. */
let heldWords: readonly string[] = [];
let untouched: Untouched;
let rowsOfMany: () => Promise<string[]>;
/** Rows that the routes below do not name: a second work's, a second course's, a second follow-up's and so on. */
let twins: readonly string[] = [];
beforeAll(async () => {
  untouched = await Untouched.in(world.db);
  rowsOfMany = untouched.rowsOfMany();
  heldWords = await wordsHeldBack(world.db, ids);
  const named = new Set(await rowsOfMany());
  const guardian = await world.signedIn('guardian');
  const first = ids;
  const courseId = await world.courseId('tides', 'millrace');
  const item = await world.db('items').where({ course_id: courseId }).first<{ id: string }>('id');
  ids = { ...first, courseId, itemId: item.id };
  const inPlace =
    /:(followUpId|threadId|noteId|sitdownId|meetingId|slotId|announcementId|wordId|pieceId|entryId|feedId|importId|alertId|silenceId|deviceId|tryId|token)|session|sitdowns|wants|absences|\/me(\/|$)|\/door\/|phone|\/demo\/|\/alerts\/(state|test|rehearsal|settings|devices)/;
  for (const [key, { body }] of Object.entries(table)) {
    if (body && !inPlace.test(key)) await asked(guardian, key).send(body(ids));
  }
  ids = first;
  const apart = [
    'studentId',
    'teacherId',
    'part',
    'on',
    'token',
    'sessionId',
    'passkeyId',
    'personId',
    'invitationId',
    'sourceId',
    'bundleId',
    'clientId',
    'mailId',
    'otherId',
  ];
  const own = Object.entries(first).flatMap(([name, id]) => (id && !apart.includes(name) ? [id] : []));
  const concernsNamed = (row: string) => own.some((id) => row.includes(id));
  twins = (await rowsOfMany()).filter((row) => !named.has(row) && !concernsNamed(row));
  expect([...new Set(twins.map((row) => row.split(' ')[0]))].sort()).toEqual([
    ...['alert_silences', 'asked_answers', 'calendar_entries', 'calendar_feeds', 'efforts', 'followups'],
    ...['policy_corrections', 'targets', 'tries'],
  ]);
});

/** A request to a route of the table, with the ids of now. */
function asked(agent: Agent, key: string) {
  return agent[key.split(' ')[0] as 'get'](addressIn(key, ids));
}

/** Who asks, signed in once; and again after what ends a session. */
const agents = new Map<string, Promise<Agent>>();
function agentOf(caller: string): Agent | Promise<Agent> {
  if (caller === 'nobody') return world.nobody;
  const agent = agents.get(caller) ?? world.signedIn(caller);
  agents.set(caller, agent);
  return agent;
}

const ordered = Object.keys(table);
describe.each(callers)('%s', (caller) => {
  /** As it was when this one began to ask: whatever is asked, nothing of others moves; what a reading moved is seen after it. */
  let before: unknown;
  let ofOthers: () => Promise<unknown>;
  beforeAll(async () => {
    await agentOf(caller);
    ofOthers = await untouched.ofOthers(`${caller}@test.example`);
    before = await ofOthers();
  });
  it.each(ordered)('%s', async (key) => {
    // To sign in again on another device is told to others.
    const again = caller !== 'nobody' && !agents.has(caller);
    const agent = await agentOf(caller);
    if (again) before = await ofOthers();
    if (key === keyOf(householdRoutes.signOut)) agents.delete(caller);
    const row = table[key];
    if (!row) throw new Error(`${key} is not in the table`);
    // The demo's clock would move the world under the other rows; who may is settled before it moves.
    if (key === 'post /api/demo/next-day' && caller !== 'nobody') return;
    // A stream has no end to wait for; what comes in it is tried with the alerts.
    if (key === 'get /api/alerts/live' && caller !== 'nobody') return;
    const body =
      key === 'patch /api/followups/:followUpId'
        ? { note: 'A note', version: await version() }
        : row.body?.(ids);
    // Each of these is the first that somebody tries: how many may be is tried elsewhere.
    await world.db('login_tries').delete();
    const answer = await asked(agent, key).send(body);
    // Whatever was asked, and by whom: nothing moves that belongs to somebody else, nor what was not named.
    if (!key.startsWith('get ')) {
      expect(await ofOthers()).toEqual(before);
      const now = new Set(await rowsOfMany());
      expect(twins.filter((twin) => !now.has(twin))).toEqual([]);
    }
    expect({ key, status: answer.status }).toEqual({ key, status: statusFor(row.statuses, caller) });
    if (answer.status >= 400) {
      expect(answer.headers['content-type']).toMatch('application/problem+json');
      expect(answer.body).toMatchObject({
        type: `urn:cadro:problem:${answer.body.code as string}`,
        status: answer.status,
      });
    }
    const told = caller === 'restricted' ? heldWords.filter((words) => answer.text?.includes(words)) : [];
    expect({ key, told }).toEqual({ key, told: [] });
    if (caller === 'stranger' || caller === 'sibling' || caller === 'ended') {
      expect(answer.text ?? String(answer.body)).not.toContain(ids.studentId);
    }
  });
});

const version = async (): Promise<number> =>
  (await world.db('followups').where({ id: ids.followUpId }).first<{ version: number }>('version')).version;

it('keeps what one household talks about out of the other’s lists', async () => {
  const apart = await world.signedIn('apart');
  for (const path of [followUpRoutes.list.path, messageRoutes.threads.path, outlookRoutes.brief.path]) {
    const { text } = await apart.get(path).expect(200);
    expect(text).not.toContain(ids.followUpId);
    expect(text).not.toContain(ids.threadId);
  }
});

it('finds nothing of another child under the own one', async () => {
  const stranger = await world.signedIn('stranger');
  const own = world.student('neighbour-b');
  await stranger
    .get(
      gradebookRoutes.item.path
        .replace(':studentId', own)
        .replace(':itemId', await world.itemId('kelp-titration', 'gannet-head')),
    )
    .expect(404);
  await stranger
    .post(followUpRoutes.create.path)
    .send({ studentId: own, title: 'x', courseId: await world.courseId('kelp', 'gannet-head') })
    .expect(404);
});

it('shuts out a session whose guardian’s link has ended meanwhile', async () => {
  const guardian = await world.signedIn('guardian');
  const link = { student_id: ids.studentId };
  const course = gradebookRoutes.course.path
    .replace(':studentId', ids.studentId)
    .replace(':courseId', ids.courseId);
  await guardian.get(course).expect(200);
  await world
    .db('guardian_links')
    .where(link)
    .update({ ended_at: await world.clock.now() });
  await guardian.get(course).expect(404);
  expect((await guardian.get(householdRoutes.me.path)).body.children).toEqual([]);
});
