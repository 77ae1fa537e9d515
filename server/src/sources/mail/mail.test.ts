import { mailRoutes, type ForwardedMail } from '@cadro/contract';
import type { Agent } from 'supertest';
import { mailAddress } from '../../kit';
import { addOwnChild, putOwnCourse } from '../../testing/ownChild';
import { World } from '../../testing/world';

/* Mail that a family forwards: read apart, proposed on its words, taken by a tap. */
let world: World;
let maren: Agent;
let stranger: Agent;
let wren: string;
let courseId: string;
let address: string;
beforeAll(async () => {
  world = await World.start();
  await world.household('here', [{ name: 'maren', children: [] }]);
  await world.household('there', [{ name: 'stranger', children: [] }]);
  maren = await world.signedIn('maren');
  stranger = await world.signedIn('stranger');
  wren = await addOwnChild(maren);
  courseId = await putOwnCourse(maren, wren, { scale: 'hundred' });
  address = (await list()).address;
});
afterAll(() => world.stop());

const list = async (agent = maren): Promise<{ address: string; mails: ForwardedMail[] }> =>
  (await agent.get(mailRoutes.mails.path).expect(200)).body;
const bring = (raw: string | Buffer, key = world.config.inboundMailKey) =>
  world.nobody
    .post('/api/inbound-mail')
    .set('authorization', `Bearer ${key}`)
    .type('message/rfc822')
    .send(raw);
const mail = (text: string, more: readonly string[] = []): string =>
  [
    ...['From: Maren <maren@test.example>', `To: ${address}`, 'Subject: Fwd: Wren in math', ...more, ''],
    ...['---------- Forwarded message ---------', 'From: Ada Brill <brill@skerry.example>'],
    ...['Subject: Wren in Mathematics', '', text],
  ].join('\r\n');
const place = (id: string, body: object, agent = maren) =>
  agent.post(mailRoutes.placeMail.path.replace(':mailId', id)).send(body);
async function seen() {
  const { body } = await maren.get(`/api/students/${wren}/courses/${courseId}`).expect(200);
  return {
    posted: body.figures?.posted ?? null,
    comments: body.comments.map(({ text }: { text: string }) => text),
    offers: body.comments.flatMap(({ offers }: { offers: object[] }) => offers),
  };
}

it('is shown with what it seems to say, of the child and course it names, and changes nothing by itself', async () => {
  const text =
    'Hi,\r\n- Quiz 4: 17/20\r\n- Missing: Worksheet 7, 10 points\r\nShe can redo the quiz until November 6.';
  await bring(mail(text)).expect(202);
  const { mails } = await list();
  expect(mails).toMatchObject([
    {
      ...{ from: 'Ada Brill <brill@skerry.example>', subject: 'Wren in Mathematics', state: 'new' },
      ...{ studentId: wren, courseId },
      proposals: [
        { words: 'Quiz 4: 17/20', title: 'Quiz 4', earned: 17, possible: 20, status: 'scored' },
        { words: 'Missing: Worksheet 7, 10 points', title: 'Worksheet 7', possible: 10, status: 'missing' },
      ],
    },
  ]);
  expect(await seen()).toEqual({ posted: null, comments: [], offers: [] });
});

it('goes into the record as far as it is tapped, its words as the teacher’s with what they offer', async () => {
  const [{ id = '' } = {}] = (await list()).mails;
  const { body } = await place(id, { studentId: wren, courseId, take: [0, 1], remark: true }).expect(200);
  expect(body.taken).toMatchObject({ added: 2 });
  await world.workOff();
  const { posted, comments, offers } = await seen();
  expect(posted).toBeCloseTo((17 / 30) * 100, 9);
  expect(comments).toEqual([expect.stringContaining('She can redo the quiz until November 6.')]);
  expect(offers).toHaveLength(1);
  expect((await list()).mails).toMatchObject([{ state: 'placed', studentId: wren, courseId }]);
});

it('remembers whose a sender’s mails are, though they name nobody', async () => {
  await bring(mail('Quiz 5: 19/20').replace('Wren in Mathematics', 'This week')).expect(202);
  expect((await list()).mails[0]).toMatchObject({ subject: 'This week', studentId: wren, courseId });
});

