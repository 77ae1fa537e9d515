import type { Contact } from '@cadro/contract';
import ICAL from 'ical.js';

type Card = Pick<
  Contact,
  'id' | 'kind' | 'name' | 'email' | 'phone' | 'room' | 'hours' | 'answersFor' | 'language' | 'courses'
>;

function cardOf({ id, kind, name, ...card }: Card, schoolName: string): string {
  const { email, phone, room, hours, answersFor, language, courses } = card;
  const component = new ICAL.Component(['vcard', [], []]);
  const put = (of: string, value: string | string[] | null, parameters: Record<string, string> = {}) => {
    if (value === null || value === '' || value.length === 0) return;
    const property = new ICAL.Property([of, parameters, 'text', value], component);
    component.addProperty(property);
  };
  const family = name.split(' ').at(-1) ?? '';
  const given = name.slice(0, name.length - family.length).trim();
  put('version', '4.0');
  component.addProperty(new ICAL.Property(['uid', {}, 'uri', `urn:uuid:${id}`], component));
  put('kind', kind === 'teacher' ? 'individual' : 'org');
  put('fn', name);
  if (kind === 'teacher')
    component.addProperty(new ICAL.Property(['n', {}, 'text', [family, given, '', '', '']], component));
  put('org', schoolName);
  if (courses.length > 0) put('role', courses.map(({ title }) => title).join(', '));
  else put('role', answersFor);
  put('email', email, { type: 'work' });
  put('tel', phone, { type: 'work' });
  if (language) component.addProperty(new ICAL.Property(['lang', {}, 'language-tag', language], component));
  const rooms = courses.flatMap(({ title, room: taught, period }) =>
    taught || period ? [[title, taught, period].filter(Boolean).join(' · ')] : [],
  );
  put('note', [...(room ? [room] : []), ...rooms, ...(hours ? [hours] : [])].join('\n'));
  return component.toString();
}

/**
 * Contacts as a file of vCards (RFC 6350, version 4.0), in the order given; each keeps its id, so that taking the file in
 * again changes cards and adds none.
 */
export const vCards = (contacts: readonly Card[], { schoolName }: { readonly schoolName: string }): string =>
  contacts.map((contact) => `${cardOf(contact, schoolName).trimEnd()}\r\n`).join('');
