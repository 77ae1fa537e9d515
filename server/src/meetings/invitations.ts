import { dayMs, meetingLetter, meetingTitle, type MeetingFacts } from '@cadro/core';
import { publishedOf, writeCalendar, writeInvitation } from '@cadro/core/ical';
import { guardianById } from '../household';
import {
  HttpProblem,
  isOneAddress,
  mailAddress,
  refusedReceiver,
  type Config,
  type Deps,
  type MailCarrier,
} from '../kit';
import type { Incoming } from '../sources';
import { heldMeeting } from './meetings';
import * as guests from './guestStore';
import * as store from './store';

export interface InvitationDeps extends Deps {
  readonly config: Pick<Config, 'secret' | 'mailDomain'>;
  readonly transport: MailCarrier;
}

type Word = MeetingFacts['news'];

/** What a guest is still to hear of a meeting; null for nothing. */
function wordFor(guest: guests.GuestRow, { state, sequence }: store.MeetingRow): Word | null {
  const knows = guest.told_sequence !== null;
  if (guest.came_back) return null;
  if (guest.removed) return knows && !guest.told_removed ? 'off' : null;
  if (guest.told_sequence === sequence) return null;
  if (state !== 'stands') return knows ? 'off' : null;
  return knows ? 'moved' : 'new';
}

/**
 * How far the numbers of a guest run ahead of the meeting's: their calendar has been told twice more for each time that
 * they were taken off the list before, and what comes now has to outdo that.
 */
const aheadOf = (guest: guests.GuestRow, all: readonly guests.GuestRow[]): number =>
  2 *
  all
    .slice(
      0,
      all.findIndex(({ id }) => id === guest.id),
    )
    .filter(({ address }) => address.toLowerCase() === guest.address.toLowerCase()).length;

/** The same meeting in every calendar, whatever becomes of it. */
const uidOf = (id: string, mailDomain: string): string => `meeting-${id}@${mailDomain}`;

/** A meeting as a calendar file says it. */
const eventOf = (
  row: store.ToldMeeting,
  { title, mailDomain }: { readonly title: string; readonly mailDomain: string },
) => ({
  ...{ uid: uidOf(row.id, mailDomain), sequence: row.sequence, changedAt: row.changed_at.toISOString() },
  ...{ title, text: null, place: row.place, href: row.href, timeZone: row.time_zone },
  ...{ startsAt: row.starts_at.toISOString(), endsAt: row.ends_at.toISOString() },
});

const factsOf = (row: store.ToldMeeting, news: Word): MeetingFacts => ({
  ...{ child: row.given_name, teacher: row.teacher_name, author: row.author, news },
  ...{ startsAt: row.starts_at, timeZone: row.time_zone, way: row.way, place: row.place, href: row.href },
});

const languageOf = async ({ db }: Pick<Deps, 'db'>, guardianId: string | null) =>
  (guardianId === null ? undefined : await guardianById(db, guardianId))?.language ?? 'en';

async function send(
  { db, config, transport }: InvitationDeps,
  {
    row,
    guest,
    word,
    ahead,
  }: {
    readonly row: store.ToldMeeting;
    readonly guest: guests.GuestRow;
    readonly word: Word;
    readonly ahead: number;
  },
): Promise<void> {
  const { subject, title, lines } = meetingLetter(
    await languageOf({ db }, row.guardian_id),
    factsOf(row, word),
  );
  const address = mailAddress(config, 'meeting', guest.id);
  const organizer = { name: row.author, address };
  const method = word === 'off' ? 'CANCEL' : 'REQUEST';
  // Who need not come any more hears it after all that was said before.
  const sequence = row.sequence + ahead + (guest.removed ? 1 : 0);
  const content = writeInvitation({
    ...eventOf(row, { title, mailDomain: config.mailDomain }),
    ...{ method, sequence, organizer, guest, text: lines.join('\n') },
  });
  await transport.sendMail({
    // A second try after a crash is the same mail to its receiver.
    messageId: `<${guest.id}-${sequence}@${config.mailDomain}>`,
    envelope: { from: mailAddress(config, 'back', guest.id), to: guest.address },
    from: organizer,
    replyTo: address,
    to: { name: guest.name, address: guest.address },
    subject,
    text: `${lines.join('\n\n')}\n`,
    icalEvent: { method, content, filename: 'invitation.ics' },
  });
}

