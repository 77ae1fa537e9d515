import { parseArgs } from 'node:util';
import { isTimeZone } from '@cadro/core';
import { systemClock } from '../../kit';
import { reckonBundles } from '../../sources';

/**
 * `npm run --silent read-bundle -- [--as-of INSTANT] [--zone ZONE] a.zip [b.zip …]`: the figures of every child in every
 * class, as bundles tell them, and what could not be taken. Needs no database. Only what cannot be read at all ends with
 * status 1 and one line that says why.
 */
async function main(): Promise<void> {
  const { values, positionals } = parseArgs({
    options: { 'as-of': { type: 'string' }, zone: { type: 'string', default: 'UTC' } },
    allowPositionals: true,
  });
  const asOf = values['as-of'] === undefined ? await systemClock.now() : new Date(values['as-of']);
  if (Number.isNaN(asOf.getTime())) throw new Error(`--as-of is no instant: ${values['as-of']}`);
  if (!isTimeZone(values.zone)) throw new Error(`--zone is no time zone: ${values.zone}`);
  if (positionals.length === 0) throw new Error('name at least one bundle, such as a.zip');
  const read = await reckonBundles(positionals, { asOf: asOf.toISOString(), zone: values.zone });
  process.stdout.write(`${JSON.stringify(read)}\n`);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message.replaceAll('\n', ' ') : error);
  process.exitCode = 1;
});
