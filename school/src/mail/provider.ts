/** Where Cadro takes in what arrives at its addresses. */
export interface InboundMail {
  readonly url: string;
  readonly key: string;
}

/** The provider's name in what it says of a sender. */
const verdictHost = 'mx.mail.cadro.example';

/** What a provider puts above a mail it has taken in: here every sender's domain has signed for it. */
function withVerdict(mime: Buffer): Buffer {
  const domain = /^From:.*@([\w.-]+)/im.exec(mime.toString('latin1'))?.[1] ?? 'unknown';
  const field = `Authentication-Results: ${verdictHost}; dmarc=pass header.from=${domain}\r\n`;
  return Buffer.concat([Buffer.from(field), mime]);
}

/** Hands a mail on, as a mail provider does. @throws when it is not taken. */
export async function postMail({ url, key }: InboundMail, mime: Buffer): Promise<void> {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'message/rfc822', authorization: `Bearer ${key}` },
    body: new Uint8Array(withVerdict(mime)),
  });
  if (!answer.ok) throw new Error(`the inbound-mail address answered ${answer.status}`);
}
