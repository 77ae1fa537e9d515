import MailComposer from 'nodemailer/lib/mail-composer';
import { meetingRoutes as routes, type Meeting, type MeetingGuest } from '@cadro/contract';
import type { Agent } from 'supertest';
import { mailAddress } from '../kit';
import { CalendarProgram } from '../testing/calendarProgram';
import { World, type Mail } from '../testing/world';
import { sendInvitations } from './invitations';

/* Invitations to a meeting: what goes out to calendars, and what they answer. */
let world: World;
let maren: Agent;
let meeting: Meeting;
const program = new CalendarProgram();
const guest = { name: 'Tobiah Aldervane', address: 'tobiah@aldervane.example' };
beforeAll(async () => {
  world = await World.read('once');
  await world.household('aldervane', [
    { name: 'maren', children: ['caspian'] },
    { name: 'ottoline', role: 'look-only', children: ['caspian'] },
  ]);
  maren = await world.signedIn('maren');
  const { slots } = (await maren.get(routes.slots.path).expect(200)).body;
  const slot = slots.find(({ startsAt }: { startsAt: string }) => startsAt === '2026-10-29T18:10:00.000Z');
  const path = routes.book.path.replace(':slotId', slot.id);
  meeting = (await maren.post(path).send({ studentId: slot.studentId }).expect(201)).body;
});
afterAll(async () => {
  await program.close();
  await world.stop();
});

const of = (route: keyof typeof routes): string => routes[route].path.replace(':meetingId', meeting.id);
const now = async (): Promise<Meeting> => {
  const { meetings } = (await maren.get(routes.list.path).expect(200)).body;
  return meetings.find(({ id }: Meeting) => id === meeting.id);
};
const invite = (more: object = {}, agent = maren) => agent.post(of('invite')).send({ ...guest, ...more });
const guestNow = async (): Promise<MeetingGuest> => {
  const [found] = (await now()).guests;
  if (!found) throw new Error('nobody is invited');
  return found;
};
const mails = (): Promise<Mail[]> => world.mailsTo(guest.address);
const lastCalendar = async (): Promise<string> => (await mails()).at(-1)?.calendar ?? '';

interface Said {
  readonly partstat?: string;
  readonly sequence?: number;
  readonly stamp?: string;
  readonly from?: string;
  readonly verdict?: string;
  readonly text?: string;
  readonly headers?: Record<string, string>;
  readonly uid?: string;
}
/** What a mail program sends when somebody answers. */
async function answers(said: Said): Promise<void> {
  const { partstat, sequence = 0, stamp = '20261021T194100Z', from = guest.address, verdict = 'pass' } = said;
  const { id } = await guestNow();
  const uid = said.uid ?? `meeting-${meeting.id}@${world.config.mailDomain}`;
  const content = [
    ...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Somebody//EN', 'METHOD:REPLY', 'BEGIN:VEVENT'],
    ...[`UID:${uid}`, `SEQUENCE:${sequence}`, `DTSTAMP:${stamp}`],
    ...[`ATTENDEE;PARTSTAT=${partstat}:mailto:${guest.address}`, 'END:VEVENT', 'END:VCALENDAR', ''],
  ].join('\r\n');
  const domain = from.split('@')[1] ?? '';
  const raw = await new MailComposer({
    ...{ from, to: mailAddress(world.config, 'meeting', id), subject: 'Re: meeting', text: said.text ?? '' },
    headers: {
      'Authentication-Results': `${world.config.mailVerdictHost}; dmarc=${verdict} header.from=${domain}`,
      ...said.headers,
    },
    ...(partstat ? { icalEvent: { method: 'REPLY', content } } : {}),
  })
    .compile()
    .build();
  await world.nobody
    .post('/api/inbound-mail')
    .set('content-type', 'message/rfc822')
    .set('authorization', `Bearer ${world.config.inboundMailKey}`)
    .send(raw)
    .expect(202);
}

