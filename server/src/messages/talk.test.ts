import { followUpRoutes, messageRoutes, outlookRoutes } from '@cadro/contract';
import type { Agent } from 'supertest';
import MailComposer from 'nodemailer/lib/mail-composer';
import { World } from '../testing/world';
import { mailAddress } from '../kit';

let world: World;
let maren: Agent;
let tobiah: Agent;
let item: { studentId: string; itemId: string };

beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'tobiah', children: ['caspian'] },
  ]);
  maren = await world.signedIn('maren');
  tobiah = await world.signedIn('tobiah');
  item = { studentId: world.student('caspian'), itemId: await world.itemId('boats-keel-model', 'millrace') };
});
afterAll(() => world.stop());

const followUpPath = (id: string) => followUpRoutes.read.path.replace(':followUpId', id);
const inbound = (mime: Buffer, key = world.config.inboundMailKey) =>
  world.nobody
    .post('/api/inbound-mail')
    .set('content-type', 'message/rfc822')
    .set('authorization', `Bearer ${key}`)
    .send(mime);
/** A mail as the provider hands it on, with what it found out about the sender above it. */
const mime = async (
  from: string,
  to: string,
  text: string,
  {
    messageId,
    verdict = 'pass',
    headers = {},
  }: { messageId?: string; verdict?: string; headers?: object } = {},
): Promise<Buffer> => {
  const mail = await new MailComposer({
    ...{ from, to, subject: 'Re: Keel model', text, date: new Date('2026-10-21T20:00:00Z') },
    ...(messageId ? { messageId } : {}),
    headers: { ...headers },
  })
    .compile()
    .build();
  const domain = from.split('@')[1] ?? '';
  const field = `Authentication-Results: mx.mail.cadro.example; dmarc=${verdict} header.from=${domain}\r\n`;
  return Buffer.concat([Buffer.from(verdict ? field : ''), mail]);
};

describe('a follow-up and two guardians', () => {
  it('is one per work and household: the second to take it in hand gets the open one', async () => {
    const first = await maren
      .post(followUpRoutes.create.path)
      .send({ ...item, title: 'Keel model', step: 'agreed', note: 'Tomorrow.', lookAgainOn: '2026-10-22' })
      .expect(201);
    expect(first.body).toMatchObject({
      topic: 'work',
      looseEndKind: 'overdue',
      stillKind: 'overdue',
      version: 1,
      step: 'agreed',
    });
    expect(first.body.entries.map(({ kind }: { kind: string }) => kind)).toEqual([
      'noticed',
      'step',
      'note',
      'look-again',
    ]);
    const second = await tobiah
      .post(followUpRoutes.create.path)
      .send({ ...item, title: 'Keel' })
      .expect(409);
    expect(second.body).toMatchObject({
      code: 'edited-meanwhile',
      current: { id: first.body.id },
      yours: { title: 'Keel' },
    });
  });

  it.each([
    ['a whole course', async () => ({ courseId: await world.courseId('boats', 'millrace') }), 409],
    ['attendance', async () => ({ topic: 'attendance' }), 409],
    ['something of the family’s own', async () => ({ topic: 'other' }), 201],
  ])('about %s', async (_name, about, again) => {
    const input = { studentId: item.studentId, title: 'T', ...(await about()) };
    const first = await maren.post(followUpRoutes.create.path).send(input).expect(201);
    expect(first.body).toMatchObject({ itemId: null, looseEndKind: null, stillKind: null });
    await tobiah.post(followUpRoutes.create.path).send(input).expect(again);
    await maren
      .patch(followUpPath(first.body.id))
      .send({ version: first.body.version, step: 'settled' })
      .expect(200);
  });

  it('edited by both at once, answers the slower with both versions and loses nothing', async () => {
    const { id, version } = (await maren.get(followUpRoutes.list.path)).body.followUps[0];
    const answers = await Promise.all([
      maren.patch(followUpPath(id)).send({ version, note: 'Maren’s words' }),
      tobiah.patch(followUpPath(id)).send({ version, note: 'Tobiah’s words', lookAgainOn: '2026-10-23' }),
    ]);
    const slower = answers.find(({ status }) => status === 409);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    expect(slower?.body).toMatchObject({
      code: 'edited-meanwhile',
      current: { version: version + 1 },
      yours: { version },
    });
    const yours = slower?.body.yours;
    await maren
      .patch(followUpPath(id))
      .send({ ...yours, version: version + 1 })
      .expect(200);
    const texts = (await maren.get(followUpPath(id))).body.entries.map(
      ({ text }: { text: string | null }) => text,
    );
    expect(texts).toEqual(expect.arrayContaining(['Maren’s words', 'Tobiah’s words']));
  });

  it('can be settled by hand and opened again', async () => {
    const made = await maren
      .post(followUpRoutes.create.path)
      .send({ studentId: item.studentId, title: 'Bedtime' })
      .expect(201);
    const settled = await maren
      .patch(followUpPath(made.body.id))
      .send({ version: 1, step: 'settled' })
      .expect(200);
    expect(settled.body).toMatchObject({ step: 'settled', outcome: { by: 'guardian' }, lookAgainOn: null });
    const open = await maren
      .patch(followUpPath(made.body.id))
      .send({ version: 2, step: 'noticed' })
      .expect(200);
    expect(open.body).toMatchObject({ step: 'noticed', outcome: null });
  });
});

