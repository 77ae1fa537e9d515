import ICAL from 'ical.js';
import { addZones, clean, eventComponent, type PublishedEvent } from './write';
import { wallTimeIn } from '../clock';

/* Invitations from calendar to calendar (RFC 5546): what goes out, and the answer that comes back. */

export interface Person {
  readonly name: string;
  /** A mail address. */
  readonly address: string;
}

/** A meeting as an invitation says it. */
export interface Invitation {
  readonly method: 'REQUEST' | 'CANCEL';
  readonly uid: string;
  /** Counts what a calendar has to hear of. */
  readonly sequence: number;
  /** When it was last changed, an instant. */
  readonly changedAt: string;
  readonly title: string;
  readonly text: string | null;
  readonly place: string | null;
  readonly href: string | null;
  /** Instants. */
  readonly startsAt: string;
  readonly endsAt: string;
  /** By whose clock it is told. */
  readonly timeZone: string;
  readonly organizer: Person;
  readonly guest: Person;
}

function addPerson(
  event: ICAL.Component,
  name: 'organizer' | 'attendee',
  person: Person,
  more: Readonly<Record<string, string>> = {},
): void {
  const property = new ICAL.Property(name, event);
  // A parameter's value may hold anything but what ends it.
  property.setParameter('cn', clean(person.name).replace(/["\n\t]/g, ' '));
  for (const [key, value] of Object.entries(more)) property.setParameter(key, value);
  property.setValue(`mailto:${clean(person.address).replace(/\s/g, '')}`);
  event.addProperty(property);
}

/** The meeting as an event: it takes its time, and is told by the school's clock. */
export const publishedOf = (
  invitation: Omit<Invitation, 'method' | 'organizer' | 'guest'>,
  cancelled: boolean,
): PublishedEvent => {
  const { uid, sequence, changedAt, title, text, place, href, timeZone } = invitation;
  const starts = wallTimeIn(timeZone, Date.parse(invitation.startsAt));
  const ends = wallTimeIn(timeZone, Date.parse(invitation.endsAt));
  return {
    ...{ uid, sequence, changedAt, title, text, place, href, timeZone },
    ...{ cancelled, categories: [], on: starts.on, lastOn: ends.on },
    ...{ startsAt: starts.time, endsAt: ends.time },
  };
};

/** A calendar file of one invitation, for one guest: nobody learns from it who else is asked. */
export function writeInvitation({ method, organizer, guest, ...meeting }: Invitation): string {
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('prodid', '-//Cadro//Talk//EN');
  calendar.addPropertyWithValue('method', method);
  const event = publishedOf(meeting, method === 'CANCEL');
  addZones(calendar, [event]);
  const component = eventComponent(event);
  component.updatePropertyWithValue('transp', 'OPAQUE');
  addPerson(component, 'organizer', organizer);
  const wanted = method === 'REQUEST' ? { partstat: 'NEEDS-ACTION', rsvp: 'TRUE' } : {};
  addPerson(component, 'attendee', guest, { role: 'REQ-PARTICIPANT', ...wanted });
  calendar.addSubcomponent(component);
  return `${calendar.toString()}\r\n`;
}

/** What somebody's calendar answers to an invitation. */
export interface InvitationReply {
  readonly uid: string;
  readonly sequence: number;
  /** When it was answered, an instant: of two the later one holds. Null where the answer does not say it. */
  readonly stamp: string | null;
  /** The address that answers, in small letters. */
  readonly attendee: string;
  readonly answer: 'yes' | 'maybe' | 'no';
}

const answers: Readonly<Record<string, InvitationReply['answer']>> = {
  ...{ ACCEPTED: 'yes', TENTATIVE: 'maybe', DECLINED: 'no' },
};

/** Longer ones are no answer to an invitation. */
const longestReply = 100_000;

function replyIn(text: string): InvitationReply | null {
  const calendar = new ICAL.Component(ICAL.parse(text) as [string, unknown[], unknown[]]);
  if (String(calendar.getFirstPropertyValue('method') ?? '').toUpperCase() !== 'REPLY') return null;
  const event = calendar.getFirstSubcomponent('vevent');
  const attendees = event?.getAllProperties('attendee') ?? [];
  const [attendee] = attendees;
  // RFC 5546: an answer names whoever answers, and nobody else.
  if (!event || !attendee || attendees.length !== 1) return null;
  const answer = answers[String(attendee.getFirstParameter('partstat') ?? '').toUpperCase()];
  if (!answer) return null;
  const stamp = event.getFirstPropertyValue('dtstamp');
  return {
    uid: String(event.getFirstPropertyValue('uid') ?? ''),
    sequence: Number(event.getFirstPropertyValue('sequence')) || 0,
    stamp: stamp instanceof ICAL.Time ? stamp.toJSDate().toISOString() : null,
    attendee: String(attendee.getFirstValue() ?? '')
      .replace(/^mailto:/i, '')
      .trim()
      .toLowerCase(),
    answer,
  };
}

/** The answer in a calendar file that came by mail; null for whatever is none. */
export function readReply(text: string): InvitationReply | null {
  if (text.length > longestReply) return null;
  try {
    return replyIn(text.replace(/^\ufeff/, '').trim());
  } catch {
    return null;
  }
}