it('goes out once, and a calendar program reads it at the school’s hour', async () => {
  await invite({}, await world.signedIn('ottoline')).expect(403);
  await invite({ address: 'no address' }).expect(400);
  expect((await invite().expect(200)).body.guests).toMatchObject([
    { ...guest, answer: null, state: 'on-its-way' },
  ]);
  await invite({ address: guest.address.toUpperCase() }).expect(200);
  const [mail, ...more] = await mails();
  expect(more).toEqual([]);
  expect(mail?.subject).toBe('Meeting: Wren Thornwick about Caspian');
  expect(mail?.text).toContain('Thursday, October 29 at 3:10 PM. In person, Boat shed.');
  expect(await program.read(mail?.calendar ?? '')).toEqual([
    '2026-10-29 15:10|15:30|Wren Thornwick about Caspian',
  ]);
  expect((await guestNow()).state).toBe('told');
});

it('is answered by a calendar: the latest answer holds', async () => {
  await answers({ partstat: 'TENTATIVE', stamp: '20261021T190000Z' });
  expect(await guestNow()).toMatchObject({ answer: 'maybe', answeredBy: null });
  await answers({ partstat: 'ACCEPTED', stamp: '20261021T191500Z' });
  await answers({ partstat: 'DECLINED', stamp: '20261021T190500Z' });
  expect(await guestNow()).toMatchObject({ answer: 'yes', answeredAt: '2026-10-21T19:40:00.000Z' });
});

it.each<[string, Said]>([
  ['to another meeting', { partstat: 'DECLINED', uid: 'meeting-2@cadro.example' }],
  ['that a program writes by itself', { text: 'I am away', headers: { 'Auto-Submitted': 'auto-replied' } }],
  ['that says nothing', { text: '' }],
])('an answer %s changes nothing', async (_what, said) => {
  const before = await guestNow();
  await answers({ stamp: '20261021T193900Z', ...said });
  expect(await guestNow()).toEqual(before);
});

it('an answer from elsewhere, or of a sender nobody vouches for, is told with its address', async () => {
  const elsewhere = 'tobi@boats.example';
  await answers({ partstat: 'DECLINED', stamp: '20261021T193000Z', from: elsewhere });
  expect(await guestNow()).toMatchObject({ answer: 'no', answeredBy: elsewhere });
  await answers({ partstat: 'ACCEPTED', stamp: '20261021T193100Z', verdict: 'fail' });
  expect(await guestNow()).toMatchObject({ answer: 'yes', answeredBy: guest.address });
  await answers({ partstat: 'ACCEPTED', stamp: '20261021T193200Z' });
  expect(await guestNow()).toMatchObject({ answer: 'yes', answeredBy: null });
  await answers({ partstat: 'DECLINED', stamp: '20261021T193300Z', from: elsewhere });
  // Words of their own do not make somebody else’s answer theirs.
  await answers({ text: 'I will be ten minutes late.\n\nOn Wed, somebody wrote:\n> Come' });
  expect(await guestNow()).toMatchObject({
    ...{ answer: 'no', answeredBy: elsewhere },
    ...{ words: 'I will be ten minutes late.', wordsBy: null },
  });
});

it('a new time goes out under the same name, over the change of clocks; earlier answers are to the other', async () => {
  const { slots } = (await maren.get(routes.slots.path).expect(200)).body;
  const slot = slots.find(({ startsAt }: { startsAt: string }) => startsAt === '2026-11-03T19:10:00.000Z');
  const { version } = await now();
  await maren
    .post(of('move'))
    .send({ version, to: { slotId: slot.id } })
    .expect(200);
  const before = await lastCalendar();
  expect(before).toContain(`UID:meeting-${meeting.id}`);
  expect(before).toContain('SEQUENCE:1');
  expect(await program.read(before)).toEqual(['2026-11-03 15:10|15:30|Wren Thornwick about Caspian']);
  // Elsewhere it is the same moment: Denver’s clocks have gone back, too, and Reykjavik’s never do.
  expect(await program.read(before, 'America/Denver')).toEqual([expect.stringMatching(/^2026-11-03 12:10/)]);
  expect(await program.read(before, 'Atlantic/Reykjavik')).toEqual([
    expect.stringMatching(/^2026-11-03 19:10/),
  ]);
  expect(await guestNow()).toMatchObject({ answer: null, state: 'told' });
  await answers({ partstat: 'ACCEPTED', sequence: 0, stamp: '20261021T193900Z' });
  expect(await guestNow()).toMatchObject({ answer: null });
  await answers({ partstat: 'ACCEPTED', sequence: 1, stamp: '20261021T193900Z' });
  expect(await guestNow()).toMatchObject({ answer: 'yes' });
});

