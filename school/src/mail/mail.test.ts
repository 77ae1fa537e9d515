import { setTimeout } from 'node:timers/promises';
import { simpleParser } from 'mailparser';
import { createTransport, type Transporter } from 'nodemailer';
import type { SMTPServer } from 'smtp-server';
import { Simulation } from '../simulation';
import { opensAt } from '../story';
import { mailServer } from './smtp';
import { answerLetters, teachers } from './teachers';

/* Letters by real SMTP to the simulated schools, and the teachers' answers as raw MIME. */
let server: SMTPServer;
let simulation: Simulation;
let transport: Transporter;
let returned: Buffer[];

beforeEach(async () => {
  returned = [];
  simulation = new Simulation(null);
  simulation.moveTo(opensAt);
  server = mailServer(simulation, (mime) => Promise.resolve(void returned.push(mime)));
  const listening = server.listen(0, '127.0.0.1');
  await new Promise<void>((done) => listening.once('listening', done));
  const address = listening.address();
  transport = createTransport(
    `smtp://127.0.0.1:${typeof address === 'object' && address ? address.port : 0}`,
  );
});
afterEach(() => {
  transport.close();
  return new Promise<void>((done) => server.close(() => done()));
});

const thornwick = 'w.thornwick@quay-schools.example';
const send = (more: object = {}) =>
  transport.sendMail({
    messageId: '<one@mail.cadro.example>',
    from: 'Maren <reply+x@mail.cadro.example>',
    replyTo: 'reply+x@mail.cadro.example',
    to: thornwick,
    subject: 'Caspian: Keel model',
    text: 'Has it reached you?',
    ...more,
  });
async function answers(): Promise<Awaited<ReturnType<typeof simpleParser>>[]> {
  const posted: Buffer[] = [];
  await answerLetters(simulation, (mime) => Promise.resolve(void posted.push(mime)));
  return Promise.all(posted.map((mime) => simpleParser(mime)));
}
const nextDay = () => simulation.moveTo(new Date(Date.parse(simulation.now) + 86_400_000).toISOString());
const mark = () =>
  simulation.records
    .get('millrace')
    ?.current('results', simulation.now)
    .find(({ id }) => id === 'boats-keel-model-caspian')?.row;

it('takes a letter in once, however often it is delivered', async () => {
  await send();
  await send();
  await send({ messageId: '<two@mail.cadro.example>' });
  expect(simulation.letters.map(({ messageId }) => messageId)).toEqual([
    '<one@mail.cadro.example>',
    '<two@mail.cadro.example>',
  ]);
});

it.each([
  ['nobody’s mailbox', 'nobody@quay-schools.example'],
  ['another domain', 'w.thornwick@elsewhere.example'],
])('refuses a letter to %s', async (_name, to) => {
  await expect(send({ to })).rejects.toMatchObject({ responseCode: 550 });
  expect(simulation.letters).toEqual([]);
});

it('is answered a day later, in its thread, above the quoted letter; and what it asks for is done', async () => {
  await send();
  expect(await answers()).toEqual([]);
  expect(mark()).toBeUndefined();
  nextDay();
  const [answer, ...others] = await answers();
  expect(others).toEqual([]);
  expect(answer).toMatchObject({ subject: 'Re: Caspian: Keel model', inReplyTo: '<one@mail.cadro.example>' });
  expect(answer?.from?.value[0]).toEqual({ name: 'Wren Thornwick', address: thornwick });
  expect([answer?.to].flat()[0]?.text).toBe('reply+x@mail.cadro.example');
  expect(answer?.text).toMatch(/17 of 20.*\n\nWren Thornwick\n\nOn 2026-10-21[^]*> Has it reached you\?/);
  expect(mark()).toMatchObject({ scoreStatus: 'fully graded', score: 17 });
  nextDay();
  expect(await answers()).toEqual([]);
});

it('about something else is answered kindly, and marks nothing', async () => {
  await send({ subject: 'Thank you', text: 'For the lovely remark.' });
  nextDay();
  const [answer] = await answers();
  expect(answer?.text).toContain('Thanks for writing');
  expect(mark()).toBeUndefined();
});

it('waits for its answer while the inbound address is down, and gets one answer', async () => {
  await send();
  nextDay();
  await expect(answerLetters(simulation, () => Promise.reject(new Error('down')))).rejects.toThrow('down');
  expect(mark()).toBeUndefined();
  expect(await answers()).toHaveLength(1);
  expect(await answers()).toHaveLength(0);
});

it.each([
  ['gone@test.example', '5.1.1'],
  ['full@aldervane.example', '5.2.2'],
])('takes a mail to %s, and brings it back to the envelope’s sender', async (to, status) => {
  await send({ to, envelope: { from: 'back+x@mail.cadro.example', to } });
  expect(simulation.arrivals).toEqual([]);
  while (returned.length === 0) await setTimeout(10);
  const mail = await simpleParser(returned[0] ?? '', { keepDeliveryStatus: true });
  expect([mail.to].flat()[0]?.text).toBe('back+x@mail.cadro.example');
  const report = mail.attachments.find(({ contentType }) => contentType === 'message/delivery-status');
  expect(report?.content.toString()).toMatch(new RegExp(`Action: failed\\s+Status: ${status}`));
});

it('knows every teacher with an address once, and none without', () => {
  const addresses = teachers.map(({ address }) => address);
  expect(new Set(addresses).size).toBe(addresses.length);
  expect(addresses).toContain(thornwick);
  for (const { courses } of teachers) expect(courses.every(({ teacher }) => teacher.mail)).toBe(true);
});
