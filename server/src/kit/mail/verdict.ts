import type { ParsedMail } from 'mailparser';

/** What the provider that took a mail in says of its sender. */
export type Verdict = 'passed' | 'failed' | 'none';

/** One result of RFC 8601: a method, what came of it, and of which domain. */
interface Result {
  readonly method: string;
  readonly result: string;
  readonly domain: string;
}

const withoutComments = (text: string): string => text.replace(/\([^()]*\)/g, ' ');
const domainOf = (text: string): string => (text.split('@').pop() ?? '').toLowerCase().replace(/\.$/, '');

/** The header that names the domain a method was about. */
const properties: Readonly<Record<string, RegExp>> = {
  dmarc: /\bheader\.from=("?)([^\s;"]+)\1/i,
  dkim: /\bheader\.(?:d|i)=("?)([^\s;"]+)\1/i,
  spf: /\bsmtp\.(?:mailfrom|helo)=("?)([^\s;"]+)\1/i,
};

function resultsOf(field: string): Result[] {
  return withoutComments(field)
    .split(';')
    .slice(1)
    .flatMap((part) => {
      const [, method = '', result = ''] =
        /^\s*(dmarc|dkim|spf)\s*(?:\/\d+)?\s*=\s*([a-z]+)/i.exec(part) ?? [];
      if (method === '') return [];
      const named = properties[method.toLowerCase()]?.exec(part)?.[2] ?? '';
      return [{ method: method.toLowerCase(), result: result.toLowerCase(), domain: domainOf(named) }];
    });
}

/** Whether one domain speaks for another: the same, or the one above it. */
const speaksFor = (domain: string, of: string): boolean =>
  domain !== '' && (of === domain || of.endsWith(`.${domain}`));

/**
 * What the trusted provider found out about the sender of a mail (Authentication-Results, RFC 8601). Fields of any other
 * host are the sender's own words; of several of the trusted one the first was added last.
 * @param trustedHost the provider's name in the field; null where none is known: nothing can be said then.
 * @param from the address the mail says it is from.
 */
export function senderVerdict(mail: ParsedMail, trustedHost: string | null, from: string): Verdict {
  if (trustedHost === null) return 'none';
  const fields = mail.headerLines
    .filter(({ key }) => key === 'authentication-results')
    .map(({ line }) =>
      line
        .slice(line.indexOf(':') + 1)
        .replace(/\r?\n/g, ' ')
        .trim(),
    )
    .filter(
      (field) => withoutComments(field).trim().split(/[\s;]/)[0]?.toLowerCase() === trustedHost.toLowerCase(),
    );
  const [field] = fields;
  if (field === undefined) return 'none';
  const results = resultsOf(field);
  const of = domainOf(from);
  if (results.some(({ method, result }) => method === 'dmarc' && result === 'fail')) return 'failed';
  const passed = results.some(({ result, domain }) => result === 'pass' && speaksFor(domain, of));
  return passed ? 'passed' : 'failed';
}

/** Whether a program wrote a mail by itself (RFC 3834): away until Monday, thank you for your message. */
export function isAutomatic(mail: ParsedMail): boolean {
  const text = (name: string): string => {
    const value = mail.headers.get(name);
    return typeof value === 'string' ? value.trim().toLowerCase() : '';
  };
  const submitted = text('auto-submitted').split(/[\s;]/)[0] ?? '';
  return (
    (submitted !== '' && submitted !== 'no') ||
    ['x-autoreply', 'x-autorespond', 'x-autoreply-from', 'x-mail-autoreply'].some(
      (name) => text(name) !== '',
    ) ||
    /^(bulk|junk|auto_reply)$/.test(text('precedence'))
  );
}

/** An address that is one receiver and nothing else: what holds a comma, a quote or a line break becomes others. */
export const isOneAddress = (text: string): boolean =>
  text.length <= 320 && /^[^\s"(),:;<>@[\\\]]+@[^\s"(),:;<>@[\\\]]+$/.test(text);