/**
 * Tells whoever is invited to a meeting how it stands now, each once. Throws when the mail server does, and the queue
 * tries again with those who have not heard.
 */
export async function sendInvitations(deps: InvitationDeps, meetingId: string): Promise<void> {
  const { db, clock } = deps;
  const row = await store.toldMeeting(db, meetingId);
  if (!row) return;
  // What is over is nobody's news.
  if (row.ends_at.getTime() + dayMs < (await clock.now()).getTime()) return;
  const all = await guests.guestsOf(db, [meetingId]);
  for (const guest of all) {
    const word = wordFor(guest, row);
    const told = guest.removed ? { told_removed: true } : { told_sequence: row.sequence };
    if (word !== null) {
      try {
        if (!isOneAddress(guest.address)) throw Object.assign(new Error('no address'), { code: 'EENVELOPE' });
        await send(deps, { row, guest, word, ahead: aheadOf(guest, all) });
      } catch (error) {
        if (isOneAddress(guest.address) && !refusedReceiver(error)) throw error;
        await guests.markGuest(db, guest.id, { came_back: true });
        continue;
      }
    }
    await guests.markGuest(db, guest.id, told);
  }
}

/** An invitation could not be brought. @returns whether it was one. */
export const invitationReturned = ({ db }: Pick<Deps, 'db'>, guestId: string): Promise<boolean> =>
  guests.markGuest(db, guestId, { came_back: true });

const longestWords = 500;

/**
 * Takes in what a guest answers: by their calendar, or in words. From an address that is not known to be theirs it is kept
 * with that address; to an earlier time it says nothing of this one; what a program writes by itself is no answer.
 * @returns false where there is no such guest.
 */
export async function receiveReply(
  { db, clock, config }: Deps & { readonly config: Pick<Config, 'mailDomain'> },
  guestId: string,
  mail: Incoming,
): Promise<boolean> {
  const guest = await guests.guestById(db, guestId);
  const row = guest && (await store.toldMeeting(db, guest.meeting_id));
  if (!guest || !row) return false;
  const now = await clock.now();
  const theirs = mail.sender === guest.address.toLowerCase() && mail.verdict === 'passed';
  const by = theirs ? null : mail.sender.slice(0, 320);
  const { reply } = mail;
  if (!reply) {
    const words = mail.said.trim().slice(0, longestWords);
    if (!mail.automatic && words !== '') await guests.keepWords(db, guestId, { words, words_by: by });
    return true;
  }
  const all = await guests.guestsOf(db, [row.id]);
  const answersThis =
    reply.uid === uidOf(row.id, config.mailDomain) && reply.sequence >= row.sequence + aheadOf(guest, all);
  if (!answersThis || row.state !== 'stands' || guest.removed) return true;
  // Of whoever's clock runs ahead no answer lies ahead.
  const stamp = new Date(
    Math.min(reply.stamp === null ? now.getTime() : Date.parse(reply.stamp), now.getTime()),
  );
  const answered = { answer: reply.answer, answered_at: now, answered_by: by, answered_stamp: stamp };
  await guests.keepAnswer(db, guestId, answered);
  return true;
}

/** A meeting as a file for one's own calendar. */
export async function fileOf(
  deps: Deps & { readonly config: Pick<Config, 'secret' | 'mailDomain'> },
  guardianId: string,
  meetingId: string,
): Promise<Buffer> {
  const { db, config } = deps;
  await heldMeeting(deps, guardianId, meetingId, 'read-talk');
  const row = await store.toldMeeting(db, meetingId);
  if (!row) throw new HttpProblem('not-found');
  const title = meetingTitle(await languageOf(deps, guardianId), {
    ...{ teacher: row.teacher_name, child: row.given_name },
  });
  const event = publishedOf(eventOf(row, { title, mailDomain: config.mailDomain }), row.state !== 'stands');
  return Buffer.from(writeCalendar(title, [event]));
}
