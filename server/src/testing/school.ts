import { parse } from '@cadro/contract/parse';
import { Type } from '@sinclair/typebox';
import { SimulatedSchools } from '../main/demo/school';

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
  stop(): Promise<void>;
}

/** The process that hosts the simulated schools of every test; the test command starts it. */
function hostUrl(): string {
  const url = process.env['SCHOOL_HOST_URL'];
  if (!url) throw new Error('SCHOOL_HOST_URL is not set: start the server tests through npm test');
  return url;
}

/** The simulated schools, as on the first day, reached over their real protocols at ports that are theirs alone. */
export async function startSchool(inbound: { url: string; key: string }): Promise<SchoolProcess> {
  const answer = await fetch(`${hostUrl()}/places`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ inbound, textKey, stateFile: null }),
  });
  if (answer.status !== 201) throw new Error(`no schools: ${answer.status} ${await answer.text()}`);
  const { port, smtpPort } = parse('ports of the simulated schools', Ports, await answer.json());
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
    stop: async () => void (await fetch(`${hostUrl()}/places/${port}`, { method: 'DELETE' })),
  };
}
