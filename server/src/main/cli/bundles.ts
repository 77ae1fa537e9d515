import { basename } from 'node:path';
import { isTimeZone } from '@cadro/core';
import type { Command } from 'commander';
import { addJobs } from '../../kit';
import { addBundleSource, answerBundle, bundlesOf, findSource, readingJob, receiveFile } from '../../sources';
import type { Tell, WithDatabase } from './shared';

/** Schools that hand over files. */
export function addBundles(cadro: Command, withDatabase: WithDatabase, tell: Tell): void {
  cadro
    .command('add-bundle-source <name>')
    .description('add a school that exports OneRoster bundles')
    .requiredOption('--zone <zone>', 'its time zone, such as America/Halifax')
    .action((name: string, { zone }: { zone: string }) =>
      withDatabase(async ({ db }) => {
        if (!isTimeZone(zone)) throw new Error(`${zone} isn’t a time zone`);
        tell(`source ${await addBundleSource(db, { name, timeZone: zone })}`);
      }),
    );
  cadro
    .command('read-bundle <source> <file>')
    .description('give the worker a school’s bundle, by the id that `sources` shows')
    .action((sourceId: string, file: string) =>
      withDatabase(async (deps) => {
        const source = await findSource(deps.db, sourceId);
        if (source?.kind !== 'bundles') throw new Error(`${sourceId} isn’t a school that exports files`);
        const id = await receiveFile(deps, sourceId, file, basename(file));
        tell(id === null ? 'That exact file is already here.' : `bundle ${id} will be read by the worker`);
      }),
    );
  cadro
    .command('bundles <source>')
    .description('a school’s latest bundles, and what became of them')
    .action((sourceId: string) =>
      withDatabase(async ({ db }) => {
        for (const { id, name, state, detail, ask, records, problems } of await bundlesOf(db, [sourceId])) {
          const asked = ask ? `would remove ${ask.gone} of ${ask.of} ${ask.what}` : '';
          tell([id, name, state, `${records} records`, `${problems} problems`, detail ?? asked].join('\t'));
        }
      }),
    );
  cadro
    .command('answer-bundle <bundle> <answer>')
    .description('use (`take`) a bundle that would remove a lot, or don’t (`stop`)')
    .action((id: string, answer: string) =>
      withDatabase(async ({ db, clock }) => {
        if (answer !== 'take' && answer !== 'stop') throw new Error('the answer has to be take or stop');
        const sourceId = await answerBundle(db, id, answer, await clock.now());
        if (sourceId === null) throw new Error(`${id} isn’t waiting for an answer`);
        await addJobs(db, [readingJob(sourceId)]);
        tell('Done.');
      }),
    );
}
