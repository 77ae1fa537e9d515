import type { Child } from '@cadro/contract';
import { messageRoutes } from '@cadro/contract';
import type { Agent } from 'supertest';
import { houseOf, type Db } from '../kit';
import { addressIn, callers, keyOf, statusFor, type Ids } from '../testing/access/callers';
import { accessWorld, wordsHeldBack } from '../testing/access/households';
import { accessTable as table } from '../testing/access/table';
import { Untouched } from '../testing/untouched';
import type { World } from '../testing/world';

/*
 * The access table once more, with the authorization of the routes switched off: everybody is taken for a guardian of
 * every child. What is left between a stranger and a child's record are the rows themselves.
 */
jest.mock('../household/access', () => {
  const all = async (db: Db): Promise<Child[]> => {
    const rows = await houseOf(db)('student_profiles').select<{ student_id: string; time_zone: string }[]>(
      'student_id',
      'time_zone',
    );
    return rows.map(({ student_id: id, time_zone: timeZone }) => ({
      ...{
        id,
        timeZone,
        givenName: '',
        familyName: '',
        year: '7',
        schoolName: '',
        byHand: false,
        role: 'guardian' as const,
      },
    }));
  };
  return {
    childrenFor: all,
    requireChild: async (db: Db, _guardianId: string, studentId: string) =>
      (await all(db)).find(({ id }) => id === studentId),
    requireWriter: async () => undefined,
  };
});

let world: World;
let ids: Ids;
/** Words that stand in the child's record alone, and in what the guardians say to each other and to teachers. */
let ofRecord: readonly string[] = [];
const ofTalk = ['A keel of ours', 'Why the keel', 'A first guess of ours'];
/** The child's own words to its family. */
const ofDesk = ['A keel is hard for me', 'A raft of mine'];
/** Words of what is held back from who is restricted. */
let heldWords: readonly string[] = [];
let untouched: Untouched;
let everything: () => Promise<unknown>;

beforeAll(async () => {
  ({ world, ids } = await accessWorld());
  const { db } = world;
  const titles = (child: string, not: string) =>
    db('student_items')
      .where({ student_id: child })
      .whereNotIn('title', db('student_items').where({ student_id: not }).select('title'))
      .pluck('title');
  const texts = db('comments').where({ student_id: ids.studentId }).pluck('text');
  ofRecord = [
    ...(await titles(ids.studentId, world.student('neighbour-b'))),
    // Long enough to be nobody else's words.
    ...((await texts) as string[]).map((text) => JSON.stringify(text.slice(0, 40)).slice(1, -1)),
    ...['Caspian', ...ofTalk, ...ofDesk],
  ];
  expect(ofRecord.length).toBeGreaterThan(15);
  heldWords = await wordsHeldBack(db, ids);
  untouched = await Untouched.in(db);
  // That somebody has looked and asked is put down whatever comes of it, and what they were answered is kept.
  everything = untouched.everything(['trail', 'sessions', 'guardians', 'thread_reads', 'kept_answers']);
});
afterAll(() => world.stop());

const agents = new Map<string, Promise<Agent>>();
function agentOf(caller: string): Promise<Agent> {
  const agent = agents.get(caller) ?? world.signedIn(caller);
  agents.set(caller, agent);
  return agent;
}

/** What has no end to wait for, moves time for all, or ends the session that asks. */
const leftOut = /live|next-day|^delete \/api\/session/;

const tried = callers.filter((caller) => caller !== 'nobody' && caller !== 'guardian');

describe.each(tried)('%s', (caller) => {
  /** As it was after the request before that writes: what a reading moved is seen after the next. */
  let others: unknown;
  let all: unknown;
  let ofOthers: () => Promise<unknown>;
  beforeAll(async () => {
    await agentOf(caller);
    ofOthers = await untouched.ofOthers(`${caller}@test.example`);
    [others, all] = [await ofOthers(), await everything()];
  });
  it.each(Object.keys(table).filter((key) => !leftOut.test(key)))('%s', async (key) => {
    const row = table[key];
    if (!row) throw new Error(`${key} is not in the table`);
    const agent = await agentOf(caller);
    await world.db('login_tries').delete();
    const asked = agent[key.split(' ')[0] as 'get'](addressIn(key, ids));
    const answer = await asked.send(row.body?.(ids));
    if (!key.startsWith('get ')) {
      expect(await ofOthers()).toEqual(others);
      // Whoever is refused by the table writes nothing by this road either.
      const refused = statusFor(row.statuses, caller) >= 400;
      const now = await everything();
      if (refused) expect(now).toEqual(all);
      all = now;
    }
    const text = answer.text ?? String(answer.body);
    const outside = ['stranger', 'sibling', 'ended'].includes(caller);
    // Their own child's words are a guardian's to see; only the own try is answered to who looks.
    const secrets: Partial<Record<string, readonly string[]>> = {
      ...{ looker: [], student: ofTalk, restricted: [...ofTalk, ...ofDesk, ...heldWords] },
    };
    const secret = outside ? ofRecord : (secrets[caller] ?? [...ofTalk, ...ofDesk]);
    expect({ key, told: secret.filter((words) => text.includes(words)) }).toEqual({ key, told: [] });
  });
});

it('leaves the guardian what is theirs', async () => {
  const guardian = await agentOf('guardian');
  const { text } = await guardian
    .get(messageRoutes.thread.path.replace(':threadId', ids.threadId))
    .expect(200);
  expect(text).toContain('Why the keel');
  expect(Object.keys(table)).toContain(keyOf(messageRoutes.thread));
});