describe('mail from outside', () => {
  const teacher = 'w.thornwick@quay-schools.example';
  let threadId: string;
  let address: string;

  beforeAll(async () => {
    const { followUps } = (await maren.get(followUpRoutes.list.path)).body;
    const followUpId = followUps.find(({ title }: { title: string }) => title === 'Keel model').id as string;
    const { teacher: who } = (await maren.get(followUpPath(followUpId))).body;
    const sent = await maren
      .post(messageRoutes.send.path)
      .send({
        studentId: item.studentId,
        teacherId: who.id,
        followUpId,
        subject: 'Keel model',
        text: 'Has the keel model reached you?',
      })
      .expect(202);
    threadId = sent.body.id as string;
    address = mailAddress(world.config, 'reply', threadId);
    await world.workOff();
  });

  it('reaches the teacher by SMTP, with an address to answer to', async () => {
    const letters = (
      (await (await fetch(`${world.school.url}/demo/letters`)).json()) as { letters: object[] }
    ).letters;
    expect(letters).toMatchObject([
      { to: teacher, replyTo: address, subject: 'Keel model', text: 'Has the keel model reached you?\n' },
    ]);
    const thread = await maren.get(messageRoutes.thread.path.replace(':threadId', threadId));
    expect(thread.body.messages).toMatchObject([{ state: 'sent', author: 'maren' }]);
  });

  const forged = (to: string) =>
    to.replace(/\.(.)/, (_all, digit: string) => `.${digit === '0' ? '1' : '0'}`);
  it.each([
    [
      'a thread nobody knows',
      () =>
        mime(
          teacher,
          'reply+00000000000000000000000000000000.000000000000000000000000@mail.cadro.example',
          'x',
        ),
      422,
    ],
    ['a forged token', () => mime(teacher, forged(address), 'x'), 422],
    ['no token', () => mime(teacher, 'hello@mail.cadro.example', 'x'), 422],
    ['no mail', async () => Buffer.from('\u0000\u0001'), 422],
  ])('refuses %s and writes nothing', async (_name, make, status) => {
    const before = await world.db('messages').count();
    expect((await inbound(await make())).status).toBe(status);
    expect(await world.db('messages').count()).toEqual(before);
  });

  it('refuses who has not the provider’s key', async () => {
    await inbound(await mime(teacher, address, 'x'), 'another key').expect(401);
  });

  it('takes an answer in once, without the quoted letter', async () => {
    const text =
      'It stood under the sail cloth.\n\nOn 2026-10-22 at 19:40, a guardian wrote:\n> Has the keel model reached you?\n';
    const answer = await mime(teacher, address, text, { messageId: '<once@quay-schools.example>' });
    await inbound(answer).expect(202);
    await inbound(answer).expect(202);
    const brief = (await maren.get(outlookRoutes.brief.path)).body;
    expect(brief.matters).toContainEqual(
      expect.objectContaining({ kind: 'reply', threadId, text: 'It stood under the sail cloth.' }),
    );
    const thread = await maren.get(messageRoutes.thread.path.replace(':threadId', threadId));
    expect(thread.body.messages.map(({ text: words }: { text: string }) => words)).toEqual([
      'Has the keel model reached you?',
      'It stood under the sail cloth.',
    ]);
    // Read by one of two: no longer new to her, still new to him.
    const kinds = async (agent: Agent): Promise<string[]> =>
      (await agent.get(outlookRoutes.brief.path)).body.matters.map(({ kind }: { kind: string }) => kind);
    const unread = async (agent: Agent): Promise<boolean[]> =>
      (await agent.get(messageRoutes.threads.path)).body.threads.map(
        (each: { unread: boolean }) => each.unread,
      );
    expect([await kinds(maren), await unread(maren)]).toEqual([
      expect.not.arrayContaining(['reply']),
      [false],
    ]);
    expect([await kinds(tobiah), await unread(tobiah)]).toEqual([expect.arrayContaining(['reply']), [true]]);
  });

  it.each<[string, string, Parameters<typeof mime>[3], object]>([
    [
      'another address than the teacher’s',
      'someone@else.example',
      {},
      { doubt: { reason: 'other-sender', sender: 'someone@else.example' } },
    ],
    [
      'whom the provider does not vouch for',
      teacher,
      { verdict: 'fail' },
      { doubt: { reason: 'not-verified', sender: teacher } },
    ],
    [
      'whom nobody has looked at',
      teacher,
      { verdict: '' },
      { doubt: { reason: 'not-verified', sender: teacher } },
    ],
    [
      'a program that answers by itself',
      teacher,
      { headers: { 'Auto-Submitted': 'auto-replied' } },
      { doubt: null, automatic: true },
    ],
  ])('what comes from %s is told as that, and moves nothing on', async (name, from, how, told) => {
    const followUp = async () => (await maren.get(followUpRoutes.list.path)).body.followUps as object[];
    const before = await followUp();
    await inbound(await mime(from, address, `Forged: ${name}`, how)).expect(202);
    const { messages } = (await tobiah.get(messageRoutes.thread.path.replace(':threadId', threadId))).body;
    expect(messages.at(-1)).toMatchObject({ text: `Forged: ${name}`, fromTeacher: true, ...told });
    expect(await followUp()).toEqual(before);
    const { matters } = (await maren.get(outlookRoutes.brief.path)).body as { matters: { text?: string }[] };
    expect(matters.filter(({ text }) => text?.startsWith('Forged'))).toEqual([]);
  });

  it('a mail without an id of its own that is played again is the same one', async () => {
    const again = async () => {
      const mail = (await mime(teacher, address, 'No id of mine.')).toString('utf8');
      return Buffer.from(mail.replace(/^Message-ID:.*\r\n/im, ''));
    };
    for (let times = 0; times < 3; times++) await inbound(await again()).expect(202);
    const { messages } = (await tobiah.get(messageRoutes.thread.path.replace(':threadId', threadId))).body;
    expect(messages.filter(({ text }: { text: string }) => text === 'No id of mine.')).toHaveLength(1);
  });

  it('a letter goes to no address that is more than one', async () => {
    const other = 'w.thornwick@quay-schools.example, b.marrowby@quay-schools.example';
    await world.db('teachers').where({ email: teacher }).update({ email: other });
    const { teacher: who } = (await maren.get(messageRoutes.thread.path.replace(':threadId', threadId))).body;
    const letter = { studentId: item.studentId, teacherId: who.id, subject: 'S', text: 'To more than one' };
    await maren.post(messageRoutes.send.path).send(letter).expect(202);
    await world.workOff();
    const { messages } = (await maren.get(messageRoutes.thread.path.replace(':threadId', threadId))).body;
    expect(messages.at(-1)).toMatchObject({ text: 'To more than one', state: 'failed' });
    await world.db('teachers').where({ email: other }).update({ email: teacher });
    const { letters } = (await (await fetch(`${world.school.url}/demo/letters`)).json()) as {
      letters: { text: string }[];
    };
    expect(letters.some(({ text }) => text.includes('To more than one'))).toBe(false);
  });

  const returned = async (to: string, status: string): Promise<Buffer> => {
    const body = `Reporting-MTA: dns; mail.example\r\n\r\nAction: failed\r\nStatus: ${status}\r\n`;
    return Buffer.from(
      `To: ${to}\r\nContent-Type: multipart/report; boundary=b\r\n\r\n--b\r\nContent-Type: message/delivery-status\r\n\r\n${body}\r\n--b--\r\n`,
    );
  };
  const letterId = async (): Promise<string> => {
    const { messages } = (await maren.get(messageRoutes.thread.path.replace(':threadId', threadId))).body;
    return messages[0].id as string;
  };
  const stateOfLetter = async (): Promise<string> =>
    (await maren.get(messageRoutes.thread.path.replace(':threadId', threadId))).body.messages[0].state;

  it('says of a letter that came back that it did not get through, and of what it does not know nothing', async () => {
    const back = mailAddress(world.config, 'back', await letterId());
    await inbound(await returned(forged(back), '5.1.1')).expect(422);
    await inbound(await mime('postmaster@quay-schools.example', back, 'I am away until Monday.')).expect(202);
    expect(await stateOfLetter()).toBe('sent');
    await inbound(await returned(back, '5.1.1')).expect(202);
    expect(await stateOfLetter()).toBe('failed');
    await inbound(await returned(mailAddress(world.config, 'back', threadId), '5.1.1')).expect(422);
  });

  it('says so at once of a letter to an address that the mail server has not', async () => {
    await world.db('teachers').where({ email: teacher }).update({ email: 'nobody@quay-schools.example' });
    const { teacher: who } = (await maren.get(messageRoutes.thread.path.replace(':threadId', threadId))).body;
    await maren
      .post(messageRoutes.send.path)
      .send({ studentId: item.studentId, teacherId: who.id, subject: 'S', text: 'Again' })
      .expect(202);
    await world.workOff();
    const { messages } = (await maren.get(messageRoutes.thread.path.replace(':threadId', threadId))).body;
    expect(messages.at(-1)).toMatchObject({ text: 'Again', state: 'failed' });
    await world.db('teachers').where({ email: 'nobody@quay-schools.example' }).update({ email: teacher });
  });

  it('keeps a letter whose mail server is down, and sends it once when it is back', async () => {
    const { teachers } = (await maren.get(messageRoutes.teachers.path.replace(':studentId', item.studentId)))
      .body;
    const other = teachers.find(({ name }: { name: string }) => name === 'Basil Marrowby');
    const up = world.config.smtpUrl;
    (world.config as { smtpUrl: string }).smtpUrl = 'smtp://127.0.0.1:9';
    const sent = await maren
      .post(messageRoutes.send.path)
      .send({ studentId: item.studentId, teacherId: other.id, subject: 'S', text: 'T' })
      .expect(202);
    await world.workOff();
    const path = messageRoutes.thread.path.replace(':threadId', sent.body.id as string);
    expect((await maren.get(path)).body.messages).toMatchObject([{ state: 'queued' }]);
    (world.config as { smtpUrl: string }).smtpUrl = up;
    await world.db.raw(`update graphile_worker._private_jobs set run_at = now(), last_error = null`);
    await world.workOff();
    expect((await maren.get(path)).body.messages).toMatchObject([{ state: 'sent' }]);
  });
});

describe('did it work?', () => {
  it('settles by itself when the record shows it done', async () => {
    const before = (await maren.get(followUpRoutes.list.path)).body.followUps.find(
      ({ title }: { title: string }) => title === 'Keel model',
    );
    expect(before).toMatchObject({ step: 'waiting-on-school', outcome: null });
    await world.moveTo('2026-10-23T19:40:00Z'); // the teacher answers, through the address, and marks the work
    await world.syncAll();
    const after = (await maren.get(followUpPath(before.id))).body;
    expect(after).toMatchObject({
      step: 'settled',
      outcome: { by: 'record', was: 'overdue', status: 'scored', earned: 17, possible: 20 },
    });
    expect(after.entries.at(-1)).toMatchObject({ kind: 'record' });
    expect((await maren.get(outlookRoutes.brief.path)).body.goodNews).toContainEqual(
      expect.objectContaining({
        title: 'Keel model',
        was: 'overdue',
        now: { status: 'scored', earned: 17, possible: 20 },
      }),
    );
  });
});
