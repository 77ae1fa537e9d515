import MailComposer from 'nodemailer/lib/mail-composer';
import { messageRoutes, type AnswerOf, type Message, type Thread } from '@cadro/contract';
import { mailAddress } from '../kit';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
let studentId: string;
let receivers: AnswerOf<typeof messageRoutes.teachers>['teachers'];
let householdId: string;
beforeAll(async () => {
  world = await World.read('once');
  await world.household('aldervane', [{ name: 'maren', children: ['isolde', 'caspian'] }]);
  maren = await world.signedIn('maren');
  studentId = world.student('caspian');
  receivers = (await maren.get(messageRoutes.teachers.path.replace(':studentId', studentId))).body.teachers;
  const row = await world.db('guardians').first<{ household_id: string }>('household_id');
  householdId = row.household_id;
});
afterAll(() => world.stop());

const idOf = (name: string): string => receivers.find((each) => each.name === name)?.id ?? '';
const several = (letters: object[], more: object = {}) =>
  maren.post(messageRoutes.sendSeveral.path).send({ studentId, subject: 'A week away', letters, ...more });
const atSchool = async (): Promise<{ to: string; text: string; subject: string }[]> => {
  await world.workOff();
  return ((await (await fetch(`${world.school.url}/demo/letters`)).json()) as { letters: never[] }).letters;
};
const threadOf = async (id: string, query = ''): Promise<Thread> =>
  (await maren.get(`${messageRoutes.thread.path.replace(':threadId', id)}${query}`).expect(200)).body;

it('names offices, desks and counselors after the teachers, those for this child alone', () => {
  expect(receivers.map(({ kind, name }) => [kind, name])).toEqual([
    ...[
      'Basil Marrowby',
      'Nell Saltmarsh',
      'Petra Eelgrass',
      'Ramón Esparto',
      'Silas Oakham',
      'Wren Thornwick',
    ].map((name) => ['teacher', name]),
    ['office', 'Front office, Millrace'],
    ['attendance', 'Attendance desk, Millrace'],
    ['counselor', 'Jonquil Byrd'],
    ['transport', 'Bus desk, Sorrel Quay'],
  ]);
  expect(receivers.find(({ name }) => name === 'Ramón Esparto')).toMatchObject({ language: 'es' });
});

it('sends each a letter of their own, with the same file, and none sees the others', async () => {
  const letters = ['Wren Thornwick', 'Petra Eelgrass', 'Front office, Millrace'].map((name) => ({
    ...{ teacherId: idOf(name), text: `Dear ${name}, he will be away.` },
  }));
  const content = Buffer.from('%PDF-1.4 a note').toString('base64');
  const { body } = await several(letters, { files: [{ name: '..\\note.pdf', content }] }).expect(202);
  expect(body.threadIds).toHaveLength(3);
  const arrived = (await atSchool()).filter(({ subject }) => subject === 'A week away');
  expect(arrived.map(({ to }) => to).sort()).toEqual([
    ...['office@millrace.example', 'p.eelgrass@quay-schools.example', 'w.thornwick@quay-schools.example'],
  ]);
  expect(arrived.filter(({ text }) => text.includes('Eelgrass'))).toHaveLength(1);
  const { messages } = await threadOf(body.threadIds[0]);
  expect(messages.at(-1)).toMatchObject({ state: 'sent', files: [{ name: 'note.pdf', withheld: null }] });
  const [file] = messages.at(-1)?.files ?? [];
  const path = messageRoutes.file.path
    .replace(':threadId', body.threadIds[0])
    .replace(':fileId', file?.id ?? '');
  expect((await maren.get(path).expect(200)).headers['content-type']).toBe('application/pdf');
});

