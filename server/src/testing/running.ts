import { spawn, type ChildProcess } from 'node:child_process';
import { householdRoutes } from '@cadro/contract';
import { programArgs } from './programs';
import { password, sessionCookieOf, type World } from './world';

/** A server in a process of its own. */
export interface Running {
  readonly process: ChildProcess;
  readonly url: string;
  readonly ended: Promise<{ code: number | null }>;
}

/** The server of a world as it is started, at a port of the system's choice. @param options for its Node. */
export async function startServer({ config }: World, options: readonly string[] = []): Promise<Running> {
  const args = [...options, ...programArgs('server/src/main/server.ts', 'server/server.cjs')];
  const child = spawn(process.execPath, args, {
    env: {
      ...process.env,
      // As it runs for families: answers are checked against their schemas in the tests' own process.
      NODE_ENV: 'production',
      DATABASE_URL: config.databaseUrl,
      CADRO_SECRET: config.secret,
      CADRO_PORT: '0',
      CADRO_LOG_LEVEL: 'info',
      SMTP_URL: config.smtpUrl,
      CADRO_INBOUND_MAIL_KEY: config.inboundMailKey,
      CADRO_PUBLIC_URL: config.publicUrl,
      CADRO_DEMO_SCHOOL_URL: config.demoSchoolUrl ?? '',
      CADRO_MAIL_DOMAIN: config.mailDomain,
    },
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  });
  const port = await new Promise<string>((done, fail) => {
    let said = '';
    child.stdout?.on('data', (bytes: Buffer) => {
      said += bytes.toString();
      const [, found] = /"port":(\d+)[^\n]*"listening"/.exec(said) ?? [];
      if (found) done(found);
    });
    child.once('exit', () => fail(new Error(`it ended: ${said}`)));
  });
  const ended = new Promise<{ code: number | null }>((done) => {
    child.once('exit', (code) => done({ code }));
  });
  return { process: child, url: `http://127.0.0.1:${port}`, ended };
}

/** Signs in, as any program does. @returns the cookie. */
export async function cookieAt(url: string, name = 'maren'): Promise<string> {
  const answer = await fetch(`${url}${householdRoutes.signIn.path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ email: `${name}@test.example`, password }),
  });
  if (answer.status !== 200) throw new Error(`${name} could not sign in: ${answer.status}`);
  return sessionCookieOf({ headers: { 'set-cookie': answer.headers.get('set-cookie') } });
}
