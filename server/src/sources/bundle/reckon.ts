import { basename } from 'node:path';
import { figuresOf, type StudentFigures } from './figuresOf';
import { HeldRecords } from './heldRecords';
import { openBundle, type OpenBundle, type RowFault } from './readBundle';

export interface BundleProblem {
  readonly bundle: string;
  readonly file: string;
  readonly row: number | null;
  readonly sourcedId: string | null;
  readonly reason: string;
}

const problemOf = (
  bundle: string,
  { file, row, sourcedId, reason }: Omit<RowFault, 'raw' | 'fault'>,
): BundleProblem => ({
  bundle,
  file,
  row,
  sourcedId,
  reason,
});

/**
 * Reads bundles one after the other, without a database, as they are read into one.
 * @param told.asOf the instant at which is asked.
 * @param told.zone where their times are.
 * @throws BundleError where one of them cannot be read at all.
 */
export async function reckonBundles(
  paths: readonly string[],
  { asOf, zone }: { readonly asOf: string; readonly zone: string },
): Promise<{ readonly students: readonly StudentFigures[]; readonly problems: readonly BundleProblem[] }> {
  const records = new HeldRecords();
  const problems: BundleProblem[] = [];
  let rolesOf: OpenBundle['rolesOf'] = () => [];
  for (const path of paths) {
    const name = basename(path);
    const bundle = await openBundle(path, { zone, now: asOf });
    bundle.knowRoles(rolesOf);
    rolesOf = bundle.rolesOf;
    problems.push(...bundle.faults.map((fault) => problemOf(name, fault)));
    for await (const batch of bundle.batches()) {
      records.take(name, batch);
      problems.push(...batch.faults.map((fault) => problemOf(name, fault)));
    }
    bundle.close();
  }
  const { students, dangling } = figuresOf(records, { asOf, zone });
  problems.push(
    ...dangling.map(({ held: { bundle, file, row, record }, reason }) =>
      problemOf(bundle, { file, row, sourcedId: record.id, reason }),
    ),
  );
  return { students, problems };
}
