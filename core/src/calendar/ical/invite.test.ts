import { readCalendar, readReply, writeInvitation, type Invitation } from '.';

const invitation = (more: Partial<Invitation> = {}): Invitation => ({
  ...{ method: 'REQUEST', uid: 'meeting-1@cadro.example', sequence: 2, changedAt: '2026-10-21T18:00:00Z' },
  ...{ title: 'Talk with Wren Thornwick', text: 'About Caspian', place: 'Boat shed', href: null },
  ...{ startsAt: '2026-11-03T19:10:00Z', endsAt: '2026-11-03T19:30:00Z', timeZone: 'America/Halifax' },
  organizer: { name: 'Maren Aldervane', address: 'meeting+x@cadro.example' },
  guest: { name: 'Tobiah; "Tobi" Aldervane', address: 'tobiah@aldervane.example' },
  ...more,
});
const unfolded = (text: string): string => text.replace(/\r\n /g, '');

describe('an invitation', () => {
  it('asks one guest, by the school’s clock, also after the clocks have gone back', () => {
    const text = unfolded(writeInvitation(invitation()));
    expect(text).toContain('METHOD:REQUEST');
    expect(text).toContain('DTSTART;TZID=America/Halifax:20261103T151000');
    expect(text).toContain('BEGIN:VTIMEZONE');
    expect(text).toContain('SEQUENCE:2');
    expect(text).toContain('TRANSP:OPAQUE');
    expect(text).toMatch(/ORGANIZER;CN=Maren Aldervane:mailto:meeting\+x@cadro\.example/);
    expect(text).toMatch(
      /ATTENDEE;CN="Tobiah; {2}Tobi {2}Aldervane".*RSVP=TRUE.*:mailto:tobiah@aldervane\.example/,
    );
    expect(text.match(/ATTENDEE/g)).toHaveLength(1);
    expect(
      text
        .trim()
        .split('\r\n')
        .every((line) => line.length > 0),
    ).toBe(true);
  });

  it('is called off under the same name', () => {
    const text = unfolded(writeInvitation(invitation({ method: 'CANCEL', sequence: 3 })));
    expect(text).toContain('METHOD:CANCEL');
    expect(text).toContain('STATUS:CANCELLED');
    expect(text).toContain('UID:meeting-1@cadro.example');
    expect(text).not.toContain('RSVP');
  });

  it('is read as any event; nothing in a name or a title ends a line of it', () => {
    const hostile = 'A\r\nBEGIN:VEVENT\nEND:VCALENDAR';
    const guest = { name: hostile, address: 'a@b.example\r\nX:1' };
    const text = writeInvitation(invitation({ title: hostile, text: hostile, place: hostile, guest }));
    const { events, notes } = readCalendar(text, 'UTC', '2027-01-01');
    expect([events.length, notes]).toEqual([1, []]);
    expect(text.match(/^BEGIN:VEVENT/gm)).toHaveLength(1);
    expect(text).not.toMatch(/^X:1/m);
  });
});

const reply = (partstat: string, more = ''): string =>
  [
    ...['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//Somebody//Calendar//EN', 'METHOD:REPLY', 'BEGIN:VEVENT'],
    ...['UID:meeting-1@cadro.example', 'DTSTAMP:20261022T080000Z', 'SEQUENCE:2'],
    `ATTENDEE;PARTSTAT=${partstat};CN=Tobiah:MAILTO:Tobiah@Aldervane.example`,
    ...(more ? [more] : []),
    ...['DTSTART:20261103T191000Z', 'END:VEVENT', 'END:VCALENDAR', ''],
  ].join('\r\n');

describe('an answer to it', () => {
  it.each([
    ['ACCEPTED', 'yes'],
    ['TENTATIVE', 'maybe'],
    ['DECLINED', 'no'],
    ['accepted', 'yes'],
  ])('%s says %s', (partstat, answer) => {
    expect(readReply(reply(partstat))).toEqual({
      ...{ uid: 'meeting-1@cadro.example', sequence: 2, stamp: '2026-10-22T08:00:00.000Z', answer },
      attendee: 'tobiah@aldervane.example',
    });
  });

  it.each([
    ['an answer that says nothing yet', reply('NEEDS-ACTION')],
    ['one that hands it to somebody else', reply('DELEGATED')],
    [
      'one in the name of two',
      reply('ACCEPTED', 'ATTENDEE;PARTSTAT=ACCEPTED:mailto:maren@aldervane.example'),
    ],
    ['a new invitation', reply('ACCEPTED').replace('REPLY', 'REQUEST')],
    ['a text that breaks off', reply('ACCEPTED').slice(0, 120)],
    ['words', 'Yes, I am coming'],
    ['far too much', reply('ACCEPTED', `X-A:${'a'.repeat(120_000)}`)],
    ['nothing', ''],
  ])('%s is none', (_what, text) => {
    expect(readReply(text)).toBeNull();
  });
});
