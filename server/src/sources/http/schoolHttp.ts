import { TokenAnswer } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { SourceError } from '../errors';
import { askSafely, drop, headerOf, refuseFailures, type Answer, type Ask } from './asking';
import { readBody } from './body';
import type { Budget } from './budget';

export interface SchoolAccess {
  readonly baseUrl: string;
  readonly clientId: string;
  readonly clientSecret: string;
  readonly scopes: readonly string[];
  /** Whether a door that knows none of the scopes is asked for whatever it gives. */
  readonly anyScope: boolean;
  /** For one answer; who takes longer counts as down. */
  readonly timeoutMs: number;
  /** Whether addresses of this machine and its network may be asked. */
  readonly allowPrivate: boolean;
  readonly budget: Budget;
}

/** One answer of a list: its body, and what it says of what is still to come. */
export interface Listed {
  readonly body: unknown;
  /** How many there are in all; null where the school does not say it. */
  readonly total: number | null;
  /** Whether another page follows; null where the school does not say it. */
  readonly more: boolean | null;
}

type TokenAsk = Pick<Ask, 'method' | 'body'> & { readonly headers: Readonly<Record<string, string>> };

/** One school's door: OAuth 2 client credentials, then JSON with the token; a stale token is renewed once. */
export class SchoolHttp {
  private token: string | null = null;

  constructor(private readonly access: SchoolAccess) {}

  async getJson(path: string, query: Record<string, string>): Promise<Listed> {
    const url = new URL(this.access.baseUrl + path);
    for (const [name, value] of Object.entries(query)) url.searchParams.set(name, value);
    const answer = await this.withToken(url, {
      method: 'GET',
      headers: { 'accept-encoding': 'gzip, br' },
    });
    await refuseFailures(answer, url);
    const count = headerOf(answer, 'x-total-count');
    const links = headerOf(answer, 'link');
    return {
      body: await this.readJson(answer, url),
      total: /^\d+$/.test(count) ? Number(count) : null,
      more: links === '' ? null : /rel\s*=\s*"?next\b/i.test(links),
    };
  }

  /**
   * Tells the school something.
   * @returns the status it answers where that is one of those expected.
   * @throws SourceError for any other.
   */
  async tell(method: 'POST' | 'DELETE', path: string, body: object, expected: readonly number[]) {
    const url = new URL(this.access.baseUrl + path);
    const answer = await this.withToken(url, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (!expected.includes(answer.statusCode)) await refuseFailures(answer, url);
    await drop(answer);
    return answer.statusCode;
  }

  /** Asks with the token; once more with a new one where it is stale. */
  private async withToken(url: URL, ask: TokenAsk): Promise<Answer> {
    const answer = await this.authorised(url, ask);
    if (answer.statusCode !== 401) return answer;
    await drop(answer);
    this.token = null;
    return this.authorised(url, ask);
  }

  private async authorised(url: URL, { headers, ...ask }: TokenAsk): Promise<Answer> {
    this.token ??= await this.fetchToken();
    const own = { authorization: `Bearer ${this.token}`, accept: 'application/json' };
    return this.send(url, { ...ask, headers: { ...own, ...headers } });
  }

  private async fetchToken(): Promise<string> {
    const { scopes, anyScope } = this.access;
    const answer = await this.askToken(scopes);
    const knowsNone = anyScope && scopes.length > 0 && answer.statusCode === 400;
    if (!knowsNone) return this.readToken(answer);
    await drop(answer);
    return this.readToken(await this.askToken([]));
  }

  private get tokenUrl(): URL {
    return new URL(`${this.access.baseUrl}/token`);
  }

  private askToken(scopes: readonly string[]): Promise<Answer> {
    const { clientId, clientSecret } = this.access;
    const form = {
      grant_type: 'client_credentials',
      ...(scopes.length > 0 ? { scope: scopes.join(' ') } : {}),
    };
    return this.send(this.tokenUrl, {
      method: 'POST',
      headers: {
        authorization: `Basic ${Buffer.from(`${clientId}:${clientSecret}`).toString('base64')}`,
        'content-type': 'application/x-www-form-urlencoded',
        accept: 'application/json',
      },
      body: new URLSearchParams(form).toString(),
    });
  }

  private async readToken(answer: Answer): Promise<string> {
    await refuseFailures(answer, this.tokenUrl);
    const body = await this.readJson(answer, this.tokenUrl);
    try {
      return parse('token answer', TokenAnswer, body).access_token;
    } catch (cause) {
      throw new SourceError('source-nonsense', 'the token answer is not one', true, { cause });
    }
  }

  private send(url: URL, ask: Ask): Promise<Answer> {
    return askSafely(url, ask, this.access);
  }

  private async readJson(answer: Answer, url: URL): Promise<unknown> {
    const encoding = headerOf(answer, 'content-encoding');
    const where = url.pathname;
    const text = await readBody(answer.body, { encoding, where, budget: this.access.budget });
    try {
      return JSON.parse(text);
    } catch (cause) {
      throw new SourceError('source-nonsense', `${where} did not answer JSON`, true, { cause });
    }
  }
}
