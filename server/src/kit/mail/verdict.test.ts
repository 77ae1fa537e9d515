import { simpleParser } from 'mailparser';
import { isAutomatic, isOneAddress, senderVerdict } from '.';

const host = 'mx.cadro.example';
const from = 'w.thornwick@quay-schools.example';
const parsed = (...lines: readonly string[]) =>
  simpleParser(Buffer.from([...lines, `From: ${from}`, 'Subject: Re', '', 'Text'].join('\r\n')));
const results = (text: string, of = host) => `Authentication-Results: ${of}; ${text}`;

it.each<[string, readonly string[], string]>([
  ['nothing', [], 'none'],
  ['the domain’s own policy', [results('dmarc=pass header.from=quay-schools.example')], 'passed'],
  ['a signature of the domain', [results('dkim=pass header.d=quay-schools.example')], 'passed'],
  ['a signature of the domain above', [results('dkim=pass header.d=example')], 'passed'],
  ['its server', [results(`spf=pass smtp.mailfrom=bounce@quay-schools.example`)], 'passed'],
  [
    'comments and several methods',
    [results('spf=fail (no) smtp.mailfrom=x.example; dkim=pass (2048 bit) header.i=@quay-schools.example')],
    'passed',
  ],
  [
    'a folded field',
    ['Authentication-Results: mx.cadro.example 1;', ' dmarc=pass', ' header.from=quay-schools.example'],
    'passed',
  ],
  ['another domain’s signature', [results('dkim=pass header.d=elsewhere.example')], 'failed'],
  ['a domain that ends alike', [results('dkim=pass header.d=schools.example')], 'failed'],
  [
    'a policy that was broken',
    [results('dkim=pass header.d=quay-schools.example; dmarc=fail header.from=quay-schools.example')],
    'failed',
  ],
  ['no method at all', [results('none')], 'failed'],
  ['a pass of nobody', [results('dkim=pass')], 'failed'],
  [
    'the sender’s own words',
    [results('dmarc=pass header.from=quay-schools.example', 'mx.elsewhere.example')],
    'none',
  ],
  [
    'the sender’s own words below the provider’s',
    [
      results('dmarc=fail header.from=quay-schools.example'),
      results('dmarc=pass header.from=quay-schools.example'),
    ],
    'failed',
  ],
  [
    'a name that only begins alike',
    [results('dmarc=pass header.from=quay-schools.example', 'mx.cadro.example.evil.example')],
    'none',
  ],
])('a sender by %s', async (_name, lines, verdict) => {
  expect(senderVerdict(await parsed(...lines), host, from)).toBe(verdict);
});

it('says nothing where no provider is trusted', async () => {
  expect(
    senderVerdict(await parsed(results('dmarc=pass header.from=quay-schools.example')), null, from),
  ).toBe('none');
});

it.each<[string, boolean]>([
  ['Auto-Submitted: auto-replied', true],
  ['Auto-Submitted: auto-generated; owner=x', true],
  ['Auto-Submitted: no', false],
  ['X-Autoreply: yes', true],
  ['Precedence: auto_reply', true],
  ['Precedence: first-class', false],
  ['X-Mailer: hand', false],
])('%s is written by a program: %s', async (line, automatic) => {
  expect(isAutomatic(await parsed(line))).toBe(automatic);
});

it.each([
  [from, true],
  ['a@x, b@y', false],
  ['"a@x, b@y"', false],
  ['a@x\r\nBcc: b@y', false],
  ['Thornwick <a@x>', false],
  ['a@x;b@y', false],
  ['a@@x', false],
  ['nobody', false],
  [`${'a'.repeat(400)}@x`, false],
])('%j is one receiver: %s', (text, one) => expect(isOneAddress(text)).toBe(one));
