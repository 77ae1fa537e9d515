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
    .description('a school that hands over bundles of OneRoster tables')
    .requiredOption('--zone <zone>', 'where its times are, such as America/Halifax')
    .action((name: string, { zone }: { zone: string }) =>
      withDatabase(async ({ db }) => {
        if (!isTimeZone(zone)) throw new Error(`${zone} is no time zone`);
        tell(`source ${await addBundleSource(db, { name, timeZone: zone })}`);
      }),
    );
  cadro
    .command('read-bundle <source> <file>')
    .description('hands a bundle of a school to the worker, by the id that `sources` tells')
    .action((sourceId: string, file: string) =>
      withDatabase(async (deps) => {
        const source = await findSource(deps.db, sourceId);
        if (source?.kind !== 'bundles') throw new Error(`${sourceId} is no school that hands over files`);
        const id = await receiveFile(deps, sourceId, file, basename(file));
        tell(
          id === null
            ? 'The very same file is there already.'
            : `bundle ${id} will be read by the job worker`,
        );
      }),
    );
  cadro
    .command('bundles <source>')
    .description('the last bundles of a school, and what became of them')
    .action((sourceId: string) =>
      withDatabase(async ({ db }) => {
        for (const { id, name, state, detail, ask, records, problems } of await bundlesOf(db, [sourceId])) {
          const asked = ask ? `would take away ${ask.gone} of ${ask.of} ${ask.what}` : '';
          tell([id, name, state, `${records} records`, `${problems} problems`, detail ?? asked].join('\t'));
        }
      }),
    );
  cadro
    .command('answer-bundle <bundle> <answer>')
    .description('takes (`take`) a bundle that would take much away, or leaves it (`stop`)')
    .action((id: string, answer: string) =>
      withDatabase(async ({ db, clock }) => {
        if (answer !== 'take' && answer !== 'stop') throw new Error('the answer is take or stop');
        const sourceId = await answerBundle(db, id, answer, await clock.now());
        if (sourceId === null) throw new Error(`there is nothing to answer about ${id}`);
        await addJobs(db, [readingJob(sourceId)]);
        tell('It is so.');
      }),
    );
}
