import type { runs } from '../table.mjs';

/** What the test command hands over: a cluster with the story loaded, and the built app. */
interface Given {
  readonly psql: string;
  /** Address of a database of the cluster; `%db%` stands for its name. */
  readonly databaseUrl: string;
  readonly storyState: string;
  readonly buildDir: string;
  readonly secret: string;
  readonly folder: string;
  /** Address of the process that hosts the simulated schools. */
  readonly schoolHost: string;
  readonly run: (typeof runs)[number];
  /** Seed of the delays of every answer, or null for none. */
  readonly delaySeed: number | null;
}

export function given(): Given {
  const text = process.env['CADRO_E2E'];
  if (!text) throw new Error('CADRO_E2E is not set: start the browser tests through npm test');
  return JSON.parse(text) as Given;
}
