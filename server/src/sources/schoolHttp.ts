import { TokenAnswer } from '@cadro/contract';
import { parse } from '@cadro/contract/parse';
import { SourceError } from './errors';

export interface SchoolAccess {
  readonly baseUrl: string;
  readonly clientId: string;
  readonly clientSecret: string;
  readonly scopes: readonly string[];
  /** For one answer; who takes longer counts as down. */
  readonly timeoutMs: number;
}

/** One school's door: OAuth 2 client credentials, then JSON with the token; a stale token is renewed once. */
export class SchoolHttp {
  private token: string | null = null;

  constructor(private readonly access: SchoolAccess) {}

  /** @returns the body and the total count of the collection, null where the school does not say it. */
  async getJson(
    path: string,
    query: Record<string, string>,
  ): Promise<{ body: unknown; total: number | null }> {
    const url = new URL(this.access.baseUrl + path);
    for (const [name, value] of Object.entries(query)) url.searchParams.set(name, value);
    let answer = await this.authorised(url);
    if (answer.status === 401) {
      this.token = null;
      answer = await this.authorised(url);
    }
    await refuseFailures(answer, url);
    const count = answer.headers.get('x-total-count');
    return { body: await readJson(answer, url), total: count === null ? null : Number(count) };
  }

  private async authorised(url: URL): Promise<Response> {
    this.token ??= await this.fetchToken();
    return this.send(url, { headers: { authorization: `Bearer ${this.token}`, accept: 'application/json' } });
  }

  private async fetchToken(): Promise<string> {
    const { baseUrl, clientId, clientSecret, scopes } = this.access;
    const url = new URL(`${baseUrl}/token`);
    const answer = await this.send(url, {
      method: 'POST',
      headers: { authorization: `Basic ${Buffer.from(`${clientId}:${clientSecret}`).toString('base64')}` },
      body: new URLSearchParams({ grant_type: 'client_credentials', scope: scopes.join(' ') }),
    });
    await refuseFailures(answer, url);
    const body = await readJson(answer, url);
    try {
      return parse('token answer', TokenAnswer, body).access_token;
    } catch (cause) {
      throw new SourceError('source-nonsense', 'the token answer is not one', true, { cause });
    }
  }

  private async send(url: URL, init: RequestInit): Promise<Response> {
    try {
      return await fetch(url, { ...init, signal: AbortSignal.timeout(this.access.timeoutMs) });
    } catch (cause) {
      throw new SourceError('source-down', `${url.pathname} cannot be reached`, true, { cause });
    }
  }
}

async function refuseFailures(answer: Response, url: URL): Promise<void> {
  if (answer.ok) return;
  await answer.body?.cancel();
  const refused = answer.status >= 400 && answer.status < 500 && answer.status !== 429;
  throw new SourceError(
    refused ? 'source-refuses' : 'source-down',
    `${url.pathname} answered ${answer.status}`,
    !refused,
  );
}

async function readJson(answer: Response, url: URL): Promise<unknown> {
  const text = await answer.text().catch((cause: unknown) => {
    throw new SourceError('source-down', `${url.pathname} broke off its answer`, true, { cause });
  });
  try {
    return JSON.parse(text);
  } catch (cause) {
    throw new SourceError('source-nonsense', `${url.pathname} did not answer JSON`, true, { cause });
  }
}
