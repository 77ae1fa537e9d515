import MimeNode from 'nodemailer/lib/mime-node';

/** Mailboxes of which the provider finds out only later that nothing can be brought to them, and what it says then. */
const statuses: Readonly<Record<string, string>> = { gone: '5.1.1', full: '5.2.2' };

/** RFC 3463's status for a mail that will come back from an address; null for one that will not. */
export const comesBack = (address: string): string | null => statuses[address.split('@')[0] ?? ''] ?? null;

/** The report of RFC 3464 that goes to the sender of the envelope. */
export function deliveryReport(failed: {
  readonly envelopeFrom: string;
  readonly to: string;
  readonly status: string;
  readonly messageId: string;
}): Promise<Buffer> {
  const { envelopeFrom, to, status, messageId } = failed;
  const report = new MimeNode('multipart/report; report-type=delivery-status');
  report.setHeader({
    from: `Mail Delivery System <postmaster@${to.split('@')[1] ?? ''}>`,
    to: envelopeFrom,
    subject: 'Undelivered mail returned to sender',
    'auto-submitted': 'auto-replied',
  });
  report.createChild('text/plain').setContent(`Your mail could not be brought to ${to}.\n`);
  report
    .createChild('message/delivery-status')
    .setContent(
      [
        'Reporting-MTA: dns; mail.aldervane.example',
        '',
        `Final-Recipient: rfc822; ${to}`,
        'Action: failed',
        `Status: ${status}`,
        `Diagnostic-Code: smtp; 550 ${status}`,
        '',
      ].join('\r\n'),
    );
  report.createChild('text/rfc822-headers').setContent(`Message-ID: ${messageId}\r\nTo: ${to}\r\n`);
  return report.build();
}
