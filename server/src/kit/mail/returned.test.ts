import { refusedReceiver, returnedMail } from '.';

/** A report as mail servers write it, with the groups of fields given. */
const report = (...groups: readonly string[]): Buffer =>
  Buffer.from(
    [
      'From: Mail Delivery System <postmaster@aldervane.example>',
      'To: back+x@mail.cadro.example',
      'Subject: Undelivered Mail Returned to Sender',
      'MIME-Version: 1.0',
      'Content-Type: multipart/report; report-type=delivery-status; boundary="b"',
      '',
      '--b',
      'Content-Type: text/plain',
      '',
      'Status: 5.1.1, as people would read it.',
      '',
      '--b',
      'Content-Type: message/delivery-status',
      '',
      ...['Reporting-MTA: dns; mail.aldervane.example\r\n', ...groups.map((group) => `${group}\r\n`)],
      '--b--',
      '',
    ].join('\r\n'),
  );
const group = (action: string, status: string): string =>
  `Final-Recipient: rfc822; gone@aldervane.example\r\nAction: ${action}\r\nStatus: ${status}`;

describe('a report of what became of a mail', () => {
  it.each([
    ['no such mailbox', [group('failed', '5.1.1')], { status: '5.1.1', noSuchAddress: true }],
    ['a mailbox that is shut', [group('failed', '5.2.1')], { status: '5.2.1', noSuchAddress: true }],
    ['a full mailbox', [group('failed', '5.2.2')], { status: '5.2.2', noSuchAddress: false }],
    [
      'a mail that is taken for a nuisance',
      [group('failed', '5.7.1')],
      { status: '5.7.1', noSuchAddress: false },
    ],
    [
      'a server that was away too long',
      [group('failed', '4.4.7')],
      { status: '4.4.7', noSuchAddress: false },
    ],
    [
      'a status with words, and one in capitals',
      [group('FAILED', '5.1.10 (no such user)')],
      { status: '5.1.10', noSuchAddress: true },
    ],
    ['a folded field', ['Action: failed\r\nStatus:\r\n 5.1.1'], { status: '5.1.1', noSuchAddress: true }],
    ['a status that is none', [group('failed', 'bad')], { status: '5.0.0', noSuchAddress: false }],
    [
      'a server that only tells what another has said',
      [
        `${group('failed', '5.0.0')}\r\nDiagnostic-Code: smtp; 550 5.1.1 <gone@aldervane.example>: no such user`,
      ],
      { status: '5.1.1', noSuchAddress: true },
    ],
    [
      'a server that has heard of a full mailbox',
      [`${group('failed', '5.0.0')}\r\nDiagnostic-Code: smtp; 552 5.2.2 over quota`],
      { status: '5.2.2', noSuchAddress: false },
    ],
    [
      'a status of its own, whatever another has said',
      [`${group('failed', '5.7.1')}\r\nDiagnostic-Code: smtp; 550 5.1.1 no such user`],
      { status: '5.7.1', noSuchAddress: false },
    ],
    [
      'one receiver of two',
      [group('relayed', '2.0.0'), group('failed', '5.1.1')],
      { status: '5.1.1', noSuchAddress: true },
    ],
    ['a mail that is late', [group('delayed', '4.4.1')], null],
    ['a mail that was brought', [group('delivered', '2.1.5')], null],
    ['nobody', [], null],
    [
      'one of 200,000 receivers',
      [group('failed', '5.1.1'), Array<string>(200_000).fill(group('relayed', '2.0.0')).join('\r\n\r\n')],
      { status: '5.1.1', noSuchAddress: true },
    ],
  ])('says %s', async (_name, groups, said) => {
    expect(await returnedMail(report(...groups))).toEqual(said);
  });

  it.each([
    [
      'a letter about a failure',
      'Subject: failed\r\nContent-Type: text/plain\r\n\r\nAction: failed\r\nStatus: 5.1.1\r\n',
    ],
    ['nothing', ''],
  ])('is not %s', async (_name, mail) => {
    expect(await returnedMail(Buffer.from(mail))).toBeNull();
  });
});

describe('a mail server’s refusal', () => {
  const error = (code: string, responseCode?: number, response?: string) =>
    Object.assign(new Error('no'), { code, responseCode, response });
  it.each([
    [
      'of the receiver',
      error('EENVELOPE', 550, '550 5.1.1 no mailbox'),
      { status: '5.1.1', noSuchAddress: true },
    ],
    [
      'of the receiver, in no more words',
      error('EENVELOPE', 550, '550 no'),
      { status: '550', noSuchAddress: true },
    ],
    [
      'of a full mailbox',
      error('EENVELOPE', 552, '552 5.2.2 over quota'),
      { status: '5.2.2', noSuchAddress: false },
    ],
    ['for now', error('EENVELOPE', 450, '450 4.2.0 come back'), null],
    ['of the sender’s name and word', error('EAUTH', 535), null],
    ['of the mail', error('EMESSAGE', 554, '554 5.7.1 no'), null],
    ['that is none', new Error('no'), null],
  ])('%s', (_name, cause, said) => expect(refusedReceiver(cause)).toEqual(said));
});