it('reads a table in markup as a table', async () => {
  const html = `<table><tr><td><table><tr><th>Assignment</th><th>Due</th><th>Score</th></tr>
    <tr><td>Angles</td><td>Oct 9</td><td>9 / 10</td></tr></table></td></tr></table>`;
  await bring(
    [
      `To: ${address}`,
      'From: brill@skerry.example',
      'Subject: Grades',
      'Content-Type: text/html',
      '',
      html,
    ].join('\r\n'),
  ).expect(202);
  expect((await list()).mails[0]?.proposals).toMatchObject([
    { title: 'Angles', dueOn: '2026-10-09', earned: 9 },
  ]);
});

it('of 25 MB with a picture in it says what it says', async () => {
  const picture = 'Content-Type: image/png\r\nContent-Transfer-Encoding: base64\r\n\r\n';
  const parts = `--b\r\nContent-Type: text/plain\r\n\r\nQuiz 6: 12/20\r\n--b\r\n${picture}`;
  const large = Buffer.alloc(25_000_000, 'A'.repeat(76).concat('\r\n'));
  const head = mail(parts, ['Content-Type: multipart/mixed; boundary=b']);
  await bring(Buffer.concat([Buffer.from(head), large, Buffer.from('\r\n--b--\r\n')])).expect(202);
  expect((await list()).mails[0]?.proposals).toMatchObject([{ title: 'Quiz 6', earned: 12, possible: 20 }]);
});

describe('a mail that is not what it should be', () => {
  const parts = (count: number) =>
    Array.from({ length: count }, () => '--b\r\nContent-Type: text/plain\r\n\r\nx\r\n').join('');
  it.each<[string, () => string | Buffer, number]>([
    [
      'to an address nobody was given',
      () => mail('Quiz 4: 17/20').replace(address, `family+${'a'.repeat(32)}.${'b'.repeat(24)}@x.example`),
      404,
    ],
    ['larger than any', () => Buffer.concat([Buffer.from(mail('')), Buffer.alloc(42_000_000, 'x')]), 413],
  ])('%s is refused', async (_what, raw, status) => {
    const before = (await list()).mails.length;
    expect((await bring(raw())).status).toBe(status === 404 ? 422 : status);
    expect((await list()).mails).toHaveLength(before);
  });

  it.each<[string, () => string]>([
    ['of 5,000 parts', () => mail(parts(5000), ['Content-Type: multipart/mixed; boundary=b'])],
    ['of 200,000 line breaks', () => mail('\r\n'.repeat(200_000))],
    [
      'of open tables',
      () => `To: ${address}\r\nContent-Type: text/html\r\n\r\n${'<table><tr><td>'.repeat(20_000)}`,
    ],
    [
      'of 5,000 parts to a thread',
      () =>
        mail(parts(5000), ['Content-Type: multipart/mixed; boundary=b']).replace(
          address,
          mailAddress(world.config, 'reply', wren),
        ),
    ],
    ['with a character of number 0', () => mail('Quiz 9: 3/4 \u0000 and more')],
  ])('%s costs nobody else anything', async (_what, raw) => {
    const [answer, other] = await Promise.all([bring(raw()), maren.get('/api/me')]);
    expect([202, 422]).toContain(answer.status);
    expect(other.status).toBe(200);
  });
});

it('is nobody else’s: neither to read, nor to place, nor to throw away', async () => {
  const [{ id = '' } = {}] = (await list()).mails;
  expect((await list(stranger)).mails).toEqual([]);
  expect((await list(stranger)).address).not.toBe(address);
  await place(id, { studentId: wren, courseId, take: [], remark: false }, stranger).expect(404);
  const path = mailRoutes.dropMail.path.replace(':mailId', id);
  await stranger.delete(path).expect(404);
  await maren.delete(path).expect(204);
  expect((await list()).mails.some((each) => each.id === id)).toBe(false);
});

it('has an address that nobody makes up', () => {
  const forged = mailAddress({ ...world.config, secret: 'another' }, 'family', wren);
  expect(forged).not.toBe(address);
});
