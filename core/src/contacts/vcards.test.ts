import ICAL from 'ical.js';
import { vCards } from './vcards';

const odo = {
  ...{ id: '0d1f4c1e-7f3a-4a58-9a51-0c6f6a3a8f11', kind: 'teacher' as const, name: 'Odo van Wrack' },
  ...{ email: 'odo@millrace.example', phone: null, room: null, hours: 'Mon–Thu, 3:10–4 p.m.; Room 7' },
  ...{ answersFor: null, language: 'es' },
  courses: [{ id: 'c1', title: 'Boat-building', room: 'Shed 2', period: '3' }],
};
const office = {
  ...{ id: '5a0b0b0e-52a2-4c60-8d8e-0d5a7f1f2c22', kind: 'office' as const, name: 'Front office' },
  ...{ email: null, phone: '+1 555 010 0123', room: 'Hall A', hours: null, language: null, courses: [] },
  answersFor: 'Forms; lost things, keys',
};

test('a card says who it is, for what, and how they are reached', () => {
  const text = vCards([odo, office], { schoolName: 'Millrace Middle School' });
  const [first, second] = ICAL.parse(text) as unknown as [string, unknown[], unknown[]][];
  const read = (card: typeof first) => {
    const component = new ICAL.Component(card ?? []);
    return Object.fromEntries(
      component.getAllProperties().map((property) => [property.name, property.getFirstValue()]),
    );
  };
  expect(read(first)).toMatchObject({
    version: '4.0',
    uid: `urn:uuid:${odo.id}`,
    kind: 'individual',
    fn: 'Odo van Wrack',
    n: ['Wrack', 'Odo van', '', '', ''],
    org: 'Millrace Middle School',
    role: 'Boat-building',
    email: 'odo@millrace.example',
    lang: 'es',
    note: 'Boat-building · Shed 2 · 3\nMon–Thu, 3:10–4 p.m.; Room 7',
  });
  const desk = read(second);
  expect(desk).toMatchObject({ kind: 'org', role: 'Forms; lost things, keys', tel: '+1 555 010 0123' });
  expect(desk).not.toHaveProperty('email');
  expect(desk).not.toHaveProperty('n');
});

test('what it holds cannot end a line, and lines are folded at 75 octets', () => {
  const named = { ...odo, name: 'Wrack\r\nEMAIL:someone@else.example', hours: 'ä'.repeat(200) };
  const text = vCards([named], { schoolName: 'Quay; School, North' });
  expect(text).not.toMatch(/^EMAIL:someone/m);
  expect(text.endsWith('END:VCARD\r\n')).toBe(true);
  for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
});
