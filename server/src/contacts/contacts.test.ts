import ICAL from 'ical.js';
import { contactRoutes, type Contact } from '@cadro/contract';
import type { Agent } from 'supertest';
import { World } from '../testing/world';

let world: World;
let maren: Agent;
beforeAll(async () => {
  world = await World.read('once');
  await world.household('aldervane', [{ name: 'maren', children: ['isolde', 'caspian', 'pet'] }]);
  maren = await world.signedIn('maren');
});
afterAll(() => world.stop());

const contactsOf = async (child: string): Promise<Contact[]> =>
  (await maren.get(contactRoutes.contacts.path.replace(':studentId', world.student(child))).expect(200)).body
    .contacts;

it('says of everybody what the school publishes, and nothing that it does not', async () => {
  const contacts = await contactsOf('isolde');
  expect(contacts.find(({ name }) => name === 'Aldous Quillfeather')).toMatchObject({
    ...{ kind: 'teacher', email: 'a.quillfeather@quay-schools.example', phone: null },
    hours: 'Lab 2, Wednesdays after school until 4:15 p.m.',
    courses: [{ title: 'Kelp chemistry', period: expect.any(String), room: expect.any(String) }],
  });
  expect(contacts.find(({ name }) => name === 'Edmund Pellory')).toMatchObject({ email: null, hours: null });
  expect(
    contacts.filter(({ kind }) => kind !== 'teacher').map(({ kind, name, phone }) => [kind, name, phone]),
  ).toEqual([
    ['office', 'Main office, Gannet Head', '+1 555 010 0140'],
    ['attendance', 'Attendance desk, Gannet Head', null],
    ['counselor', 'Linnet Ashgrove', '+1 555 010 0146'],
    ['nurse', 'Health room, Gannet Head', '+1 555 010 0148'],
  ]);
});

it('knows no counselor of other years, and nobody once the school has taken them back', async () => {
  expect((await contactsOf('isolde')).some(({ name }) => name === 'Piers Gorse')).toBe(false);
  await world.db('teachers').where({ name: 'Linnet Ashgrove' }).update({ gone: true });
  expect((await contactsOf('isolde')).some(({ name }) => name === 'Linnet Ashgrove')).toBe(false);
});

it('goes out as vCards that are read again', async () => {
  const path = contactRoutes.vcard.path.replace(':studentId', world.student('caspian'));
  const { headers, body, text } = await maren.get(path).buffer(true).expect(200);
  expect(headers['content-type']).toContain('text/vcard');
  const written = text || (body as Buffer).toString();
  const cards = ICAL.parse(written) as unknown as [string, unknown[], unknown[]][];
  const names = cards.map((card) => new ICAL.Component(card).getFirstPropertyValue('fn'));
  expect(names).toEqual((await contactsOf('caspian')).map(({ name }) => name));
});
