import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { Type, type Static } from '@sinclair/typebox';
import { parse } from '@cadro/contract/parse';
import { SimulatedSchools } from '../main/demo/school';
import { programArgs } from './programs';

/** What the server shows at the gateway for texts. */
export const textKey = 'the gateway key of tests';

const Told = Type.Object({ nth: Type.Integer(), port: Type.Integer(), smtpPort: Type.Integer() });
type Ports = Static<typeof Told>;

export interface SchoolProcess {
  readonly url: string;
  readonly smtpUrl: string;
  readonly controls: SimulatedSchools;
  fail(
    faults: readonly { school: string; collection: string; kind: string; afterPages?: number }[],
  ): Promise<void>;
  /** How the schools keep to the standard from now on; one that is not named keeps to all of it. */
  behave(
    manners: readonly ({ readonly school: string } & Readonly<Record<string, unknown>>)[],
  ): Promise<void>;
  stop(): void;
}

/** One process serves all the worlds of a worker, one after the other: to start one takes longer than many a test. */
let host: ChildProcess | null = null;
let nth = 0;
const waiting = new Map<number, (ports: Ports) => void>();

function theHost(): ChildProcess {
  if (host?.connected) return host;
  const child = spawn(process.execPath, programArgs('school/src/main.ts', 'school/main.cjs'), {
    env: { ...process.env, SCHOOL_TEXT_KEY: textKey },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  child.on('message', (said) => {
    const told = parse('ports of the simulated schools', Told, said);
    waiting.get(told.nth)?.(told);
    waiting.delete(told.nth);
  });
  // It ends with the worker, and keeps it from ending no longer than anything else does.
  child.unref();
  child.channel?.unref();
  host = child;
  return child;
}

const mostOpeningMs = 100_000;
async function openedFor(inbound: { url: string; key: string }, own: number): Promise<Ports> {
  const opened = new Promise<Ports>((done) => waiting.set(own, done));
  theHost().send({ nth: own, open: inbound });
  const late = AbortSignal.timeout(mostOpeningMs);
  return Promise.race([
    opened,
    once(late, 'abort').then(() => {
      throw new Error('the simulated schools do not say where they are');
    }),
  ]);
}

/** The simulated schools, as on the first day, reached over their real protocols at ports that are theirs alone. */
export async function startSchool(inbound: { url: string; key: string }): Promise<SchoolProcess> {
  nth += 1;
  const own = nth;
  const { port, smtpPort } = await openedFor(inbound, own);
  const url = `http://127.0.0.1:${port}`;
  const put = async (what: string, list: readonly object[]) =>
    void (await fetch(`${url}/demo/${what}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ [what]: list }),
    }));
  return {
    url,
    smtpUrl: `smtp://127.0.0.1:${smtpPort}`,
    controls: new SimulatedSchools(url),
    fail: (faults) => put('faults', faults),
    behave: (manners) => put('manners', manners),
    stop: () => void (host?.connected && host.send({ nth: own, close: true })),
  };
}
