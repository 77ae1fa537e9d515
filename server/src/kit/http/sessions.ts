import connectPgSimple from 'connect-pg-simple';
import type { Request, RequestHandler } from 'express';
import session, { type SessionData } from 'express-session';
import type { Pool } from 'pg';
import type { Config } from '../config';
import { systemClock } from '../db';

declare module 'express-session' {
  interface SessionData {
    /** Who is signed in; nobody before the last step. */
    guardianId: string;
    /** Which operator is signed in, and nobody else with them. */
    operatorId: string;
    /** When, in milliseconds. Sessions live by the clock of the wall, whatever day the demo has. */
    since: number;
    /** Whether one asked to be kept signed in on this device. */
    kept: boolean;
    /** The program and system it was begun from, in its own words. */
    device: string;
    /** The password was right, and a second step is owed until then. */
    half: { guardianId: string; kept: boolean; until: number };
    /** What a passkey has to sign, for whom (nobody: whoever has one), and until when. */
    challenge: { text: string; guardianId: string | null; until: number };
  }
}

const hourMs = 3_600_000;
/** An operator's working day. */
const operatorHours = 10;
export const sessionCookie = 'cadro.session';

/** That a session is in use is put down once in so long, and not with each request: it lasts for hours. */
const usedAgainMs = 5 * 60_000;
const mostRemembered = 20_000;

/** Keeps sessions, and remembers of each of this process when it was last put down as used. */
class SessionStore extends connectPgSimple(session) {
  private readonly used = new Map<string, number>();

  override touch(id: string, data: SessionData, done?: () => void): void {
    const now = performance.now();
    if (now - (this.used.get(id) ?? -Infinity) < usedAgainMs) return done?.();
    // What was used last stands last.
    this.used.delete(id);
    this.used.set(id, now);
    const [oldest] = this.used.keys();
    if (oldest !== undefined && this.used.size > mostRemembered) this.used.delete(oldest);
    super.touch(id, data, done);
  }
}

/**
 * Reads and keeps sessions in PostgreSQL, so that every process knows them and one that is deleted is over with the
 * next request. One that lies unused for its hours has run out; one that is kept lasts its days and no longer.
 */
export function sessions(config: Config, pool: Pool): RequestHandler[] {
  const idleSeconds = config.sessions.idleHours * 3600;
  const read = session({
    name: sessionCookie,
    secret: config.secret,
    resave: false,
    saveUninitialized: false,
    // A cookie is given where one signs in, and lasts as long as it was given for: what is answered late sets none.
    rolling: false,
    // A proxy's word on the protocol opens nothing: it only lets the cookie of an https site be set.
    proxy: true,
    store: new SessionStore({ pool, tableName: 'sessions', pruneSessionInterval: 3600, ttl: idleSeconds }),
    cookie: { httpOnly: true, sameSite: 'lax', secure: config.publicUrl.startsWith('https:') },
  });
  const atMost: RequestHandler = async (request, _response, next) => {
    const { since = 0, guardianId, operatorId } = request.session;
    const age = (await systemClock.now()).getTime() - since;
    const most = operatorId ? operatorHours : config.sessions.keptDays * 24;
    if ((guardianId ?? operatorId) && age > most * hourMs) await newSession(request);
    next();
  };
  return [read, atMost];
}

const done = (run: (callback: (error: unknown) => void) => void): Promise<void> =>
  new Promise((resolve, reject) =>
    // The store's errors are Errors; whatever they are, they are handed on.
    run((error) => (error ? reject(error as Error) : resolve())),
  );

/** A new session under a new id; nothing of the old one is carried over. */
export const newSession = (request: Request): Promise<void> =>
  done((callback) => request.session.regenerate(callback));

/** The same session under a new id: whoever knew the old one is left behind when rights rise. */
export async function renewSession(request: Request): Promise<void> {
  const { cookie, ...kept } = request.session;
  const { originalMaxAge } = cookie;
  await newSession(request);
  Object.assign(request.session, kept);
  if (originalMaxAge !== null) request.session.cookie.maxAge = originalMaxAge;
}

/** Signs a person in: a new id, and the times by which it ends. */
export async function beginSession(
  request: Request,
  { guardianId, kept, device }: { guardianId: string; kept: boolean; device: string },
  { sessions: { keptDays } }: Config,
): Promise<void> {
  await newSession(request);
  const since = (await systemClock.now()).getTime();
  Object.assign(request.session, { guardianId, kept, device, since });
  if (kept) request.session.cookie.maxAge = keptDays * 24 * hourMs;
}

/** Signs an operator in: a new id, of which nobody else is signed in. */
export async function beginOperatorSession(request: Request, operatorId: string): Promise<void> {
  await newSession(request);
  Object.assign(request.session, { operatorId, since: (await systemClock.now()).getTime() });
}

export const endSession = (request: Request): Promise<void> =>
  done((callback) => request.session.destroy(callback));
