import type { Told } from '../translation';
import { answerOf, type Answer } from './answers';
import { openBundle, type Batch, type From, type OpenBundle } from './readBundle';
import type { RolesOfPerson } from './joined';

/** What is known of a bundle before any of its rows is read. */
export type Opened = Pick<OpenBundle, 'faults' | 'modes' | 'namesPeople'>;

/* One bundle in a thread of its own, which is asked for one piece after the other. */
let bundle: OpenBundle | null = null;
let batches: AsyncGenerator<Batch> | null = null;

const opened = (): OpenBundle => {
  if (!bundle) throw new Error('no bundle is open in this thread');
  return bundle;
};

async function openIt(path: string, told: Told): Promise<Opened> {
  bundle = await openBundle(path, told);
  const { faults, modes, namesPeople } = bundle;
  return { faults, modes, namesPeople };
}

/** What a thread is first asked. */
export const open = ({
  path,
  told,
}: {
  readonly path: string;
  readonly told: Told;
}): Promise<Answer<Opened>> => answerOf(openIt(path, told));

/** What is known of people whose roles the bundle does not tell anew. */
export function knowRoles(people: readonly RolesOfPerson[]): void {
  const known = new Map(people.map(({ id, roles }) => [id, roles]));
  opened().knowRoles((id) => known.get(id) ?? []);
}

export async function begin(from: From | null): Promise<void> {
  await batches?.return(undefined);
  batches = opened().batches(from ?? undefined);
}

/** The next rows; null after the last. */
export const next = (): Promise<Answer<Batch | null>> => {
  if (!batches) throw new Error('no table is being read in this thread');
  return answerOf(batches.next().then(({ done, value }) => (done ? null : value)));
};
