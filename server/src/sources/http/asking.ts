import { Agent, request, type Dispatcher } from 'undici';
import { SourceError } from '../errors';
import { checkAddress, publicLookup } from './addresses';
import { readBody } from './body';
import { Budget, usualLimits } from './budget';

export type Answer = Dispatcher.ResponseData;
export type Ask = Pick<Dispatcher.RequestOptions, 'method' | 'headers' | 'body'>;

/** How somebody else's address is asked. */
export interface Asking {
  /** For one answer; who takes longer counts as down. */
  readonly timeoutMs: number;
  /** Whether addresses of this machine and its network may be asked. */
  readonly allowPrivate: boolean;
}

const mostRedirects = 3;
const agents = { open: new Agent({ connect: { lookup: publicLookup } }), any: new Agent() };

export const headerOf = (answer: Answer, name: string): string => {
  const value = answer.headers[name];
  return (Array.isArray(value) ? value.join(', ') : value) ?? '';
};

/** Follows redirects within the same origin alone, so that neither credentials nor requests go astray. */
export async function askSafely(url: URL, ask: Ask, how: Asking, redirects = 0): Promise<Answer> {
  const { timeoutMs, allowPrivate } = how;
  checkAddress(url, allowPrivate);
  const answer = await request(url.href, {
    ...ask,
    dispatcher: allowPrivate ? agents.any : agents.open,
    signal: AbortSignal.timeout(timeoutMs),
  }).catch((cause: unknown) => {
    if (cause instanceof SourceError) throw cause;
    throw new SourceError('source-down', `${url.pathname} cannot be reached`, true, { cause });
  });
  const to = headerOf(answer, 'location');
  const moved = [301, 302, 303, 307, 308].includes(answer.statusCode) && to !== '';
  if (!moved) return answer;
  await drop(answer);
  const next = URL.canParse(to, url.href) ? new URL(to, url) : null;
  if (next?.origin !== url.origin || redirects >= mostRedirects || ask.method !== 'GET') {
    throw new SourceError('source-elsewhere', `${url.pathname} sends its readers elsewhere`, false);
  }
  return askSafely(next, ask, how, redirects + 1);
}

/** What is not read: its beginning is let through, so that the line can be used again; a long one ends with the line. */
export const drop = (answer: Answer): Promise<void> =>
  answer.body.dump({ limit: 64 * 1024 }).catch(() => undefined);

export async function refuseFailures(answer: Answer, url: URL): Promise<void> {
  const { statusCode: status } = answer;
  if (status >= 200 && status < 300) return;
  await drop(answer);
  const refused = status >= 400 && status < 500 && status !== 429 && status !== 408;
  throw new SourceError(
    refused ? 'source-refuses' : 'source-down',
    `${url.pathname} answered ${status}`,
    !refused,
    { status },
  );
}

/** A calendar of a school's whole year is a tenth of this. */
const mostTextBytes = 5_000_000;

/**
 * The text at an address that somebody has given.
 * @throws SourceError why it cannot be had: elsewhere, refused, down, too much.
 */
export async function fetchText(url: URL, how: Asking): Promise<string> {
  const limits = { ...usualLimits, answerBytes: mostTextBytes, bytes: mostTextBytes, ms: how.timeoutMs * 4 };
  const budget = new Budget(limits, () => performance.now());
  const answer = await askSafely(url, { method: 'GET', headers: { 'accept-encoding': 'gzip, br' } }, how);
  await refuseFailures(answer, url);
  const encoding = headerOf(answer, 'content-encoding');
  return readBody(answer.body, { encoding, where: url.pathname, budget });
}
