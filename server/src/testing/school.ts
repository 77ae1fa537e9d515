import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { Type } from '@sinclair/typebox';
import { parse } from '@cadro/contract/parse';
import { SimulatedSchools } from '../main/demo/school';
import { programArgs } from './programs';

/** What the server shows at the gateway for texts. */
export const textKey = 'the gateway key of tests';

const Ports = Type.Object({ port: Type.Integer(), smtpPort: Type.Integer() });

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

/** The simulated schools as a process of their own, reached over their real protocols, at ports that are theirs alone. */
export async function startSchool(inbound: { url: string; key: string }): Promise<SchoolProcess> {
  const child = spawn(process.execPath, programArgs('school/src/main.ts', 'school/main.cjs'), {
    env: {
      ...process.env,
      SCHOOL_PORT: '0',
      SCHOOL_SMTP_PORT: '0',
      SCHOOL_INBOUND_MAIL_URL: inbound.url,
      SCHOOL_INBOUND_MAIL_KEY: inbound.key,
      SCHOOL_TEXT_KEY: textKey,
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  const ports = async () => {
    const [told] = await once(child, 'message', { signal: AbortSignal.timeout(100_000) });
    return parse('ports of the simulated schools', Ports, told);
  };
  const { port, smtpPort } = await ports().catch((error: unknown) => {
    child.kill('SIGKILL'); // one that never said where it is would outlive the run
    throw error;
  });
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
    stop: () => void child.kill('SIGTERM'),
  };
}