it('whoever is taken off the list hears it, and can be asked again', async () => {
  const { id } = await guestNow();
  await maren.delete(of('uninvite').replace(':guestId', id)).expect(200);
  const off = await lastCalendar();
  expect(off).toContain('METHOD:CANCEL');
  expect(off).toContain('SEQUENCE:2');
  await maren.delete(of('uninvite').replace(':guestId', id)).expect(404);
  await invite().expect(200);
  const again = await lastCalendar();
  expect(again).toContain('METHOD:REQUEST');
  expect(again).toContain('SEQUENCE:3');
});

it('one that cannot be brought says so', async () => {
  await invite({ name: 'Nobody', address: 'nobody@nowhere.example' }).expect(200);
  await world.workOff();
  const { guests } = await now();
  expect(guests.map(({ name, state }) => [name, state])).toEqual([
    [guest.name, 'told'],
    ['Nobody', 'came-back'],
  ]);
});

it('goes out when mail is back after a day without it, once', async () => {
  const late = { name: 'Ottoline', address: 'ottoline@aldervane.example' };
  const count = (await mails()).length;
  await maren.post(of('invite')).send(late).expect(200);
  const { db, clock, config } = world;
  const down = { sendMail: () => Promise.reject(new Error('no mail today')) };
  const deps = { db, clock, config, transport: down };
  await expect(sendInvitations(deps, meeting.id)).rejects.toThrow('no mail today');
  expect((await now()).guests.at(-1)).toMatchObject({ name: late.name, state: 'on-its-way' });
  expect(await world.mailsTo(late.address)).toHaveLength(1);
  expect(await mails()).toHaveLength(count);
});

it('is for a dozen at most, and nobody sends mail to the world by it', async () => {
  const before = (await now()).guests.length;
  const ask = (at: number) => invite({ name: `G ${at}`, address: `guest${at}@test.example` });
  for (let at = before; at < 12; at += 1) await ask(at).expect(200);
  expect((await ask(12).expect(400)).body.errors).toMatchObject([{ path: '/address' }]);
  const [guest = { id: '' }] = (await now()).guests.slice(-1);
  const takeBack = (id: string) => maren.delete(of('uninvite').replace(':guestId', id)).expect(200);
  await takeBack(guest.id);
  const statuses: number[] = [];
  for (let at = 20; at < 40 && !statuses.includes(429); at += 1) {
    const { status, body } = await ask(at);
    statuses.push(status);
    if (status === 200) await takeBack(body.guests.at(-1).id);
  }
  expect(statuses.at(-1)).toBe(429);
});

it('a meeting that is given back is called off in every calendar', async () => {
  const { version } = await now();
  await maren.post(of('giveBack')).send({ version }).expect(200);
  const off = await lastCalendar();
  expect(off).toContain('METHOD:CANCEL');
  expect(off).toContain('STATUS:CANCELLED');
  expect(off).toContain(`UID:meeting-${meeting.id}`);
  await answersAfter();
  await invite({ address: 'late@aldervane.example' }).expect(409);
});
/** Who answers what is off says nothing of it. */
async function answersAfter(): Promise<void> {
  const before = await guestNow();
  await answers({ partstat: 'DECLINED', sequence: 9, stamp: '20261021T194000Z' });
  expect(await guestNow()).toEqual(before);
}

it('is a file for one’s own calendar, too', async () => {
  const { text } = await maren.get(of('file')).expect(200);
  expect(text).toContain('METHOD:PUBLISH');
  expect(text).toContain('STATUS:CANCELLED');
  await (await world.signedIn('ottoline')).get(of('file')).expect(200);
});
