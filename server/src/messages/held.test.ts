import { followUpRoutes, messageRoutes, type Thread } from '@cadro/contract';
import MailComposer from 'nodemailer/lib/mail-composer';
import type { Agent } from 'supertest';
import { mailAddress, setDemoClock } from '../kit';
import { World } from '../testing/world';

/* Letters that wait before they go: taken back, sent later; and what becomes of those that have gone. */
let world: World;
let maren: Agent;
let tobiah: Agent;
let studentId: string;
let teacherId: string;
beforeAll(async () => {
  world = await World.read('once', { config: { letterHoldSeconds: 30 } });
  await world.household('here', [
    { name: 'maren', children: ['isolde', 'caspian'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
    { name: 'caspian', role: 'student', children: ['caspian'] },
  ]);
  await world.household('elsewhere', [{ name: 'stranger', children: ['caspian'] }]);
  maren = await world.signedIn('maren');
  tobiah = await world.signedIn('tobiah');
  studentId = world.student('caspian');
  const path = messageRoutes.teachers.path.replace(':studentId', studentId);
  const { teachers } = (await maren.get(path)).body;
  teacherId = teachers.find(({ name }: { name: string }) => name === 'Wren Thornwick').id;
});
afterAll(() => world.stop());

const write = (text: string, more: object = {}, agent = maren) =>
  agent.post(messageRoutes.send.path).send({ studentId, teacherId, subject: 'Keel', text, ...more });
const lastOf = (thread: Thread) => thread.messages.at(-1);
const threadOf = async (id: string, agent = maren): Promise<Thread> =>
  (await agent.get(messageRoutes.thread.path.replace(':threadId', id)).expect(200)).body;
const takeBack = (id: string, agent = maren) =>
  agent.post(messageRoutes.takeBack.path.replace(':messageId', id));
/** The half minute is over. */
const goes = async (): Promise<void> => {
  await world.db.raw(`update graphile_worker._private_jobs set run_at = now() where run_at > now()`);
  await world.workOff();
};
const atSchool = async (): Promise<string> => (await fetch(`${world.school.url}/demo/letters`)).text();

it('waits half a minute, in which either guardian takes it back; the follow-up stands where it stood', async () => {
  const itemId = await world.itemId('boats-keel-model', 'millrace');
  const followUp = await maren
    .post(followUpRoutes.create.path)
    .send({ studentId, itemId, title: 'Keel model', step: 'agreed', lookAgainOn: '2026-10-22' })
    .expect(201);
  const followUpId = followUp.body.id as string;
  const sent = await write('Has it reached you?', { followUpId }).expect(202);
  const message = lastOf(sent.body);
  expect(message).toMatchObject({ state: 'queued', goesAt: '2026-10-21T19:40:30.000Z' });
  const standing = async () =>
    (await maren.get(followUpRoutes.read.path.replace(':followUpId', followUpId)).expect(200)).body;
  expect(await standing()).toMatchObject({ step: 'waiting-on-school', written: true });
  await world.workOff();
  expect(await atSchool()).not.toContain('Has it reached you?');
  const back = await takeBack(message?.id ?? '', tobiah).expect(200);
  expect(back.body).toEqual({
    studentId,
    teacherId,
    followUpId,
    subject: 'Keel',
    text: 'Has it reached you?',
  });
  expect((await threadOf(sent.body.id)).messages).toEqual([]);
  expect(await standing()).toMatchObject({ step: 'agreed', lookAgainOn: '2026-10-22', written: false });
  await goes();
  expect(await atSchool()).not.toContain('Has it reached you?');
});

it('has gone for good once it has gone', async () => {
  const sent = await write('This one goes.').expect(202);
  await goes();
  const message = lastOf(await threadOf(sent.body.id));
  expect(message).toMatchObject({ state: 'sent', goesAt: null, answered: false, waitsDays: 0 });
  expect((await takeBack(message?.id ?? '').expect(409)).body.code).toBe('too-late');
  expect(await atSchool()).toContain('This one goes.');
});

it.each<[string, string, number]>([
  ['tomorrow morning', '2026-10-22T11:00:00Z', 202],
  ['in the night', '2026-10-22T03:00:00Z', 400],
  ['as the night begins', '2026-10-23T00:00:00Z', 400],
  ['a minute before it begins', '2026-10-22T23:59:00Z', 202],
  ['yesterday', '2026-10-20T15:00:00Z', 400],
  ['in three weeks', '2026-11-11T15:00:00Z', 400],
])('goes out later where that is asked: %s', async (_name, sendAt, status) => {
  const { body } = await write('Later.', { sendAt }).expect(status);
  if (status !== 202) return expect(body.errors).toEqual([expect.objectContaining({ path: '/sendAt' })]);
  const message = lastOf(body);
  expect(message?.goesAt).toBe(new Date(sendAt).toISOString());
  await world.workOff();
  expect(lastOf(await threadOf(body.id))?.state).toBe('queued');
  await takeBack(message?.id ?? '').expect(200);
});

it('is taken back by nobody else', async () => {
  const sent = await write('Ours alone.').expect(202);
  const id = lastOf(sent.body)?.id ?? '';
  await takeBack(id, await world.signedIn('ottoline')).expect(403);
  await takeBack(id, await world.signedIn('caspian')).expect(404);
  await takeBack(id, await world.signedIn('stranger')).expect(404);
  await takeBack(id).expect(200);
});

it('says who reads the thread at home', async () => {
  const sent = await write('Who reads this?').expect(202);
  expect(sent.body.readers).toEqual(['maren', 'ottoline', 'tobiah']);
  await takeBack(lastOf(sent.body)?.id ?? '').expect(200);
});

it('says how long it has waited, in school days, what was asked lately, and when it was answered', async () => {
  const sent = await write('How did the launch rehearsal go?', { subject: 'Rehearsal' }, tobiah).expect(202);
  await goes();
  const lately = async () => {
    const path = messageRoutes.teachers.path.replace(':studentId', studentId);
    const { teachers } = (await maren.get(path).expect(200)).body;
    return teachers
      .find(({ id }: { id: string }) => id === teacherId)
      .lately.map(({ author, subject, answered }: Record<string, unknown>) => [author, subject, answered]);
  };
  expect(await lately()).toEqual([
    ['tobiah', 'Rehearsal', false],
    ['maren', 'Keel', false],
  ]);
  // Nobody at the school has moved on with it: there, nobody answers.
  await setDemoClock(world.db, new Date('2026-10-26T19:40:00Z'));
  const waiting = await threadOf(sent.body.id);
  // Thursday, Friday and Monday; the one before waits for nothing of its own.
  expect(waiting.messages.map(({ waitsDays }) => waitsDays)).toEqual([null, 3]);
  const mail = await new MailComposer({
    ...{ from: 'w.thornwick@quay-schools.example', to: mailAddress(world.config, 'reply', sent.body.id) },
    ...{ subject: 'Re: Rehearsal', text: 'Well.' },
  })
    .compile()
    .build();
  const found =
    'Authentication-Results: mx.mail.cadro.example; dmarc=pass header.from=quay-schools.example\r\n';
  await world.nobody
    .post('/api/inbound-mail')
    .set('content-type', 'message/rfc822')
    .set('authorization', `Bearer ${world.config.inboundMailKey}`)
    .send(Buffer.concat([Buffer.from(found), mail]))
    .expect(202);
  const answered = await threadOf(sent.body.id);
  expect(answered.messages.map((each) => [each.answered, each.waitsDays])).toEqual([
    [true, null],
    [true, null],
    [false, null],
  ]);
  expect(await lately()).toEqual([
    ['tobiah', 'Rehearsal', true],
    ['maren', 'Keel', true],
  ]);
});