it('goes to twenty singly, each with their own name', async () => {
  const { source_id, school_id } = await world
    .db('students')
    .where({ id: studentId })
    .first<{ source_id: string; school_id: string }>('source_id', 'school_id');
  const names = Array.from({ length: 20 }, (_, at) => `Coach ${at + 1}`);
  await world.db('teachers').insert(
    names.map((name, at) => ({
      ...{ source_id, school_id, external_id: `coach-${at}`, name, kind: 'other' },
      email: `coach${at + 1}@test.example`,
    })),
  );
  const rows = await world
    .db('teachers')
    .where({ kind: 'other' })
    .select<{ id: string; name: string }[]>('*');
  const letters = rows.map(({ id, name }) => ({ teacherId: id, text: `Dear ${name}, thank you.` }));
  const { body } = await several(letters, { subject: 'Thanks' }).expect(202);
  expect(new Set(body.threadIds).size).toBe(20);
  await world.workOff();
  for (const [at, name] of names.entries()) {
    const mails = await world.mailsTo(`coach${at + 1}@test.example`);
    expect(mails.map(({ text }) => text.trim())).toEqual([`Dear ${name}, thank you.`]);
  }
});

it.each([
  ['a stranger among them', () => world.student('isolde'), {}, 404],
  [
    'a program by another name',
    () => idOf('Wren Thornwick'),
    { name: 'scan.pdf', content: 'TVqQAAMAAAAEAAAA' },
    422,
  ],
  [
    'a picture that is markup',
    () => idOf('Wren Thornwick'),
    { name: 'boat.png', content: Buffer.from('<html><script>1</script></html>').toString('base64') },
    422,
  ],
  [
    'an archive',
    () => idOf('Wren Thornwick'),
    { name: 'all.zip', content: Buffer.from('PK\u0003\u0004aaaaaaaaaaaaaaaaaaaaaaaa').toString('base64') },
    422,
  ],
  ['what is no base64', () => idOf('Wren Thornwick'), { name: 'a.pdf', content: '%%%' }, 400],
])('with %s nothing goes out at all', async (_name, id, file, status) => {
  const before = await world.db('messages').count();
  const letters = [
    { teacherId: idOf('Petra Eelgrass'), text: 'A' },
    { teacherId: id(), text: 'B' },
  ];
  await several(letters, 'name' in file ? { files: [file] } : {}).expect(status);
  expect(await world.db('messages').count()).toEqual(before);
});

it('takes 4.5 MB of files in all, and says so', async () => {
  const content = Buffer.alloc(2_400_000, 65).toString('base64');
  const files = ['a.txt', 'b.txt'].map((name) => ({ name, content }));
  const refused = await several([{ teacherId: idOf('Petra Eelgrass'), text: 'A' }], { files }).expect(422);
  expect(refused.body).toMatchObject({ code: 'unfit-file', errors: [{ message: 'too-large' }] });
});

it('reads a thread of two thousand letters a hundred at a time, from the last', async () => {
  const [threadId] = (await several([{ teacherId: idOf('Basil Marrowby'), text: 'First' }]).expect(202)).body
    .threadIds as string[];
  await world.workOff();
  await world.db.raw(
    `insert into messages (student_id, thread_id, from_teacher, author, subject, text, at, state)
     select ?, ?, n % 2 = 0, 'Basil Marrowby', 'S', 'No. ' || n, now(), case when n % 2 = 0 then 'received' else 'sent' end
     from generate_series(1, 1999) n`,
    [studentId, threadId ?? ''],
  );
  const seen: Message[] = [];
  let page = await threadOf(threadId ?? '');
  expect(page.messages).toHaveLength(100);
  expect(page.messages.at(-1)?.text).toBe('No. 1999');
  for (let turns = 0; turns < 19; turns += 1) {
    seen.unshift(...page.messages);
    expect(page.earlier).toBe(true);
    page = await threadOf(threadId ?? '', `?before=${page.messages[0]?.id ?? ''}`);
  }
  seen.unshift(...page.messages);
  expect(page.earlier).toBe(false);
  expect(seen.map(({ text }) => text)).toEqual([
    'First',
    ...Array.from({ length: 1999 }, (_, at) => `No. ${at + 1}`),
  ]);
  // The school's last word is the last but one.
  expect(seen.filter(({ answered, state }) => state === 'sent' && !answered)).toHaveLength(1);
});

