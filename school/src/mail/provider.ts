/** Where Cadro takes in what arrives at its addresses. */
export interface InboundMail {
  readonly url: string;
  readonly key: string;
}

/** Hands a mail on, as a mail provider does. @throws when it is not taken. */
export async function postMail({ url, key }: InboundMail, mime: Buffer): Promise<void> {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'message/rfc822', authorization: `Bearer ${key}` },
    body: new Uint8Array(mime),
  });
  if (!answer.ok) throw new Error(`the inbound-mail address answered ${answer.status}`);
}
