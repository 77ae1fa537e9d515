import { createHmac } from 'node:crypto';
import {
  bookingScope,
  demographicsScope,
  feedScope,
  oneRosterScopes,
  type OneRosterVersion,
} from '@cadro/contract';
import type { Request, RequestHandler } from 'express';
import type { Manners } from './manners';
import { oneRosterError } from './oneRoster/errors';

const lifetimeSeconds = 3600;
const offeredBy = (version: OneRosterVersion, feed: boolean) =>
  new Set<string>([
    ...oneRosterScopes(version),
    demographicsScope(version),
    ...(feed ? [feedScope, bookingScope] : []),
  ]);

/** The schools are simulated, and so is the secrecy of their credentials: the demo's start reads them. */
export const clientOf = (school: string) => ({
  clientId: `cadro-${school}`,
  clientSecret: `sand-and-salt-${school}`,
});

/** @param number tells tokens for the same apart, where each is good for so many answers. */
const tokenFor = (school: string, scopes: readonly string[], number: number): string => {
  const body = Buffer.from(JSON.stringify({ school, scopes, number })).toString('base64url');
  return `${body}.${createHmac('sha256', clientOf(school).clientSecret).update(body).digest('base64url')}`;
};

function scopesOf(school: string, token: string): readonly string[] | null {
  const [body = ''] = token.split('.');
  try {
    const claims = JSON.parse(Buffer.from(body, 'base64url').toString()) as {
      school: string;
      scopes: string[];
      number: number;
    };
    return claims.school === school && tokenFor(school, claims.scopes, claims.number) === token
      ? claims.scopes
      : null;
  } catch {
    return null;
  }
}

function basicCredentials(request: Request): string {
  const [kind, value = ''] = (request.get('authorization') ?? '').split(' ');
  return kind === 'Basic' ? Buffer.from(value, 'base64').toString() : '';
}

/** RFC 6749, client credentials: the credentials in a Basic header, the scopes in a form. */
let tokens = 0;
export const tokenEndpoint =
  (school: string, manners: Manners): RequestHandler =>
  (request, response) => {
    const { version = '1.2', feed = true, tokenAnswers } = manners.of(school);
    const offered = offeredBy(version, feed);
    const { clientId, clientSecret } = clientOf(school);
    const form = request.body as Record<string, string | undefined>; // express.urlencoded has read it
    if (basicCredentials(request) !== `${clientId}:${clientSecret}`) {
      return void response.status(401).json({ error: 'invalid_client' });
    }
    if (form['grant_type'] !== 'client_credentials') {
      return void response.status(400).json({ error: 'unsupported_grant_type' });
    }
    const scopes = (form['scope'] ?? '').split(' ').filter((scope) => offered.has(scope));
    if (scopes.length === 0) return void response.status(400).json({ error: 'invalid_scope' });
    response.json({
      access_token: tokenFor(school, scopes, tokenAnswers === undefined ? 0 : (tokens += 1)),
      token_type: 'bearer',
      expires_in: lifetimeSeconds,
      scope: scopes.join(' '),
    });
  };

/** Lets through who has a token of this school with the scope. */
export const requireScope =
  (school: string, scope: string, manners: Manners): RequestHandler =>
  (request, response, next) => {
    const token = (request.get('authorization') ?? '').replace(/^Bearer /, '');
    const scopes = scopesOf(school, token);
    if (!scopes || !manners.isGood(school, token))
      return void response.status(401).json(oneRosterError('unauthorisedrequest', 'no valid token'));
    if (!scopes.includes(scope))
      return void response.status(403).json(oneRosterError('forbidden', 'the token lacks the scope'));
    next();
  };
