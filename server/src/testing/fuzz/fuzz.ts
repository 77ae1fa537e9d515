import { Agent, request } from 'node:http';
import { Draws } from './draws';
import { drawn, type Document, type Drawn } from './requests';
import type { Known } from './values';

export interface Finding {
  /** Which of the seed's requests it was, from 0. */
  readonly index: number;
  readonly asked: string;
  readonly what: string;
}
export interface Fuzzed {
  readonly requests: number;
  readonly byStatus: Readonly<Record<string, number>>;
  readonly findings: readonly Finding[];
}

interface Answer {
  readonly status: number;
  readonly type: string;
  readonly text: string;
}

const hangMs = 30_000;
/** What a school or a network cannot give is nobody's fault here. */
const excused = /"code":"(source-unreachable)"/;

function answerTo(
  url: URL,
  agent: Agent,
  cookie: string,
  { method, path, headers, body }: Drawn,
): Promise<Answer> {
  return new Promise((done, fail) => {
    const options = {
      ...{ host: url.hostname, port: url.port, method: method.toUpperCase(), path, agent, timeout: hangMs },
      headers: { ...headers, cookie, ...(body ? { 'content-length': body.length } : {}) },
    };
    const asking = request(options, (response) => {
      const type = String(response.headers['content-type'] ?? '');
      const status = response.statusCode ?? 0;
      let text = '';
      response.setEncoding('utf8');
      response.on('data', (some: string) => (text = (text + some).slice(0, 2_000)));
      response.on('end', () => done({ status, type, text }));
      response.on('error', fail);
    });
    asking.on('timeout', () => asking.destroy(new Error('no answer in time')));
    asking.on('error', fail);
    asking.end(body ?? undefined);
  });
}

/** What is wrong with an answer; null: nothing. */
function faultOf({ status, type, text }: Answer): string | null {
  if (status >= 500 && !excused.test(text)) return `${status}: ${text.slice(0, 300)}`;
  if (status >= 400 && !(type.startsWith('application/problem+json') && /"code":"/.test(text)))
    return `${status} without a name: ${text.slice(0, 300)}`;
  return null;
}

/** Cookies of who asks. */
export interface Callers {
  readonly people: readonly string[];
  readonly operator: string;
}

/** Mostly somebody who may ask for it at all. */
function cookieFor({ pattern }: Drawn, { people, operator }: Callers, draws: Draws): string {
  if (draws.chance(0.1)) return '';
  const operators = pattern.startsWith('/api/operator');
  return operators === draws.chance(0.95) ? operator : draws.of(people);
}

/** The same for the same seed. */
export async function fuzz(
  baseUrl: string,
  {
    seed,
    requests,
    known,
    callers,
  }: { seed: number; requests: number; known: Known; callers: () => Promise<Callers> },
): Promise<Fuzzed> {
  const url = new URL(baseUrl);
  const document = (await (await fetch(`${baseUrl}/api/openapi.json`)).json()) as Document;
  const draws = new Draws(seed);
  const source = drawn(document, known, draws);
  const byStatus: Record<string, number> = {};
  const findings: Finding[] = [];
  const agent = new Agent({ keepAlive: true, maxSockets: 4 });
  let signedIn: Callers = { people: [''], operator: '' };
  const one = async (index: number): Promise<void> => {
    const ask = source.next().value;
    const cookie = cookieFor(ask, signedIn, draws);
    const asked = `${ask.method} ${ask.path.slice(0, 200)} ${ask.body?.toString().slice(0, 300) ?? ''} ${JSON.stringify(ask.headers)}`;
    try {
      const answer = await answerTo(url, agent, cookie, ask);
      byStatus[answer.status] = (byStatus[answer.status] ?? 0) + 1;
      const what = faultOf(answer);
      if (what !== null) findings.push({ index, asked, what });
    } catch (error) {
      findings.push({ index, asked, what: `no answer: ${String(error)}` });
    }
  };
  const atOnce = 4;
  for (let index = 0; index < requests; index += atOnce) {
    // Whoever was signed out by what they drew signs in again.
    if (index % 200 === 0) signedIn = await callers();
    await Promise.all(
      Array.from({ length: Math.min(atOnce, requests - index) }, (_none, at) => one(index + at)),
    );
  }
  agent.destroy();
  return { requests, byStatus, findings };
}
