import { followUpRoutes, messageRoutes, outlookRoutes, type Message, type Thread } from '@cadro/contract';
import MailComposer from 'nodemailer/lib/mail-composer';
import type { Agent } from 'supertest';
import { mailAddress } from '../kit';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
let tobiah: Agent;
let ottoline: Agent;
let threadId: string;
let address: string;
let followUpId: string;
const teacher = 'w.thornwick@quay-schools.example';

beforeAll(async () => {
  world = await World.read();
  await world.household('here', [
    { name: 'maren', children: ['caspian'] },
    { name: 'tobiah', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
  ]);
  await world.household('elsewhere', [{ name: 'stranger', children: ['neighbour-b'] }]);
  [maren, tobiah, ottoline] = [
    await world.signedIn('maren'),
    await world.signedIn('tobiah'),
    await world.signedIn('ottoline'),
  ];
  const studentId = world.student('caspian');
  const itemId = await world.itemId('boats-keel-model', 'millrace');
  const followUp = await maren
    .post(followUpRoutes.create.path)
    .send({ studentId, itemId, title: 'Keel model' })
    .expect(201);
  followUpId = followUp.body.id as string;
  const sent = await maren
    .post(messageRoutes.send.path)
    .send({
      studentId,
      teacherId: followUp.body.teacher.id,
      followUpId,
      subject: 'Keel',
      text: 'Was he there?',
    })
    .expect(202);
  threadId = sent.body.id as string;
  address = mailAddress(world.config, 'reply', threadId);
});
afterAll(() => world.stop());

interface Coming {
  readonly from?: string;
  readonly to?: string;
  readonly subject?: string;
  readonly text?: string;
  readonly html?: string;
  readonly headers?: Record<string, string>;
  readonly attachments?: { filename: string; contentType?: string; content: Buffer | string }[];
}

/** A mail as the provider hands it on: it vouches for whoever it says it is from. */
async function comes({
  from = teacher,
  to = address,
  subject = 'Re: Keel',
  ...rest
}: Coming): Promise<Message> {
  const mail = await new MailComposer({ from, to, subject, ...rest }).compile().build();
  const verdict = `Authentication-Results: mx.mail.cadro.example; dmarc=pass header.from=${from.split('@')[1]}\r\n`;
  await world.nobody
    .post('/api/inbound-mail')
    .set('content-type', 'message/rfc822')
    .set('authorization', `Bearer ${world.config.inboundMailKey}`)
    .send(Buffer.concat([Buffer.from(verdict), mail]))
    .expect(202);
  const last = (await thread()).messages.at(-1);
  if (!last) throw new Error('nothing came');
  return last;
}
const thread = async (agent = tobiah): Promise<Thread> =>
  (await agent.get(messageRoutes.thread.path.replace(':threadId', threadId)).expect(200)).body;
/** What the story of the follow-up says teachers answered. */
const answered = async (): Promise<string[]> =>
  (await maren.get(followUpRoutes.read.path.replace(':followUpId', followUpId))).body.entries
    .filter(({ kind }: { kind: string }) => kind === 'answered')
    .map(({ text }: { text: string }) => text);
const pdf = Buffer.from('%PDF-1.4\n1 0 obj<</Type/Catalog>>endobj\ntrailer<</Root 1 0 R>>\n%%EOF');

it('keeps the questions that are answered one by one', async () => {
  const text = '> Was he there?\nNo, he was not.\n\n> Can he still turn it in?\nYes, until Friday.\n';
  const message = await comes({ text });
  expect(message.text).toBe(
    '> Was he there?\nNo, he was not.\n\n> Can he still turn it in?\nYes, until Friday.',
  );
});

it('leaves nothing of the program that wrote it, where there is markup alone', async () => {
  const html = `<div>Yes, until Friday.</div><div class="gmail_quote"><div class="gmail_attr">On Wed, Oct 21, 2026 Maren &lt;${address}&gt; wrote:</div><blockquote>Was he there?</blockquote></div>`;
  expect((await comes({ html })).text).toBe('Yes, until Friday.');
});

it('keeps what came with it, and says so where nothing else is said', async () => {
  const attachments = [{ filename: 'keel rubric.pdf', contentType: 'application/pdf', content: pdf }];
  const { text, files } = await comes({ attachments });
  expect(text).toBe('');
  expect(files).toEqual([
    expect.objectContaining({
      ...{ name: 'keel rubric.pdf', mediaType: 'application/pdf', size: pdf.length, withheld: null },
    }),
  ]);
  expect((await answered()).at(-1)).toBe('keel rubric.pdf');
  const { matters } = (await maren.get(outlookRoutes.brief.path)).body as { matters: { text?: string }[] };
  expect(matters.some((matter) => matter.text === 'keel rubric.pdf')).toBe(true);
  const path = messageRoutes.file.path.replace(':threadId', threadId).replace(':fileId', files[0]?.id ?? '');
  const got = await ottoline.get(path).buffer(true).expect(200);
  expect(got.headers).toMatchObject({
    'content-type': 'application/pdf',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; sandbox",
    'content-disposition': 'attachment; filename="keel rubric.pdf"',
  });
  expect(Buffer.from(got.body as Buffer).equals(pdf)).toBe(true);
  await (await world.signedIn('stranger')).get(path).expect(404);
  await maren.get(path.replace(files[0]?.id ?? '', threadId)).expect(404);
});

it.each<[string, { filename: string; contentType?: string; content: Buffer | string }, string, string]>([
  ['a program', { filename: '..\\x.exe', content: Buffer.from('MZ\u0090\u0000') }, 'x.exe', 'kind'],
  [
    'a picture that is markup',
    { filename: 'boat.png', contentType: 'image/png', content: '<html><script>alert(1)</script>' },
    'boat.png',
    'not-as-named',
  ],
  [
    'a drawing with a script',
    {
      filename: 'boat.svg',
      contentType: 'image/svg+xml',
      content: '<svg xmlns="http://www.w3.org/2000/svg"><script/></svg>',
    },
    'boat.svg',
    'kind',
  ],
  [
    'an archive',
    { filename: 'all.zip', content: Buffer.from('PK\u0003\u0004aaaaaaaaaaaaaaaaaaaaaaaaaaaaaa') },
    'all.zip',
    'kind',
  ],
  [
    'one of eight million bytes and more',
    {
      filename: 'scan.pdf',
      contentType: 'application/pdf',
      content: Buffer.concat([pdf, Buffer.alloc(8_000_001)]),
    },
    'scan.pdf',
    'too-large',
  ],
])('names %s and does not keep it', async (_name, file, name, withheld) => {
  const { text, files } = await comes({ text: 'Here it is.', attachments: [file] });
  expect(text).toBe('Here it is.');
  expect(files).toEqual([expect.objectContaining({ name, withheld })]);
  const path = messageRoutes.file.path.replace(':threadId', threadId).replace(':fileId', files[0]?.id ?? '');
  await maren.get(path).expect(404);
});

it('takes what is said in a mail of 40 MB, and says that the file was too large', async () => {
  const attachments = [
    { filename: 'film.pdf', contentType: 'application/pdf', content: Buffer.alloc(29_000_000, 65) },
  ];
  const { text, files } = await comes({ text: 'A film of the launch.', attachments });
  expect(text).toBe('A film of the launch.');
  expect(files).toEqual([expect.objectContaining({ name: 'film.pdf', withheld: 'too-large' })]);
});

it.each<[string, Coming]>([
  ['by its subject', { subject: 'Automatic reply: Keel', text: 'Back on Monday.' }],
  ['by its words', { text: 'I am out of the office until Monday, October 26.' }],
  ['by a header of its own', { text: 'Thank you.', headers: { 'X-Autorespond': 'away' } }],
])('an automatic reply is told apart %s, and answers nothing', async (_name, mail) => {
  const before = await answered();
  expect(await comes(mail)).toMatchObject({ automatic: true, doubt: null });
  expect(await answered()).toEqual(before);
});

describe('what comes from another address', () => {
  const say = (agent: Agent, { id }: Message, known: boolean) =>
    agent
      .post(messageRoutes.sender.path.replace(':threadId', threadId).replace(':messageId', id))
      .send({ known });
  const private_ = 'wren@home.example';

  it('is held until somebody says that it is the teacher, and is known from then on', async () => {
    const held = await comes({ from: private_, text: 'From my own mail: yes.' });
    expect(held.doubt).toEqual({ reason: 'other-sender', sender: private_, deniedBy: null });
    expect(await answered()).not.toContain('From my own mail: yes.');
    await say(ottoline, held, true).expect(403);
    const { body } = await say(maren, held, true).expect(200);
    expect(body.messages.at(-1)).toMatchObject({ id: held.id, doubt: null });
    expect((await answered()).at(-1)).toBe('From my own mail: yes.');
    expect(await comes({ from: private_, text: 'And once more.' })).toMatchObject({ doubt: null });
    expect((await answered()).at(-1)).toBe('And once more.');
    await say(maren, held, true).expect(404);
  });

  it('stays where it is when somebody says that it is not, with who said so', async () => {
    const held = await comes({ from: 'someone@else.example', text: 'Send me your password.' });
    await say(tobiah, held, false).expect(200);
    const { messages } = await thread(maren);
    expect(messages.at(-1)?.doubt).toEqual({
      ...{ reason: 'other-sender', sender: 'someone@else.example', deniedBy: 'tobiah' },
    });
    expect(await comes({ from: 'someone@else.example', text: 'Again.' })).toMatchObject({
      doubt: { reason: 'other-sender' },
    });
  });

  it('is held where it was only brought to the thread, and not refused', async () => {
    const passedOn = { to: 'staff@quay-schools.example', headers: { 'Delivered-To': address } };
    const held = await comes({ ...passedOn, text: 'Through the list: yes.' });
    expect(held).toMatchObject({ text: 'Through the list: yes.', doubt: { reason: 'not-addressed' } });
    await say(maren, held, true).expect(200);
    expect((await answered()).at(-1)).toBe('Through the list: yes.');
  });
});

it('is in what the family takes with it, with its files', async () => {
  const { exportedLetters } = await import('.');
  const files = await exportedLetters(world.db, await world.personId('maren'));
  expect(files.some(({ content }) => Buffer.from(content).includes('keel rubric.pdf'))).toBe(true);
});