it('does not go out once the link has ended, and what was begun of it is gone', async () => {
  const draft = {
    ...{ key: 'letter:begun', studentId, kind: 'letter', title: 'Begun', place: '/talk/write' },
    fields: { subject: 'Begun', text: 'Half a letter' },
  };
  await maren.post('/api/drafts').send(draft).expect(204);
  const links = world.db('guardian_links').where({ student_id: studentId });
  await links.clone().update({ ended_at: new Date() });
  await several([{ teacherId: idOf('Petra Eelgrass'), text: 'A' }]).expect(404);
  expect((await maren.get('/api/drafts')).body.drafts).toEqual([]);
  await links.clone().update({ ended_at: null });
  expect((await maren.get('/api/drafts')).body.drafts).toHaveLength(1);
});

it('goes to nobody who has left, whose letters stay', async () => {
  const { body } = await several([{ teacherId: idOf('Nell Saltmarsh'), text: 'A' }]).expect(202);
  const courses = () => world.db('courses').where({ title: 'Island stories' });
  const [course] = await courses().select<{ teacher_id: string }[]>('teacher_id');
  await courses().update({ teacher_id: null });
  await several([{ teacherId: idOf('Nell Saltmarsh'), text: 'B' }]).expect(404);
  expect((await threadOf(body.threadIds[0])).messages.map(({ text }) => text)).toEqual(['A']);
  await courses().update({ teacher_id: course?.teacher_id });
});

describe('what is written to the family’s own address', () => {
  const comes = async (from: string, { subject, text }: { subject: string; text: string }, pass = true) => {
    const to = mailAddress(world.config, 'family', householdId);
    const mail = await new MailComposer({ from, to, subject, text }).compile().build();
    const verdict = `Authentication-Results: mx.mail.cadro.example; dmarc=${pass ? 'pass' : 'fail'} header.from=${from.split('@')[1]}\r\n`;
    await world.nobody
      .post('/api/inbound-mail')
      .set('content-type', 'message/rfc822')
      .set('authorization', `Bearer ${world.config.inboundMailKey}`)
      .send(Buffer.concat([Buffer.from(verdict), mail]))
      .expect(202);
  };
  const threads = async () => (await maren.get(messageRoutes.threads.path)).body.threads as Thread[];
  const forwarded = async (): Promise<number> => (await world.db('forwarded_mails')).length;

  it.each([
    ['by a teacher who was never written to', 's.oakham@quay-schools.example', 'Silas Oakham', 'caspian'],
    ['by a counselor of one child', 'l.ashgrove@gannet-head.example', 'Linnet Ashgrove', 'isolde'],
  ])('%s begins a thread about their child', async (_name, from, author, child) => {
    expect((await threads()).some(({ teacher }) => teacher.name === author)).toBe(false);
    await comes(from, { subject: 'The ferry log', text: 'Could we talk this week?' });
    const thread = (await threads()).find(({ teacher }) => teacher.name === author);
    expect(thread).toMatchObject({ studentId: world.student(child), unread: true });
    expect(thread?.lastMessage).toMatchObject({
      fromTeacher: true,
      doubt: null,
      text: 'Could we talk this week?',
    });
  });

  it.each([
    ['by nobody of their schools', 'somebody@else.example', true],
    ['in a teacher’s name that nobody vouches for', 'n.saltmarsh@quay-schools.example', false],
  ])('%s stays a forwarded mail', async (_name, from, pass) => {
    const [before, had] = [await threads(), await forwarded()];
    await comes(from, { subject: 'Hello', text: 'Could we talk?' }, pass);
    expect(await threads()).toHaveLength(before.length);
    expect(await forwarded()).toBe(had + 1);
  });
});
