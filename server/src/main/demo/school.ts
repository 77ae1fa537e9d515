import { parse } from '@cadro/contract/parse';
import { Type } from '@sinclair/typebox';

const Story = Type.Object({
  /** First day that Cadro reads, and the day the demo opens on. */
  readsFrom: Type.String({ format: 'date-time' }),
  opensAt: Type.String({ format: 'date-time' }),
  sources: Type.Array(
    Type.Object({
      name: Type.String(),
      baseUrl: Type.String(),
      clientId: Type.String(),
      clientSecret: Type.String(),
    }),
  ),
});

/** The simulated schools' own controls; only the demo has them. */
export class SimulatedSchools {
  constructor(private readonly url: string) {}

  async story() {
    const answer = await fetch(`${this.url}/demo/story`);
    return parse('story of the simulated schools', Story, await answer.json());
  }

  /** Time passes at the schools: work is marked, teachers answer their mail. */
  async moveTo(now: Date): Promise<void> {
    const answer = await fetch(`${this.url}/demo/clock`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ now: now.toISOString() }),
    });
    if (!answer.ok) throw new Error(`the simulated schools refused to move to ${now.toISOString()}`);
  }
}
